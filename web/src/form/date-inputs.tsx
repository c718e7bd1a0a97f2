import '@mantine/dates/styles.css';
import { Input } from '@mantine/core';
import { DateInput, TimePicker, type DateInputProps } from '@mantine/dates';
import dayjs from 'dayjs';
import 'dayjs/locale/en-gb';
import 'dayjs/locale/es';
import parseFormats from 'dayjs/plugin/customParseFormat';
import { useId } from 'react';
import { locale, type LocaleTag } from '../text/locale';
import { t } from '../text/text';

dayjs.extend(parseFormats);

interface Customs {
  dayjs: string;
  format: string;
  /** What may be typed beside the format itself; day first or month first. */
  typed: string[];
  firstDayOfWeek: 0 | 1;
}

const DAY_FIRST = [
  'D MMM YYYY',
  'D MMMM YYYY',
  'D/M/YYYY',
  'D.M.YYYY',
  'D-M-YYYY',
  'D M YYYY',
  'D/M/YY',
  'YYYY-MM-DD',
];
const MONTH_FIRST = [
  'MMM D, YYYY',
  'MMM D YYYY',
  'MMMM D, YYYY',
  'M/D/YYYY',
  'M-D-YYYY',
  'M/D/YY',
  'YYYY-MM-DD',
];
const SPANISH: Customs = { dayjs: 'es', format: 'D MMM YYYY', typed: DAY_FIRST, firstDayOfWeek: 1 };
const CUSTOMS: Record<LocaleTag, Customs> = {
  'en-GB': { dayjs: 'en-gb', format: 'D MMM YYYY', typed: DAY_FIRST, firstDayOfWeek: 1 },
  'en-US': { dayjs: 'en', format: 'MMM D, YYYY', typed: MONTH_FIRST, firstDayOfWeek: 0 },
  'es-ES': SPANISH,
  'es-MX': { ...SPANISH, firstDayOfWeek: 0 },
};

/** The day that somebody typed, as `2026-11-24`; nothing where it is none. */
export function typedDay(typed: string, tag: LocaleTag): string | null {
  const { dayjs: language, typed: formats } = CUSTOMS[tag];
  for (const format of formats) {
    const day = dayjs(typed.trim(), format, language, true);
    if (day.isValid()) return day.format('YYYY-MM-DD');
  }
  return null;
}

export type DayInputProps = Pick<
  DateInputProps,
  'label' | 'aria-label' | 'description' | 'error' | 'placeholder' | 'id'
> & {
  /** `2026-11-24`; empty where none is known */
  value: string;
  onChange: (day: string) => void;
};

/** A day, typed or chosen from the calendar, as the reader's country writes it. */
export function DayInput({ value, onChange, ...rest }: DayInputProps) {
  const customs = CUSTOMS[locale()];
  return (
    <DateInput
      {...rest}
      value={value || null}
      onChange={(day) => onChange(day ?? '')}
      valueFormat={customs.format}
      dateParser={(typed) => typedDay(typed, locale())}
      locale={customs.dayjs}
      firstDayOfWeek={customs.firstDayOfWeek}
      allowDeselect
      popoverProps={{ withinPortal: true }}
    />
  );
}

export interface HourInputProps {
  'aria-label'?: string;
  id?: string;
  /** `17:15` */
  value: string;
  onChange: (hour: string) => void;
}

/** A time of day, with twelve or twenty-four hours as the reader's country has it. */
export function HourInput({ 'aria-label': label, value, onChange, id }: HourInputProps) {
  return (
    <TimePicker
      {...(id && { hoursInputProps: { id } })}
      value={value}
      onChange={(hour) => {
        if (hour) onChange(hour.slice(0, 5));
      }}
      format={locale() === 'en-US' ? '12h' : '24h'}
      hoursInputLabel={t('time.hours-of', { label: label ?? '' })}
      minutesInputLabel={t('time.minutes-of', { label: label ?? '' })}
      miw={96}
    />
  );
}

export interface WallTimeInputProps {
  label: string;
  description?: string | undefined;
  error?: string | undefined;
  /** The wall clock, `2026-11-24T15:40` */
  value: string;
  onChange: (wall: string) => void;
}

/** A day with a time of day. */
export function WallTimeInput({ label, description, error, value, onChange }: WallTimeInputProps) {
  const id = useId();
  const [day = '', hour = ''] = value.split('T');
  return (
    <Input.Wrapper label={label} description={description} error={error} id={id}>
      <div className="line" style={{ gap: 8, flexWrap: 'nowrap', alignItems: 'flex-start' }}>
        <DayInput
          id={id}
          value={day}
          onChange={(d) => {
            if (d) onChange(`${d}T${hour}`);
          }}
        />
        <HourInput aria-label={label} value={hour} onChange={(h) => onChange(`${day}T${h}`)} />
      </div>
    </Input.Wrapper>
  );
}
