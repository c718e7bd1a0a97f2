import { useState, type ReactNode } from 'react';
import type { Schemas } from '../api/api';
import { RecordForm } from '../form/RecordForm';
import { useSubmit, type Submit } from '../form/use-submit';
import { made, SheetFields, SheetResult, type Grid, type MadeSheet } from './LabelParts';

/** The sheet that is asked for. */
interface Wanted {
  grid: Grid;
  /** Labels already used on it. */
  skip: number;
}

interface LabelSheet {
  wanted: Wanted;
  form: Submit<void>;
  /** Grid and used labels, with what was made of them. */
  parts: (file: string) => ReactNode;
}

/** A sheet of labels: which paper, how many of it are used, what came out. */
export function useLabelSheet(
  usual: Grid,
  send: (wanted: Wanted) => Promise<Schemas['LabelSheet']>,
  fields: string[] = [],
): LabelSheet {
  const [grid, setGrid] = useState(usual);
  const [skip, setSkip] = useState<number | string>(0);
  const [sheet, setSheet] = useState<MadeSheet>();
  const wanted = { grid, skip: Number(skip) || 0 };
  const form = useSubmit(
    () => send(wanted),
    ['skip', ...fields],
    (answered) => setSheet((before) => made(answered, before)),
  );
  const error = form.errorFor('skip', 'Used labels');
  return {
    wanted,
    form,
    parts: (file) => (
      <>
        <SheetFields grid={grid} setGrid={setGrid} skip={skip} setSkip={setSkip} error={error} />
        {sheet && <SheetResult of={sheet} file={file} />}
      </>
    ),
  };
}

interface LabelSheetFormProps {
  labels: LabelSheet;
  file: string;
  save: string;
  disabled: boolean;
  children: ReactNode;
}

/** The card that asks for a sheet of labels: what is on them comes as its children. */
export function LabelSheetForm({ labels, file, save, disabled, children }: LabelSheetFormProps) {
  return (
    <RecordForm form={labels.form} save={save} disabled={disabled} duty="READ" className="card stack noprint">
      {children}
      {labels.parts(file)}
    </RecordForm>
  );
}
