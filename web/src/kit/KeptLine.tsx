import { Link } from 'react-router';
import { plural } from './time';
import { useOutbox } from './outbox';

/** Says what waits on this device, and leads there; nothing where nothing waits. */
export function KeptLine({ className }: { className?: string }) {
  const waiting = useOutbox();
  if (waiting.length === 0) return null;
  const refused = waiting.filter((w) => w.refused !== undefined).length;
  return (
    <Link to="/kept" className={className} data-kept={waiting.length}>
      {refused > 0
        ? `${plural(refused, 'record')} refused: open`
        : `${plural(waiting.length, 'record')} kept on this device`}
    </Link>
  );
}
