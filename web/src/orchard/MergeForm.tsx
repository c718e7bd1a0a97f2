import { Modal, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { listed, plural } from '../format/time';
import { effectsQuery } from '../story/queries';
import { KINDS, nounOf } from '../story/story-words';
import { doneWithUndo } from '../ui/undo';

/** Restores the variety that was merged: what named it names it again. */
async function part(variety: string) {
  const story = await answer(
    api.GET('/api/story', { params: { query: { variety, kinds: ['variety'], removed: true } } }),
  );
  return answer(
    api.POST('/api/story/{kind}/{id}/restore', {
      params: { path: { kind: 'variety', id: variety } },
      body: { version: story.lines[0]!.version },
    }),
  );
}

/** A variety that was entered twice becomes one. */
export function MergeForm({
  variety,
  varieties,
  close,
}: {
  variety: Schemas['VarietyView'];
  varieties: Schemas['VarietyView'][];
  close: () => void;
}) {
  const navigate = useNavigate();
  const named = useQuery(effectsQuery('variety', variety.id));
  const [into, setInto] = useState<string | null>(null);
  const other = varieties.find((v) => v.id === into);
  const form = useSubmit(
    () =>
      answer(
        api.POST('/api/varieties/{id}/merge', {
          params: { path: { id: variety.id } },
          body: { into: into ?? '', version: variety.version },
        }),
      ),
    ['into'],
    (stays) => {
      doneWithUndo(`${variety.name} and ${stays.name} are one variety.`, () => part(variety.id));
      close();
      void navigate(`/orchard/variety/${stays.id}`);
    },
  );
  const moved = (named.data?.effects ?? []).map((e) => plural(e.number, nounOf(e.of), KINDS[e.of]?.many));
  return (
    <Modal opened onClose={close} title={`${variety.name} was entered twice`}>
      <RecordForm duty="MANAGE" form={form} save="Make them one" cancel={close} disabled={!into}>
        <Select
          label="It is the same as"
          placeholder="the variety that stays"
          searchable
          data={varieties
            .filter((v) => v.id !== variety.id && v.crop === variety.crop)
            .map((v) => ({ value: v.id, label: v.name }))}
          value={into}
          onChange={setInto}
          error={form.errorFor('into', 'Variety')}
        />
        {other && (
          <>
            <p>
              {moved.length > 0
                ? `${listed(moved)} of ${variety.name} become ${other.name}’s.`
                : 'Nothing names it.'}{' '}
              {variety.name} is removed.
            </p>
            <p className="small soft">
              Alleles, parents and own numbers are those of {other.name}. Where both have bloom dates of a
              year, the same wanted cross, or fruit wanted, those of {other.name} stay. Restoring{' '}
              {variety.name} in its story parts them again.
            </p>
          </>
        )}
      </RecordForm>
    </Modal>
  );
}
