import { Button, NumberInput } from '@mantine/core';
import { answer, api } from '../api/api';
import { toCelsius, toFahrenheit } from '../format/numbers';
import { useSubmit } from '../form/use-submit';
import type { OrchardDraft } from './OrchardFields';
import classes from './Months.module.css';
import { locale } from '../text/locale';

const monthNames = () =>
  Array.from({ length: 12 }, (_, m) =>
    new Date(Date.UTC(2001, m, 15)).toLocaleDateString(locale(), { month: 'long', timeZone: 'UTC' }),
  );

/** Ordinary days month by month, in the place of the one; guessed at first, then mended. */
export function Months({
  value,
  onChange,
  errorFor,
}: {
  value: OrchardDraft;
  onChange: (d: OrchardDraft) => void;
  errorFor: (field: string, label: string) => string | undefined;
}) {
  const metric = value.units === 'METRIC';
  const celsius = (v: number | string) => (metric ? Number(v) : toCelsius(Number(v)));
  const shown = (c: number) => (metric ? c : toFahrenheit(c));
  const guess = useSubmit(
    () =>
      answer(
        api.GET('/api/orchard/typical-year', {
          params: {
            query: { minimumC: celsius(value.typicalMinimum), maximumC: celsius(value.typicalMaximum) },
          },
        }),
      ),
    [],
    (months) =>
      onChange({
        ...value,
        months: months.map((m) => ({ low: shown(m.minimumC), high: shown(m.maximumC) })),
      }),
  );
  const set = (month: number, part: 'low' | 'high', to: number | string) =>
    onChange({ ...value, months: value.months.map((m, i) => (i === month ? { ...m, [part]: to } : m)) });
  const ready = value.typicalMinimum !== '' && value.typicalMaximum !== '';
  return (
    <details className={classes.months} open={value.months.length > 0}>
      <summary>Ordinary days month by month</summary>
      {value.months.length === 0 ? (
        <>
          <p className="small soft">
            One day stands for the whole year. Where weather is missing for other seasons, twelve say more.
          </p>
          <Button
            variant="outline"
            size="sm"
            disabled={!ready}
            loading={guess.busy}
            onClick={() => guess.submit(undefined)}
          >
            Guess them from this day and the latitude
          </Button>
          {guess.general && <p className="warn small">{guess.general}</p>}
        </>
      ) : (
        <>
          <div className={classes.grid}>
            <span />
            <span className="small soft">lowest, {metric ? '°C' : '°F'}</span>
            <span className="small soft">highest, {metric ? '°C' : '°F'}</span>
            {value.months.map((m, i) => (
              <Month key={monthNames()[i]} name={monthNames()[i]!}>
                <NumberInput
                  aria-label={`lowest in ${monthNames()[i]}`}
                  value={m.low}
                  onChange={(v) => set(i, 'low', v)}
                  error={errorFor(`typicalMonths[${i}].minimumC`, 'Lowest')}
                  hideControls
                />
                <NumberInput
                  aria-label={`highest in ${monthNames()[i]}`}
                  value={m.high}
                  onChange={(v) => set(i, 'high', v)}
                  error={errorFor(`typicalMonths[${i}].maximumC`, 'Highest')}
                  hideControls
                />
              </Month>
            ))}
          </div>
          <Button variant="subtle" size="sm" onClick={() => onChange({ ...value, months: [] })}>
            One day for the whole year
          </Button>
        </>
      )}
    </details>
  );
}

function Month({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <span className={classes.name}>{name}</span>
      {children}
    </>
  );
}
