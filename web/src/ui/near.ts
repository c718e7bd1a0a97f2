import { useCallback, useState } from 'react';

/** Whether an element has come near the screen; once it has it stays so. Where nobody can tell it counts as near. */
export function useNear(): [(element: Element | null) => (() => void) | undefined, boolean] {
  const [near, setNear] = useState(() => typeof IntersectionObserver === 'undefined');
  const ref = useCallback((element: Element | null) => {
    if (!element || typeof IntersectionObserver === 'undefined') return undefined;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((e) => e.isIntersecting)) {
          setNear(true);
          observer.disconnect();
        }
      },
      { rootMargin: '800px' },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, near];
}
