import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { orchard, show } from '../test/screen';
import { MeasureInput } from '../form/MeasureInput';
import { inUnits, tied } from './numbers';

describe('weights and lengths', () => {
  // NIST Special Publication 811, appendix B.8: 1 oz = 28.34952 g, 1 lb = 0.4535924 kg, 1 in = 2.54 cm.
  it.each([
    ['weight', 10 * 28.34952, '283 g', '10.0 oz'],
    ['harvest', 20 * 0.4535924, '9.1 kg', '20.0 lb'],
    ['length', 101.6, '102 mm', '4.00 in'],
    ['girth', 41.5, '41.5 cm', '16.3 in'],
  ] as const)('tells a %s in the units of the orchard', (of, value, metric, imperial) => {
    expect(inUnits(of, value, 'METRIC').replace('\u00a0', ' ')).toBe(metric);
    expect(inUnits(of, value, 'IMPERIAL').replace('\u00a0', ' ')).toBe(imperial);
  });

  function Field({ sent }: { sent: (n: number | undefined) => void }) {
    const [grams, setGrams] = useState<number | undefined>(453.59237);
    return (
      <>
        <MeasureInput
          label="Weight"
          of="weight"
          value={grams}
          onChange={(n) => {
            setGrams(n);
            sent(n);
          }}
        />
        <button onClick={() => setGrams(undefined)}>Empty it</button>
      </>
    );
  }

  it('are typed in ounces, kept in grams, left as typed, and can be emptied', async () => {
    const sent: (number | undefined)[] = [];
    show(<Field sent={(n) => sent.push(n)} />, { of: { ...orchard, units: 'IMPERIAL' } });
    const field = screen.getByLabelText('Weight, oz');
    expect(field).toHaveValue('16');
    await userEvent.clear(field);
    expect(sent.at(-1)).toBeUndefined();
    await userEvent.type(field, '12.3');
    expect(field).toHaveValue('12.3');
    expect(sent.at(-1)).toBeCloseTo(348.699, 3);
    await userEvent.click(screen.getByText('Empty it'));
    expect(field).toHaveValue('');
  });
});

describe('a sentence of the server', () => {
  it('keeps a number with what it counts, and breaks elsewhere', () => {
    expect(tied('17 % (7 of 42), 464 g a fruit, 20 to 24 °C, 4 gone')).toBe(
      '17\u00a0% (7 of 42), 464\u00a0g a fruit, 20 to 24\u00a0°C, 4 gone',
    );
  });
});
