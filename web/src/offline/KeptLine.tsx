import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { locale } from '../text/locale';
import { t } from '../text/text';
import { minutesBehind } from './kept-answers';
import { useOutbox } from './outbox';

const TICK_MS = 20_000;

/** Minutes by which what is shown is behind, looked at again as time goes on. */
function useMinutesBehind(): number | undefined {
  const client = useQueryClient();
  const subscribe = useCallback(
    (changed: () => void) => {
      const leave = client.getQueryCache().subscribe(changed);
      const timer = setInterval(changed, TICK_MS);
      return () => {
        leave();
        clearInterval(timer);
      };
    },
    [client],
  );
  return useSyncExternalStore(subscribe, () => minutesBehind(client));
}

function ago(minutes: number, style: Intl.RelativeTimeFormatStyle): string {
  const said = new Intl.RelativeTimeFormat(locale(), { numeric: 'always', style });
  if (minutes < 60) return said.format(-minutes, 'minute');
  return minutes < 48 * 60
    ? said.format(-Math.floor(minutes / 60), 'hour')
    : said.format(-Math.floor(minutes / 1440), 'day');
}

/**
 * Says what waits on this device, and leads there; and how old is what is shown, where there is no connection. Else nothing.
 * Short for the head of a field screen.
 */
export function KeptLine({ className, short = false }: { className?: string; short?: boolean }) {
  const waiting = useOutbox();
  const behind = useMinutesBehind();
  if (waiting.length === 0 && behind === undefined) return null;
  const refused = waiting.filter((w) => w.refused !== undefined).length;
  const age =
    behind !== undefined &&
    (short
      ? t('outbox.behind-short', { ago: ago(behind, 'short'), minutes: behind })
      : t('outbox.behind', { ago: ago(behind, 'long'), minutes: behind }));
  // The page of what waits has nothing to say of the connection.
  if (waiting.length === 0) {
    return (
      <span className={className} data-behind={behind}>
        {age}
      </span>
    );
  }
  return (
    <Link to="/kept" className={className} data-kept={waiting.length} data-behind={behind}>
      {refused > 0 ? t('outbox.refused', { n: refused }) : t('outbox.waiting', { n: waiting.length })}
      {age && ' · '}
      {age}
    </Link>
  );
}
