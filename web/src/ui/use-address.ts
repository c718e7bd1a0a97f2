import { useSearchParams } from 'react-router';

/**
 * What is chosen on a page, kept in its address: it stands there after a reload, and the page can be sent to somebody as it is.
 * Choices that are as usual are left out. A value that is not allowed counts as the usual one.
 */
export function useAddress<K extends string>(
  usual: Record<K, string>,
  allowed: Partial<Record<K, readonly string[]>> = {},
): [Record<K, string>, (part: Partial<Record<K, string>>) => void] {
  const [params, setParams] = useSearchParams();
  const keys = Object.keys(usual) as K[];
  const chosen = Object.fromEntries(
    keys.map((k) => {
      const value = params.get(k) ?? usual[k];
      return [k, allowed[k]?.includes(value) === false ? usual[k] : value];
    }),
  ) as Record<K, string>;
  const choose = (part: Partial<Record<K, string>>) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        for (const k of Object.keys(part) as K[]) {
          if (part[k] === usual[k]) next.delete(k);
          else next.set(k, part[k]!);
        }
        return next;
      },
      // Going back leads to the page before, not through every choice.
      { replace: true },
    );
  return [chosen, choose];
}
