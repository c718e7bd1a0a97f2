import { Button, Modal } from '@mantine/core';
import { TextField } from '../form/fields';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { dayOfYearAndClock } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { Loaded } from '../ui/States';
import { doneWithUndo, sayDone } from '../ui/undo';
import { effectsQuery, historyQuery, type Line } from './queries';
import { effectWords, fieldWords, nounOf, valueWords } from './story-words';

interface Props {
  line: Line;
  close: () => void;
}

type Named = Pick<Line, 'kind' | 'id' | 'version'>;

const restore = (line: Named, version: number) =>
  answer(
    api.POST('/api/story/{kind}/{id}/restore', {
      params: { path: { kind: line.kind, id: line.id } },
      body: { version },
    }),
  );

function Effects({ line, restoring }: { line: Named; restoring: boolean }) {
  const effects = useQuery(effectsQuery(line.kind, line.id));
  return (
    <Loaded of={effects}>
      {({ effects: all }) =>
        all.length === 0 ? null : (
          <ul style={{ margin: 0, paddingLeft: 20 }}>
            {all.map((e, i) => (
              <li key={i}>{effectWords(e, restoring)}</li>
            ))}
          </ul>
        )
      }
    </Loaded>
  );
}

/** Asks why, and says beforehand what else changes; `removed` goes on from there. */
export function Remove({ line, close, removed }: { line: Named; close: () => void; removed?: () => void }) {
  const [reason, setReason] = useState('');
  const form = useSubmit(
    () =>
      answer(
        api.POST('/api/story/{kind}/{id}/remove', {
          params: { path: { kind: line.kind, id: line.id } },
          body: { version: line.version, reason },
        }),
      ),
    ['reason'],
    () => {
      // Removing it was its next version.
      doneWithUndo(`The ${nounOf(line.kind)} was removed.`, () => restore(line, line.version + 1));
      close();
      removed?.();
    },
  );
  return (
    <Modal opened onClose={close} title={`Remove this ${nounOf(line.kind)}?`}>
      <RecordForm form={form} save="Remove" cancel={close} disabled={reason.trim() === ''}>
        <Effects line={line} restoring={false} />
        <TextField
          name="reason"
          label="Why"
          placeholder="entered twice, wrong tree, …"
          data-autofocus
          value={reason}
          set={setReason}
          named="Reason"
        />
        <p className="small soft">
          Nothing is deleted: it stays in the story under “removed”, and can be restored.
        </p>
      </RecordForm>
    </Modal>
  );
}

/** Puts a removed record back. */
export function Restore({ line, close }: Props) {
  const form = useSubmit(
    () => restore(line, line.version),
    [],
    () => {
      sayDone(`The ${nounOf(line.kind)} was restored.`);
      close();
    },
  );
  return (
    <Modal opened onClose={close} title={`Restore this ${nounOf(line.kind)}?`}>
      <RecordForm form={form} save="Restore" cancel={close}>
        <p>
          Removed because: <b>{line.removedBecause}</b>
        </p>
        <Effects line={line} restoring />
      </RecordForm>
    </Modal>
  );
}

const DEEDS: Record<Schemas['RecordRevision']['deed'], string> = {
  WRITTEN: 'Written down',
  CORRECTED: 'Corrected',
  REMOVED: 'Removed',
  RESTORED: 'Restored',
};

function Revision({ of }: { of: Schemas['RecordRevision'] }) {
  const { now, zone } = useHere();
  const moment = (at: Date) => dayOfYearAndClock(at, now, zone);
  return (
    <li>
      <b>{DEEDS[of.deed]}</b> {of.by && `by ${of.by}, `}
      <span className="soft">{moment(new Date(of.at))}</span>
      {of.reason && <div>Because: {of.reason}</div>}
      {of.changes.map((c) => (
        <div key={c.field} className="small">
          {fieldWords(c.field)}: <s>{valueWords(c.before, moment)}</s> → <b>{valueWords(c.after, moment)}</b>
        </div>
      ))}
    </li>
  );
}

/** Who changed what, and when. */
export function History({ line, close }: Props) {
  const history = useQuery(historyQuery(line.kind, line.id));
  return (
    <Modal opened onClose={close} title={`History of this ${nounOf(line.kind)}`}>
      <Loaded of={history}>
        {(h) => (
          <ol className="stack" style={{ margin: 0, paddingLeft: 20 }}>
            {h.revisions.map((r, i) => (
              <Revision key={i} of={r} />
            ))}
          </ol>
        )}
      </Loaded>
      <Button mt={16} variant="subtle" onClick={close}>
        Close
      </Button>
    </Modal>
  );
}
