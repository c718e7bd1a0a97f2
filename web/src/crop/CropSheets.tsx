import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Glyph } from '../kit/Glyph';
import { queries } from '../kit/queries';
import { Loaded } from '../kit/States';

export function CropSheets() {
  const crops = useQuery(queries.crops());
  return (
    <Loaded of={crops}>
      {(all) => (
        <>
          <h1>Crop sheets: what each species does, and what each number rests on</h1>
          {all.map((c) => (
            <Link
              key={c.key}
              to={`/crops/${c.key}`}
              className="card line"
              style={{ textDecoration: 'none', color: 'inherit' }}
            >
              {c.stages.map((s) => (
                <Glyph key={s.key} glyph={s.glyph} size={46} />
              ))}
              <span>
                <b>{c.name}</b> <i className="soft">{c.scientificName}</i>
              </span>
            </Link>
          ))}
        </>
      )}
    </Loaded>
  );
}
