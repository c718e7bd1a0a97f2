import { useEffect, useState } from 'react';

/** Deep red on black for eyes that are used to the dark; remembered on this device, and only while a field screen is open. */
export function useNightMode(): [boolean, () => void] {
  const [night, setNight] = useState(() => localStorage.getItem('night') === 'on');
  useEffect(() => {
    if (night) document.documentElement.dataset.night = 'on';
    localStorage.setItem('night', night ? 'on' : 'off');
    return () => {
      delete document.documentElement.dataset.night;
    };
  }, [night]);
  return [night, () => setNight((n) => !n)];
}
