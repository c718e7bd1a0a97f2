import { lazy, Suspense, useState } from 'react';
import type { Schemas } from '../api/api';
import classes from './Walk.module.css';
import { phrase, t } from '../text/text';

type Sheet = Schemas['CropSheetView'];

// Shut at first, and fetched apart: the first load does without.
const MarkInputs = lazy(async () => ({ default: (await import('./MarkInputs')).MarkInputs }));

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
  of,
  error,
}: {
  sheet: Sheet;
  of: ReturnType<typeof useMarking>;
  error: string | undefined;
}) {
  const { mark, colour, tag } = of;
  return (
    <details className={classes.marks}>
      <summary>
        {t('mark.title', { mark: mark ? phrase(mark.how) : t('mark.none') })}
        {colour && `, ${colour}`}
        {tag && `, ${tag}`}
      </summary>
      <Suspense fallback={null}>
        <MarkInputs sheet={sheet} of={of} error={error} />
      </Suspense>
    </details>
  );
}
