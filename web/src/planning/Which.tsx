import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { stepName } from '../crossing/cross-words';
import { t, tellAll } from '../text/text';

/** What is done at a stop, and on flowers of which stage. */
export function Which({ stop }: { stop: Schemas['RoundStop'] }) {
  const { data: crops = [] } = useQuery(queries.crops());
  const sheet = crops.find((c) => c.key === stop.crop);
  const name = (stage: string) => sheet?.stages.find((s) => s.key === stage)?.name.toLowerCase() ?? stage;
  return (
    <span className="small">
      {stop.kind !== 'POLLINATE' && <b>{stepName(stop.kind)} </b>}
      {stop.againOf && tellAll(stop.say)}
      {stop.byStage.map((b) => `${b.flowers} ${name(b.stage)}`).join(', ')}
      {sheet?.figSizes && <Link to={`/round/figs/${stop.treeId}`}> {t('walk.figs')}</Link>}
      {stop.onlyNow && <span className="warn"> {t('round.now-or-never')}</span>}
    </span>
  );
}
