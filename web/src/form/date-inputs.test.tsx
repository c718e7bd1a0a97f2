import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { show } from '../test/screen';
import { speak, type LocaleTag } from '../text/locale';
import { DayInput, typedDay, WallTimeInput } from './date-inputs';

afterEach(() => speak('en-GB'));

describe('dates', () => {
  it.each<[string, LocaleTag, string | null]>([
    ['24 Nov 2026', 'en-GB', '2026-11-24'],
    ['3/4/2026', 'en-GB', '2026-04-03'],
    ['3/4/2026', 'en-US', '2026-03-04'],
    ['Nov 24, 2026', 'en-US', '2026-11-24'],
    ['24 noviembre 2026', 'es-ES', '2026-11-24'],
    ['3.4.26', 'es-MX', null],
    ['30/2/2026', 'en-GB', null],
    ['2026-11-24', 'es-MX', '2026-11-24'],
    ['soon', 'en-GB', null],
  ])('%s in %s is %s', (typed, tag, day) => expect(typedDay(typed, tag)).toBe(day));

  it.each<[LocaleTag, RegExp]>([
    ['en-GB', /^24 Nov 2026$/],
    ['en-US', /^Nov 24, 2026$/],
    ['es-ES', /^24 nov 2026$/],
  ])('are written as readers of %s do', async (tag, says) => {
    await speak(tag);
    show(<DayInput label="Day" value="2026-11-24" onChange={() => undefined} />);
    expect(screen.getByLabelText<HTMLInputElement>('Day').value).toMatch(says);
  });

  it('change the day or the hour of a moment, and leave the other', async () => {
    const changed = vi.fn();
    show(<WallTimeInput label="When" value="2026-11-24T15:40" onChange={changed} />);
    const day = screen.getByLabelText('When');
    await userEvent.clear(day);
    await userEvent.type(day, '23/11/2026');
    fireEvent.blur(day);
    expect(changed).toHaveBeenLastCalledWith('2026-11-23T15:40');
    fireEvent.change(screen.getByLabelText('When: hours'), { target: { value: '18' } });
    expect(changed).toHaveBeenLastCalledWith('2026-11-24T18:40');
  });
});
