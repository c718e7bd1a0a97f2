import { Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { flowers, percent } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { useAddress } from '../ui/use-address';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { plural, said } from '../format/time';
import { Grain, Verdict, VERDICTS } from '../ui/Verdict';
import { lotWords } from '../pollen/lot-words';
import { MatesTabs } from './MatesTabs';
import { PairCard } from './PairCard';
import { answerOf, combinationWords, mateSentence, MOST_SHOWN, named, shown } from './mate-words';
import classes from './Mates.module.css';

interface Chosen {
  mother: string;
  father: string;
}

function Matrix({
  group,
  chosen,
  choose,
}: {
  group: Schemas['MatesGroup'];
  chosen: Chosen | undefined;
  choose: (c: Chosen) => void;
}) {
  const [{ mothers: ofMothers, fathers: ofFathers }, setAddress] = useAddress({ mothers: '', fathers: '' });
  const large = group.mothers.length > MOST_SHOWN || group.fathers.length > MOST_SHOWN;
  const namedMothers = named(group.mothers, ofMothers);
  const namedFathers = named(group.fathers, ofFathers);
  const mothers = shown(namedMothers);
  const fathers = shown(namedFathers);
  return (
    <section className="card">
      <header>
        <h2>{group.name}</h2>
        <span className="small soft">{mateSentence(group)}</span>
      </header>
      {large && (
        <div className="stack" style={{ marginBottom: 10 }}>
          <div className="line">
            <TextInput
              label="Seed parents"
              placeholder="names, or parts of them, with commas"
              value={ofMothers}
              onChange={(e) => setAddress({ mothers: e.currentTarget.value })}
              w={300}
            />
            <TextInput
              label="Pollen parents"
              placeholder="names, or parts of them, with commas"
              value={ofFathers}
              onChange={(e) => setAddress({ fathers: e.currentTarget.value })}
              w={300}
            />
          </div>
          <span className="small">
            <b>{combinationWords(group, namedMothers, namedFathers)}.</b>{' '}
            {(mothers.length < namedMothers.length || fathers.length < namedFathers.length) && (
              <span className="soft">
                Drawn are {mothers.length} of them and {fathers.length}, those with trees and pollen first.
              </span>
            )}
          </span>
        </div>
      )}
      <div className="scroll">
        <table className={classes.matrix}>
          <thead>
            <tr>
              <th scope="col" className={classes.corner}>
                seed parent ↓ pollen →
              </th>
              {fathers.map(({ party: f }) => (
                <th key={f.varietyId} scope="col">
                  <div>
                    {f.name}
                    <span>{f.doses > 0 ? plural(f.doses, 'dose') : f.alleles || '\u00a0'}</span>
                  </div>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {mothers.map(({ party: m, at: row }) => (
              <tr key={m.varietyId}>
                <th scope="row">
                  {m.name}
                  <span>
                    {plural(m.trees, 'tree')}
                    {m.alleles && ` · ${m.alleles}`}
                  </span>
                </th>
                {fathers.map(({ party: f, at: column }) => {
                  const verdict = answerOf(group.cells[row]![column]!);
                  const pressed = chosen?.mother === m.varietyId && chosen.father === f.varietyId;
                  return (
                    <td key={f.varietyId}>
                      <button
                        type="button"
                        className={`${classes.cell} ${classes[verdict.toLowerCase()]}`}
                        aria-pressed={pressed}
                        aria-label={`${f.name} on ${m.name}: ${VERDICTS[verdict]}`}
                        onClick={() => choose({ mother: m.varietyId, father: f.varietyId })}
                      >
                        <Grain of={verdict} size={20} />
                      </button>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Servers({ tree }: { tree: string }) {
  const { now, zone } = useHere();
  const servers = useQuery(queries.servers(tree));
  return (
    <Loaded of={servers}>
      {(s) => (
        <div className="stack">
          {s.jars.length === 0 && s.trees.length === 0 && (
            <p className="soft">Nothing on the shelf and no tree with pollen this week could serve it.</p>
          )}
          {s.jars.map((j) => (
            <div key={j.lot.id} className={classes.server}>
              <Verdict of={j.answer.verdict} />
              <div>
                <Link to={`/pollen/jar/${j.lot.id}`}>
                  <b>{j.lot.code}</b>
                </Link>{' '}
                {j.lot.varietyName}: {plural(j.lot.dosesLeft, 'dose')}, {percent(j.lot.viability.share)}{' '}
                alive, {lotWords(j.lot, now, zone)}
                <div className="small soft">{j.answer.why}</div>
              </div>
            </div>
          ))}
          {s.trees.map((t) => (
            <div key={t.treeId} className={classes.server}>
              <Verdict of={t.answer.verdict} />
              <div>
                <b>{t.tree}</b> {t.variety}: {flowers(t.most)} shedding pollen{' '}
                {said(new Date(t.mostAt), now, zone)}
                <div className="small soft">{t.answer.why}</div>
              </div>
            </div>
          ))}
        </div>
      )}
    </Loaded>
  );
}

/** "Who can serve this tree this week?" */
function ForTree() {
  const trees = useQuery(queries.standing());
  const [{ tree }, choose] = useAddress({ tree: '' });
  return (
    <section className="card">
      <header>
        <h2>Who can serve this tree this week?</h2>
      </header>
      <Select
        aria-label="Tree"
        placeholder="choose a tree"
        data={(trees.data ?? []).map((t) => ({ value: t.id, label: `${t.name} (${t.varietyName})` }))}
        value={tree || null}
        onChange={(t) => choose({ tree: t ?? '' })}
        searchable
        mb={12}
      />
      {tree && <Servers tree={tree} />}
    </section>
  );
}

/** Seed parents against pollen parents. */
export function Mates() {
  const mates = useQuery(queries.mates());
  const [chosen, setChosen] = useState<Chosen>();
  return (
    <>
      <MatesTabs />
      <h1>Mates: whose pollen sets fruit on whom</h1>
      <Loaded of={mates}>
        {(m) =>
          m.groups.length === 0 ? (
            <Empty title="No variety yet">Add varieties under Orchard; then this shows who fits whom.</Empty>
          ) : (
            <div className={classes.columns}>
              <div className="stack">
                <p className="small line" style={{ gap: 18 }}>
                  {(['YES', 'PARTLY', 'NO', 'UNKNOWN'] as const).map((v) => (
                    <Verdict key={v} of={v} />
                  ))}
                  <span className="soft">Press a cell to ask why.</span>
                </p>
                {m.groups
                  .flatMap((g) => g.doubts)
                  .map((doubt) => (
                    <p key={doubt} className="note bad">
                      {doubt}
                    </p>
                  ))}
                {m.groups.map((g) => (
                  <Matrix key={g.name} group={g} chosen={chosen} choose={setChosen} />
                ))}
              </div>
              <div className={`stack ${classes.side}`}>
                {chosen ? (
                  <PairCard mother={chosen.mother} father={chosen.father} />
                ) : (
                  <section className="card soft">
                    Press a cell: here stands why, what seedlings would be, whether the blooms meet, and what
                    your own fruit says.
                  </section>
                )}
                <ForTree />
              </div>
            </div>
          )
        }
      </Loaded>
    </>
  );
}
