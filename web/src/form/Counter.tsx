import { ActionIcon } from '@mantine/core';
import { IconMinus, IconPlus } from '@tabler/icons-react';
import { t } from '../text/text';

interface Props {
  label: string;
  value: number;
  onChange: (value: number) => void;
  most?: number;
  /** What stands over the number, where the label would say again what stands beside it. */
  heading?: string;
}

/** A number with a large plus and minus, for thumbs; it can be typed too. */
export function Counter({ label, value, onChange, most = 20_000, heading }: Props) {
  const set = (n: number) => onChange(Math.min(most, Math.max(0, n)));
  return (
    <div style={{ display: 'grid', justifyItems: 'center', gap: 4 }}>
      <span className="small">{heading ?? label}</span>
      <div className="line" style={{ gap: 4, flexWrap: 'nowrap' }}>
        <ActionIcon
          size={44}
          variant="outline"
          aria-label={t('do.one-less-of', { label })}
          onClick={() => set(value - 1)}
        >
          <IconMinus size={20} />
        </ActionIcon>
        <input
          className="figure"
          inputMode="numeric"
          aria-label={label}
          value={value}
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => set(Number(e.currentTarget.value.replace(/\D/g, '')) || 0)}
          style={{
            width: 54,
            height: 44,
            textAlign: 'center',
            fontSize: 26,
            border: 0,
            background: 'transparent',
            color: 'inherit',
          }}
        />
        <ActionIcon
          size={44}
          variant="outline"
          aria-label={t('do.one-more-of', { label })}
          onClick={() => set(value + 1)}
        >
          <IconPlus size={20} />
        </ActionIcon>
      </div>
    </div>
  );
}
