import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { toFahrenheit } from '../format/numbers';
import type { OrchardDraft } from './OrchardFields';

/** Four decimals of a degree are eleven metres: enough for sun and weather. */
const PLACE_DECIMALS = 1e4;

const rounded = (degrees: number) => Math.round(degrees * PLACE_DECIMALS) / PLACE_DECIMALS;

/** Whether this device may be asked where it is: browsers allow it on secure addresses only. */
export const canAskDevice = () => window.isSecureContext && 'geolocation' in navigator;

/** The device's place, or the reason why it does not say. */
export const devicePlace = () =>
  new Promise<{ latitude: number; longitude: number }>((found, refused) =>
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => found({ latitude: rounded(coords.latitude), longitude: rounded(coords.longitude) }),
      (e) =>
        refused(
          new Error(
            e.code === e.PERMISSION_DENIED
              ? 'This device does not give its place to this page. Type it, or allow it in the browser.'
              : 'The device does not find its place. Type it instead.',
          ),
        ),
      { enableHighAccuracy: true, timeout: 15_000 },
    ),
  );

/** A typical year in the units chosen, with the day of the month it is now. */
function asDraft(
  year: Schemas['TypicalMonth'][],
  units: OrchardDraft['units'],
  month: number,
): Pick<OrchardDraft, 'typicalMinimum' | 'typicalMaximum' | 'months'> {
  const shown = (c: number) => (units === 'METRIC' ? c : toFahrenheit(c));
  const months = year.map((m) => ({ low: shown(m.minimumC), high: shown(m.maximumC) }));
  return { typicalMinimum: months[month]!.low, typicalMaximum: months[month]!.high, months };
}

const untouched = (d: OrchardDraft) => d.typicalMinimum === '' && d.typicalMaximum === '';

/**
 * Guesses the weather once a latitude stands there and nobody typed any; typing over it leaves one day for the whole year.
 *
 * @param latest what the form holds when the answer comes
 */
export function useGuessedWeather(latest: () => OrchardDraft, onChange: (d: OrchardDraft) => void) {
  const [guessed, setGuessed] = useState(false);
  return {
    guessed,
    guess: async (latitude: number | string) => {
      const degrees = Number(latitude);
      const wanted = untouched(latest()) || guessed;
      if (latitude === '' || !(Math.abs(degrees) <= 90) || !wanted) return;
      const year = await answer(
        api.GET('/api/typical-year', { params: { query: { latitude: degrees } } }),
      ).catch(() => undefined);
      const now = latest();
      if (!year || !(untouched(now) || guessed)) return;
      setGuessed(true);
      onChange({ ...now, ...asDraft(year, now.units, new Date().getMonth()) });
    },
    typedOver: (d: OrchardDraft) => {
      const left = guessed ? { ...d, months: [] } : d;
      setGuessed(false);
      onChange(left);
    },
  };
}
