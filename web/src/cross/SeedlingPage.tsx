import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { percent } from '../format/numbers';
import { calendarDate } from '../format/time';
import { FruitTabs } from '../fruitset/FruitTabs';
import { ScoresOf } from '../judging/ScoresOf';
import { Remove } from '../story/Mend';
import { usePageTitle } from '../ui/page-title';
import { useMay } from '../ui/roles';
import { Loaded } from '../ui/States';
import { PedigreeTree } from './PedigreeTree';
import { parents } from './seed-words';
import classes from './Seeds.module.css';
import { NameSeedling } from './NameSeedling';
import { SeedlingLabels } from './SeedlingLabels';
import { SeedlingStepForm } from './SeedlingStepForm';
import { eventWords, grows, STATES, where } from './seedling-words';

type Seedling = Schemas['Seedling'];

function Head({ of }: { of: Seedling }) {
  const { row } = of;
  const navigate = useNavigate();
  const may = useMay('WORK');
  const [removing, setRemoving] = useState(false);
  return (
    <>
      <div className="say">
        <h1>
          {row.number}: {row.variety ?? parents({ ...row, tree: row.mother })}
        </h1>
        {may && of.happened.length === 0 && (
          <div className="do noprint">
            <Button variant="subtle" onClick={() => setRemoving(true)}>
              Remove
            </Button>
          </div>
        )}
      </div>
      <section className="card stack">
        <p>
          <b>{grows(row) && row.state === 'SELECTED' ? `Selected, ${where(row)}` : capital(where(row))}</b>
          {row.endedOn && `, ${calendarDate(row.endedOn)}`}
          {row.fruitFrom && <>. First fruit about {row.fruitFrom.slice(0, 4)}</>}
          {row.graftedOn ? ', grafted' : row.fruitFrom && ', on its own roots'}.
        </p>
        <p className="small soft">
          From lot <Link to={`/fruit-set/seeds/${row.lotId}`}>{row.lot}</Link>
          {row.crossId && (
            <>
              , of <Link to={`/orchard/cross/${row.crossId}`}>its cross</Link>
            </>
          )}
          . It got its number on {calendarDate(row.numberedOn)}.
          {row.variety && (
            <>
              {' '}
              It is the variety <Link to={`/orchard/variety/${row.varietyId}`}>{row.variety}</Link>.
            </>
          )}
          {of.note && ` ${of.note}`}
        </p>
      </section>
      {removing && (
        <Remove
          line={{ id: row.id, version: row.version, kind: 'seedling' }}
          close={() => setRemoving(false)}
          removed={() => void navigate('/fruit-set/seedlings')}
        />
      )}
    </>
  );
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function Alleles({ of }: { of: Seedling }) {
  if (of.genotypes.length === 0 && of.inbreeding === undefined) return null;
  return (
    <>
      {of.genotypes.length > 0 && (
        <p>
          S alleles by its parents: {of.genotypes.map((g) => `${g.alleles} (${percent(g.share)})`).join(', ')}
          .{of.certainAlleles && <> Certain: {of.certainAlleles.replace(' ?', '')}.</>}
        </p>
      )}
      {of.inbreeding !== undefined && (
        <p className="small soft">
          {of.inbreeding > 0
            ? `Its parents are related: inbreeding ${percent(of.inbreeding)}, which costs vigour.`
            : 'Its parents are not related, as far as their pedigree is known.'}
        </p>
      )}
    </>
  );
}

function Kin({ of }: { of: Seedling }) {
  const varieties = useQuery(queries.varieties());
  return (
    <section className="card stack">
      <h2>Pedigree</h2>
      <Loaded of={varieties}>
        {(all) => (
          <PedigreeTree
            name={of.row.number}
            motherId={of.row.motherId}
            fatherId={of.row.fatherId}
            varieties={all}
          />
        )}
      </Loaded>
      <Alleles of={of} />
    </section>
  );
}

function History({ of }: { of: Seedling }) {
  const may = useMay('WORK');
  const [removing, setRemoving] = useState<Schemas['SeedlingStep']>();
  if (of.happened.length === 0) return null;
  return (
    <section className="card stack">
      <h2>What happened</h2>
      <ul className={classes.tasks}>
        {[...of.happened].reverse().map((h) => (
          <li key={h.id}>
            <span>
              {calendarDate(h.on)}: {eventWords(h)}
              {h.note && <span className="soft">. {h.note}</span>}
            </span>
            {may && (
              <Button
                size="compact-sm"
                variant="subtle"
                aria-label={`Remove: ${eventWords(h)}`}
                onClick={() => setRemoving(h)}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {removing && (
        <Remove line={{ ...removing, kind: 'seedling-step' }} close={() => setRemoving(undefined)} />
      )}
    </section>
  );
}

function Shown({ of }: { of: Seedling }) {
  usePageTitle(of.row.number);
  return (
    <>
      <Head of={of} />
      {of.possible.length > 0 && (
        <section className="card stack noprint">
          <h2>Write down what happened</h2>
          <SeedlingStepForm key={of.happened.length} of={of} />
        </section>
      )}
      <ScoresOf
        crop={of.row.crop}
        plant={{ seedlingId: of.row.id }}
        closed={grows(of.row) ? undefined : `It was ${STATES[of.row.state]}.`}
      />
      <Kin of={of} />
      <History of={of} />
      {grows(of.row) && !of.row.variety && <NameSeedling of={of} />}
      <SeedlingLabels of={[of.row]} />
    </>
  );
}

/** One seedling: where it is, its scores, its kin, its name. */
export function SeedlingPage() {
  const { seedling: id = '' } = useParams();
  const seedling = useQuery(queries.seedling(id));
  return (
    <>
      <FruitTabs />
      <Loaded of={seedling}>{(s) => <Shown of={s} />}</Loaded>
    </>
  );
}
