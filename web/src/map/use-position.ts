import { useEffect, useState } from 'react';

export interface Position {
  latitude: number;
  longitude: number;
  /** how far off it may be, metres */
  accuracy: number;
}

const OPTIONS: PositionOptions = { enableHighAccuracy: true, maximumAge: 2_000, timeout: 20_000 };

const known = ({ coords }: GeolocationPosition): Position => ({
  latitude: coords.latitude,
  longitude: coords.longitude,
  accuracy: coords.accuracy,
});

/** Where the device is, followed while that is wanted; `denied` where it does not say. */
export function usePosition(wanted: boolean): { at: Position | undefined; denied: boolean } {
  const [at, setAt] = useState<Position>();
  const [denied, setDenied] = useState(false);
  useEffect(() => {
    if (!wanted || !('geolocation' in navigator)) return undefined;
    const { geolocation } = navigator;
    const watch = geolocation.watchPosition(
      (p) => {
        setAt(known(p));
        setDenied(false);
      },
      () => setDenied(true),
      OPTIONS,
    );
    return () => geolocation.clearWatch(watch);
  }, [wanted]);
  const missing = wanted && !('geolocation' in navigator);
  return { at: wanted ? at : undefined, denied: denied || missing };
}

/** Where the device is, once. */
export const positionNow = (): Promise<Position> =>
  new Promise((found, failed) => {
    if (!('geolocation' in navigator)) {
      failed(new Error('no geolocation'));
      return;
    }
    navigator.geolocation.getCurrentPosition((p) => found(known(p)), failed, OPTIONS);
  });
