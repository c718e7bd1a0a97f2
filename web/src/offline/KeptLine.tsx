import { Link } from 'react-router';

import { useOutbox } from './outbox';
import { t } from '../text/text';

/** Says what waits on this device, and leads there; nothing where nothing waits. */
export function KeptLine({ className }: { className?: string }) {
  const waiting = useOutbox();
  if (waiting.length === 0) return null;
  const refused = waiting.filter((w) => w.refused !== undefined).length;
  return (
    <Link to="/kept" className={className} data-kept={waiting.length}>
      {refused > 0 ? t('outbox.refused', { n: refused }) : t('outbox.waiting', { n: waiting.length })}
    </Link>
  );
}
