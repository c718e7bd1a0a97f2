import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { wallTime } from '../format/time';
import { jarPermitWords } from '../orchard/permit-words';
import { useHere } from '../ui/orchard-context';

/** Whether a permit is on record for pollen that comes or goes; the authority says whether it needs one. */
export function JarPermit({
  scope,
  crop,
  at,
}: {
  scope: Schemas['PermitNotice']['scope'];
  crop: string;
  at: Date;
}) {
  const { zone } = useHere();
  const { data } = useQuery(queries.permitStanding(scope, crop, wallTime(at, zone).slice(0, 10)));
  if (!data) return null;
  return (
    <p className="small soft">
      {jarPermitWords(data)} <Link to="/orchard/permits">Permits</Link>
    </p>
  );
}
