import { NumberInput, Select } from '@mantine/core';
import type { Schemas } from '../api/api';
import { plural } from '../format/time';
import classes from './LabelParts.module.css';

export type Grid = Schemas['LabelsRequest']['grid'];

const GRIDS: Record<Grid, string> = {
  A4_3_BY_7: 'A4, 3 × 7: 63.5 × 38.1 mm',
  A4_5_BY_13: 'A4, 5 × 13: 38.1 × 21.2 mm',
  LETTER_3_BY_10: 'Letter, 3 × 10: 2⅝ × 1 in',
  LETTER_2_BY_5: 'Letter, 2 × 5: 4 × 2 in',
  ONE_UP: 'one to a page: 62 × 29 mm',
};

interface SheetFieldsProps {
  grid: Grid;
  setGrid: (g: Grid) => void;
  skip: number | string;
  setSkip: (n: number | string) => void;
  error: string | undefined;
}

/** Which sheet of labels, and how many of it are used. */
export function SheetFields({ grid, setGrid, skip, setSkip, error }: SheetFieldsProps) {
  return (
    <div className="form">
      <div className="two">
        <Select
          label="Sheet"
          data={(Object.keys(GRIDS) as Grid[]).map((value) => ({ value, label: GRIDS[value] }))}
          value={grid}
          onChange={(v) => setGrid(v as Grid)}
          allowDeselect={false}
        />
        <NumberInput
          label="Labels already used on it"
          min={0}
          value={skip}
          onChange={setSkip}
          error={error}
        />
      </div>
    </div>
  );
}

/** A sheet that was made, at an address of this page. */
export interface MadeSheet {
  sheet: Schemas['LabelSheet'];
  url: string;
}

/** The sheet as a file to save; the one before it is let go. */
export function made(sheet: Schemas['LabelSheet'], before: MadeSheet | undefined): MadeSheet {
  if (before) URL.revokeObjectURL(before.url);
  const bytes = Uint8Array.from(atob(sheet.pdf), (c) => c.charCodeAt(0));
  return { sheet, url: URL.createObjectURL(new Blob([bytes], { type: 'application/pdf' })) };
}

function Shortened({ lines }: { lines: Schemas['ShortenedLine'][] }) {
  if (lines.length === 0) return null;
  return (
    <div className="note bad small" role="alert">
      Shortened, as it does not fit; choose a larger label to have it whole:
      {lines.map((l) => (
        <div key={l.code + l.line}>
          <b>{l.code}</b>: {l.line} → {l.printed || 'left out'}
        </div>
      ))}
    </div>
  );
}

/** The sheet to save, its first page, and what did not fit. */
export function SheetResult({ of, file }: { of: MadeSheet; file: string }) {
  return (
    <div className="stack">
      <Shortened lines={of.sheet.shortened} />
      <a href={of.url} download={file}>
        Save the PDF: {plural(of.sheet.labels, 'label')}
      </a>
      <img
        src={`data:image/png;base64,${of.sheet.firstPage}`}
        alt="The first page of the sheet"
        className={classes.preview}
      />
    </div>
  );
}
