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
import { DoneCard } from './DoneCard';
import { PedigreeTree } from './PedigreeTree';
import { parents } from './seed-words';
import { NameSeedling } from './NameSeedling';
import { SeedlingForm } from './SeedlingForm';
import { SeedlingLabels } from './SeedlingLabels';
import { SeedlingStepForm } from './SeedlingStepForm';
import { eventWords, grows, STATES, where } from './seedling-words';

type Seedling = Schemas['Seedling'];

function Head({ of }: { of: Seedling }) {
  const { row } = of;
  const navigate = useNavigate();
  const may = useMay('WORK');
  const [open, setOpen] = useState<'correct' | 'remove'>();
  const close = () => setOpen(undefined);
  return (
    <>
      <div className="say">
        <h1>
          {row.number}: {row.variety ?? parents({ ...row, tree: row.mother })}
        </h1>
        {may && (
          <div className="do noprint">
            <Button variant="outline" onClick={() => setOpen('correct')}>
              Correct
            </Button>
            {of.happened.length === 0 && (
              <Button variant="subtle" onClick={() => setOpen('remove')}>
                Remove
              </Button>
            )}
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
      {open === 'correct' && <SeedlingForm of={of} close={close} />}
      {open === 'remove' && (
        <Remove
          line={{ id: row.id, version: row.version, kind: 'seedling' }}
          close={close}
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
      <DoneCard title="What happened" kind="seedling-step" of={of.happened} say={eventWords} />
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
