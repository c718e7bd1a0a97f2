import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../kit/api';
import { queries } from '../kit/queries';
import { STEP } from '../crossing/cross-words';

/** What is done at a stop, and on flowers of which stage. */
export function Which({ stop }: { stop: Schemas['RoundStop'] }) {
  const { data: crops = [] } = useQuery(queries.crops());
  const sheet = crops.find((c) => c.key === stop.crop);
  const name = (stage: string) => sheet?.stages.find((s) => s.key === stage)?.name.toLowerCase() ?? stage;
  return (
    <span className="small">
      {stop.kind !== 'POLLINATE' && <b>{STEP[stop.kind]} </b>}
      {stop.againOf && stop.say}
      {stop.byStage.map((b) => `${b.flowers} ${name(b.stage)}`).join(', ')}
      {sheet?.figSizes && <Link to={`/round/figs/${stop.treeId}`}> which, by size</Link>}
      {stop.onlyNow && <span className="warn"> now or never</span>}
    </span>
  );
}
