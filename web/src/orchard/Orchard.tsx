import { useCropName } from '../crop/crop-name';
import { RecordForm } from '../form/RecordForm';
import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { useMay } from '../ui/roles';
import { queries } from '../api/queries';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, LoadedAll } from '../ui/States';
import { calendarDate, plural } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { OrchardTabs } from './OrchardTabs';
import { Months } from './Months';
import { draftOf, OrchardFields, orchardBody } from './OrchardFields';
import { TreeForm } from './TreeForm';
import { VarietyForm } from './VarietyForm';

function Settings() {
  const { orchard } = useHere();
  const owner = useMay('OWN');
  const [draft, setDraft] = useState(() => draftOf(orchard));
  const [saved, setSaved] = useState(false);
  const form = useSubmit(
    () => answer(api.PUT('/api/orchard', { body: orchardBody(draft) })),
    [
      ...['name', 'latitude', 'longitude', 'zone', 'typicalMinimumC', 'typicalMaximumC', 'typicalMonths'],
      ...draft.months.flatMap((_, m) => [`typicalMonths[${m}].minimumC`, `typicalMonths[${m}].maximumC`]),
    ],
    (now) => {
      setDraft(draftOf(now));
      setSaved(true);
    },
  );
  return (
    <RecordForm
      form={form}
      save={owner && 'Save'}
      className="card stack"
      beside={
        saved && (
          <span role="status" className="soft">
            Saved.
          </span>
        )
      }
    >
      <h2>Place and weather</h2>
      <OrchardFields
        value={draft}
        onChange={(d) => {
          setDraft(d);
          setSaved(false);
        }}
        errorFor={form.errorFor}
      />
      <Months
        value={draft}
        onChange={(d) => {
          setDraft(d);
          setSaved(false);
        }}
        errorFor={form.errorFor}
      />
      {orchard.zoneDoubt && <p className="note bad">{orchard.zoneDoubt}</p>}
      {!owner && <p className="small soft">Only the owner can change this.</p>}
    </RecordForm>
  );
}

function Trees({ trees, varieties }: { trees: Schemas['TreeView'][]; varieties: Schemas['VarietyView'][] }) {
  const [editing, setEditing] = useState<Schemas['TreeView'] | 'new'>();
  return (
    <section className="card">
      <header>
        <h2>Trees</h2>
        <span className="line noprint" style={{ marginLeft: 'auto' }}>
          <Button size="sm" variant="outline" component={Link} to="/orchard/rows">
            Add rows of trees
          </Button>
          <Button
            size="sm"
            variant="outline"
            disabled={varieties.length === 0}
            onClick={() => setEditing('new')}
          >
            Add a tree
          </Button>
        </span>
      </header>
      {trees.length === 0 ? (
        <p className="soft">
          {varieties.length === 0
            ? 'First add a variety above, then its trees.'
            : 'No tree yet. Add the first one.'}
        </p>
      ) : (
        <div className="scroll">
          <table className="plain">
            <thead>
              <tr>
                <th>Tree</th>
                <th>Variety</th>
                <th>Block</th>
                <th className="num">Row</th>
                <th className="num">Place</th>
                <th>Planted</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {[...trees.filter((t) => !t.stoodUntil), ...trees.filter((t) => t.stoodUntil)].map((t) => (
                <tr key={t.id} className={t.stoodUntil && 'soft'}>
                  <td>
                    <Link to={`/orchard/tree/${t.id}`}>
                      <b>{t.name}</b>
                    </Link>
                  </td>
                  <td>{t.varietyName}</td>
                  <td>
                    {t.block ? (
                      <Link to={`/orchard/block/${encodeURIComponent(t.block)}`}>{t.block}</Link>
                    ) : (
                      '–'
                    )}
                  </td>
                  <td className="num">{t.row}</td>
                  <td className="num">{t.position}</td>
                  <td>
                    {t.plantedOn ? calendarDate(t.plantedOn) : 'not known'}
                    {t.stoodUntil && `, stood until ${calendarDate(t.stoodUntil)}`}
                  </td>
                  <td className="num">
                    <Button
                      size="compact-sm"
                      variant="subtle"
                      onClick={() => setEditing(t)}
                      aria-label={`Edit ${t.name}`}
                    >
                      Edit
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <TreeForm
        key={editing === 'new' ? 'new' : editing?.id}
        editing={editing}
        varieties={varieties}
        trees={trees}
        close={() => setEditing(undefined)}
      />
    </section>
  );
}

export function Orchard() {
  const cropName = useCropName();
  const varieties = useQuery(queries.varieties());
  const trees = useQuery(queries.trees());
  const { orchard } = useHere();
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState<Schemas['VarietyView']>();
  return (
    <LoadedAll of={[varieties, trees]}>
      {(known, all) => (
        <>
          <OrchardTabs />
          <h1>
            {orchard.name}: {plural(all.filter((t) => !t.stoodUntil).length, 'tree')} of {known.length}{' '}
            {known.length === 1 ? 'variety' : 'varieties'}
          </h1>
          {known.length === 0 && (
            <Empty
              title="Begin with a variety"
              action={<Button onClick={() => setAdding(true)}>Add a variety</Button>}
            >
              A variety is a named clone. Pollen is kept and given by variety, so name each one you have.
            </Empty>
          )}
          {known.length > 0 && (
            <section className="card">
              <header>
                <h2>Varieties</h2>
                <Button size="sm" variant="outline" ml="auto" onClick={() => setAdding(true)}>
                  Add a variety
                </Button>
              </header>
              <div className="line" style={{ gap: 22 }}>
                {known.map((v) => (
                  <span key={v.id}>
                    <Link to={`/orchard/variety/${v.id}`}>
                      <b>{v.name}</b>
                    </Link>{' '}
                    <span className="soft">
                      {cropName(v.crop)}
                      {v.breeding.alleles && ` · ${v.breeding.alleles}`}
                    </span>
                  </span>
                ))}
              </div>
            </section>
          )}
          <Trees trees={all} varieties={known} />
          {all.length > 0 && <SaveCsv tables={['trees', 'varieties', 'tree-positions']} />}
          <Settings />
          <VarietyForm key={String(adding)} opened={adding} close={() => setAdding(false)} />
          <VarietyForm
            key={editing?.id}
            editing={editing}
            opened={editing !== undefined}
            close={() => setEditing(undefined)}
          />
        </>
      )}
    </LoadedAll>
  );
}
