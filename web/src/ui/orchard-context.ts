import { createContext, useContext } from 'react';
import type { Schemas } from '../api/api';

export interface Here {
  session: Schemas['SessionView'];
  orchard: Schemas['OrchardView'];
  zone: string;
  /** The moment it is in the orchard. */
  now: Date;
}

export const HereContext = createContext<Here | null>(null);

/** Who is signed in, where, and what time it is there. */
export function useHere(): Here {
  const here = useContext(HereContext);
  if (!here) throw new Error('useHere is for screens behind the sign-in: no Here provider was found.');
  return here;
}
