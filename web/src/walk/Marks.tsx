import { NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../kit/api';
import classes from './Walk.module.css';

type Sheet = Schemas['CropSheetView'];

/** The mark one makes, remembered for the crop on this device. */
export function useMark(sheet: Sheet | undefined) {
  const memory = `mark ${sheet?.key ?? ''}`;
  const [name, setName] = useState(() => localStorage.getItem(memory) ?? sheet?.hand.marks[0]?.name ?? '');
  const mark = sheet?.hand.marks.find((m) => m.name === name);
  return {
    mark,
    choose: (chosen: string) => {
      localStorage.setItem(memory, chosen);
      setName(chosen);
    },
  };
}

/** The mark, its colour and the number on a tag. */
export function MarkFields({
  sheet,
  mark,
  choose,
  colour,
  setColour,
  tag,
  setTag,
  error,
}: {
  sheet: Sheet;
  mark: Sheet['hand']['marks'][number] | undefined;
  choose: (name: string) => void;
  colour: string;
  setColour: (v: string) => void;
  tag: string;
  setTag: (v: string) => void;
  error: string | undefined;
}) {
  return (
    <details className={classes.marks}>
      <summary>
        Mark: {mark ? mark.how : 'none'}
        {colour && `, ${colour}`}
        {tag && `, ${tag}`}
      </summary>
      <div className="stack">
        <NativeSelect
          label="Mark"
          data={[...sheet.hand.marks.map((m) => m.name), { value: '', label: 'no mark' }]}
          value={mark?.name ?? ''}
          onChange={(e) => choose(e.currentTarget.value)}
        />
        <TextInput label="Colour" value={colour} onChange={(e) => setColour(e.currentTarget.value)} />
        <TextInput
          label="Number on the tag"
          description="used once a year"
          value={tag}
          onChange={(e) => setTag(e.currentTarget.value)}
          error={error}
        />
      </div>
    </details>
  );
}
