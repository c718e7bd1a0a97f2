import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import classes from './PedigreeTree.module.css';

type Variety = Schemas['VarietyView'];

/** Great-grandparents are the last that are drawn. */
const GENERATIONS = 3;

interface Props {
  /** What it is drawn for. */
  name: string;
  motherId: string;
  fatherId?: string | undefined;
  varieties: Variety[];
}

function Parents({
  of,
  left,
  varieties,
}: {
  of: { motherId?: string | undefined; fatherId?: string | undefined };
  left: number;
  varieties: Variety[];
}) {
  if (left === 0 || (!of.motherId && !of.fatherId)) return null;
  return (
    <ul>
      <Ancestor as="mother" id={of.motherId} left={left} varieties={varieties} />
      <Ancestor as="father" id={of.fatherId} left={left} varieties={varieties} />
    </ul>
  );
}

function Ancestor({
  as,
  id,
  left,
  varieties,
}: {
  as: string;
  id: string | undefined;
  left: number;
  varieties: Variety[];
}) {
  const variety = varieties.find((v) => v.id === id);
  // A sport has the parents of what it came from.
  const root = varieties.find((v) => v.id === variety?.breeding.sportOfId) ?? variety;
  return (
    <li>
      <span className={classes.name}>
        <span className="small soft">{as}</span>{' '}
        {variety ? <Link to={`/orchard/variety/${variety.id}`}>{variety.name}</Link> : 'not known'}
        {variety?.breeding.alleles && <span className="small soft"> {variety.breeding.alleles}</span>}
      </span>
      {root && <Parents of={root.breeding} left={left - 1} varieties={varieties} />}
    </li>
  );
}

/** Who it descends from, drawn from left to right; read out as lists within lists. */
export const PedigreeTree = ({ name, motherId, fatherId, varieties }: Props) => (
  <div className={`scroll ${classes.tree}`}>
    <ul aria-label={`Pedigree of ${name}`}>
      <li>
        <span className={classes.name}>
          <b>{name}</b>
        </span>
        <Parents of={{ motherId, fatherId }} left={GENERATIONS} varieties={varieties} />
      </li>
    </ul>
  </div>
);
