import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { Glyph } from '../ui/Glyph';
import { queries } from '../api/queries';
import { Loaded } from '../ui/States';
import classes from './Crop.module.css';

type Sheet = Schemas['CropSheetView'];

function does(s: Sheet): string {
  if (s.receives && s.sheds) return '';
  return s.receives ? 'female only' : 'male only';
}

/** Every crop with its flowers in order, side by side. */
export function CropSheets() {
  const crops = useQuery(queries.crops());
  return (
    <Loaded of={crops}>
      {(all) => (
        <>
          <h1>Crop sheets: what each species does, and what each number rests on</h1>
          <div className={classes.sheets}>
            {all.map((c) => (
              <Link key={c.key} to={`/crops/${c.key}`} className={`card ${classes.sheet}`}>
                <span>
                  <b>{c.name}</b> <i className="soft">{c.scientificName}</i>{' '}
                  <span className="small soft">{does(c)}</span>
                </span>
                <span className={classes.glyphs}>
                  {c.stages.map((s) => (
                    <span key={s.key} title={`${s.name}: ${s.signs}`}>
                      <Glyph glyph={s.glyph} size={48} />
                    </span>
                  ))}
                </span>
              </Link>
            ))}
          </div>
        </>
      )}
    </Loaded>
  );
}
