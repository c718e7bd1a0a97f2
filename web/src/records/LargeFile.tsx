import type { Schemas } from '../api/api';
import { plural } from '../format/time';
import { SendFile } from './SendFile';

type LargeKind = 'many-pollinations' | 'many-checks';

const COLUMNS: Record<LargeKind, { path: string; needed: string; more: string; example: string }> = {
  'many-pollinations': {
    path: '/api/records/pollinations',
    needed: 'ref, tree, flowers, done_at',
    more: 'jar, father, collected_at, storage, mark, tag, treatment, stage, strokes, tool, limb, helper',
    example:
      'ref,tree,jar,father,collected_at,storage,flowers,done_at\n2026-0117,Pale Ridge 1,L-3,Lantern,2026-11-01T16:40,FRIDGE,8,2026-11-01T17:30',
  },
  'many-checks': {
    path: '/api/records/looks',
    needed: 'ref, checked_at, taken, failed, unknown',
    more: 'dropped, thinned, lost, note, helper',
    example: 'ref,checked_at,taken,failed,unknown\n2026-0117,2026-11-13T09:10,5,3,0',
  },
};

/** Pollinations and checks, by the million if need be: the file runs straight into the database. */
export function LargeFile({ kind }: { kind: LargeKind }) {
  const columns = COLUMNS[kind];
  return (
    <SendFile<Schemas['RecordsTaken']>
      path={columns.path}
      type="text/csv"
      accept=".csv,text/csv"
      choose="Choose a file"
      submit="Import the file"
      note="A million lines need some minutes; all of them are imported or none."
      done={({ written, already }) => (
        <>
          {plural(written, 'record')} written down{already > 0 && `, ${already} were there before`}. Their
          sums follow within moments.
        </>
      )}
    >
      <p className="small">
        A CSV file with a head. Needed: <b>{columns.needed}</b>. Understood too: {columns.more}.
      </p>
      <pre className="small" style={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere', margin: 0 }}>
        {columns.example}
      </pre>
      <p className="small soft">
        {kind === 'many-pollinations'
          ? 'ref is a name of your own for the record; a file sent twice is there once. Times without a zone are by the orchard’s clock. A jar that is not known yet is made from father, collected_at and storage, and counts as used up.'
          : 'ref names the pollination, as in its own file. Each number is of all its flowers up to that day.'}
      </p>
    </SendFile>
  );
}
