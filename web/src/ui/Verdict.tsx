import type { Schemas } from '../api/api';
import classes from './Verdict.module.css';

type V = Schemas['MatesAnswer']['verdict'];

export const VERDICTS: Record<V, string> = { YES: 'yes', PARTLY: 'partly', NO: 'no', UNKNOWN: 'unknown' };

/** A cross's answer in one word and one drawing: a full grain, half a grain, a barred one, an open one. */
export function Verdict({ of, bare = false }: { of: V; bare?: boolean }) {
  return (
    <span className={`${classes.verdict} ${classes[of.toLowerCase()]}`}>
      <Grain of={of} />
      {!bare && VERDICTS[of]}
    </span>
  );
}

export function Grain({ of, size = 18 }: { of: V; size?: number }) {
  return (
    <svg viewBox="0 0 20 20" width={size} height={size} aria-hidden="true" style={{ flexShrink: 0 }}>
      <circle
        cx={10}
        cy={10}
        r={7.5}
        fill={of === 'YES' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth={2}
        strokeDasharray={of === 'UNKNOWN' ? '3 3' : undefined}
      />
      {of === 'PARTLY' && <path d="M10 2.5A7.5 7.5 0 0 1 10 17.5Z" fill="currentColor" />}
      {of === 'NO' && <path d="M4.7 15.3L15.3 4.7" stroke="currentColor" strokeWidth={2} />}
    </svg>
  );
}
