import { NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import classes from './Walk.module.css';
import { phrase, t } from '../text/text';

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
        {t('mark.title', { mark: mark ? phrase(mark.how) : t('mark.none') })}
        {colour && `, ${colour}`}
        {tag && `, ${tag}`}
      </summary>
      <div className="stack">
        <NativeSelect
          label={t('mark.mark')}
          data={[
            ...sheet.hand.marks.map((m) => ({ value: m.name, label: phrase(m.name) })),
            { value: '', label: t('mark.no-mark') },
          ]}
          value={mark?.name ?? ''}
          onChange={(e) => choose(e.currentTarget.value)}
        />
        <TextInput
          label={t('mark.colour')}
          value={colour}
          onChange={(e) => setColour(e.currentTarget.value)}
        />
        <TextInput
          label={t('mark.number')}
          description={t('mark.once-a-year')}
          value={tag}
          onChange={(e) => setTag(e.currentTarget.value)}
          error={error}
        />
      </div>
    </details>
  );
}
