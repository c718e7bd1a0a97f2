import { useEffect, useState } from 'react';
import type { Schemas } from '../api/api';

const TICK_MS = 20_000;

/** The orchard's own moment: it stands still in the demo and runs everywhere else. */
export function useNow(orchard: Schemas['OrchardView'] | undefined): Date {
  const [machine, setMachine] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setMachine(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  return orchard?.demo ? new Date(orchard.now) : new Date(machine);
}
