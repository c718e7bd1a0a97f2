import { useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { newId } from '../api/ids';
import { TextField } from '../form/fields';
import { RecordForm } from '../form/RecordForm';
import { useSubmit } from '../form/use-submit';
import { doneWithUndo } from '../ui/undo';

/** A name for a seedling: it becomes a variety, with its parents, its year and the S alleles that are certain. */
export function NameSeedling({ of }: { of: Schemas['Seedling'] }) {
  const [varietyId] = useState(newId);
  const [name, setName] = useState('');
  const form = useSubmit(
    () =>
      answer(
        api.PUT('/api/seedlings/{id}/variety', {
          params: { path: { id: of.row.id } },
          body: { varietyId, name },
        }),
      ),
    ['name'],
    () =>
      doneWithUndo(`${of.row.number} is ${name.trim()}, a variety of this orchard.`, () =>
        answer(
          api.POST('/api/story/{kind}/{id}/remove', {
            params: { path: { kind: 'variety', id: varietyId } },
            body: { version: 0, reason: 'undone right after saving' },
          }),
        ),
      ),
  );
  return (
    <RecordForm
      form={form}
      duty="MANAGE"
      save="Make it a variety"
      disabled={!name.trim()}
      className="card stack noprint"
    >
      <h2>Give it a name</h2>
      <p className="small soft">
        It becomes a variety with its parents, its year and the S alleles that are certain. Trees grafted from
        it can then be added, and it can be a parent itself.
      </p>
      <TextField name="name" label="Name" maw={320} value={name} set={setName} />
    </RecordForm>
  );
}
