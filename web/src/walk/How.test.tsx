import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { sheet, show } from '../test/screen';
import { HowFields, useHow } from './How';

function Said({ stages }: { stages: string[] }) {
  const how = useHow(stages);
  return (
    <>
      <HowFields of={how} sheet={sheet} stages={stages} />
      <output data-testid="how">{JSON.stringify(how.how)}</output>
    </>
  );
}
const how = () => JSON.parse(screen.getByTestId('how').textContent) as Record<string, string>;

describe('how flowers are treated', () => {
  beforeEach(() => localStorage.clear());
  const [one, other] = sheet.stages.map((s) => s.key) as [string, string];

  it('knows the stage where a stop has one only, and says nothing where nobody said it', () => {
    show(<Said stages={[one]} />);
    expect(how()).toEqual({ treatment: 'HAND', stage: one });
  });

  it('takes what is chosen, and remembers the tool on this device', async () => {
    const first = show(<Said stages={[one, other]} />);
    expect(screen.getByText('How: not said')).toBeVisible();
    await userEvent.click(screen.getByText('How: not said'));
    await userEvent.selectOptions(await screen.findByLabelText('Where they sit'), 'STOUT');
    await userEvent.selectOptions(screen.getByLabelText('Strokes'), 'FULL');
    await userEvent.selectOptions(screen.getByLabelText('Stage of the flowers'), other);
    await userEvent.type(screen.getByLabelText('Tool'), 'goat brush ');
    expect(how()).toEqual({
      treatment: 'HAND',
      stage: other,
      limb: 'STOUT',
      strokes: 'FULL',
      tool: 'goat brush',
    });
    await userEvent.selectOptions(screen.getByLabelText('Where they sit'), '');
    expect(how().limb).toBeUndefined();
    first.unmount();
    show(<Said stages={[one, other]} />);
    expect(how()).toEqual({ treatment: 'HAND', tool: 'goat brush' });
    expect(screen.getByText('How: goat brush')).toBeVisible();
  });
});
