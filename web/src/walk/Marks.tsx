import { NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../kit/api';
import classes from './Walk.module.css';

type Sheet = Schemas['CropSheetView'];

/** How flowers are marked: the mark is remembered for the crop on this device; its colour and the number on a tag are not. */
export function useMarking(sheet: Sheet | undefined) {
  const crop = sheet?.key ?? '';
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const [colour, setColour] = useState('');
  const [tag, setTag] = useState('');
  const name = chosen[crop] ?? localStorage.getItem(`mark ${crop}`) ?? sheet?.hand.marks[0]?.name ?? '';
  const mark = sheet?.hand.marks.find((m) => m.name === name);
  return {
    mark,
    choose: (now: string) => {
      localStorage.setItem(`mark ${crop}`, now);
      setChosen((all) => ({ ...all, [crop]: now }));
    },
    colour,
    setColour,
    tag,
    setTag,
    /** as it is sent */
    body: { mark: mark?.name ?? '', ...(colour && { colour }), ...(tag && { tag }) },
  };
}

/** The mark, its colour and the number on a tag. */
export function MarkFields({
  sheet,
  of: { mark, choose, colour, setColour, tag, setTag },
  error,
}: {
  sheet: Sheet;
  of: ReturnType<typeof useMarking>;
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
