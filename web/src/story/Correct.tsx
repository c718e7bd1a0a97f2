import type { ComponentType } from 'react';
import { CrossStep, Fig, Pollination, Reading, Word } from './correct-flowers';
import { BloomDate, Check, Fruit, LimbCount } from './correct-fruit';
import { Jar, JarStep, JarTest } from './correct-jar';
import { SeedlingStep, SeedStep } from './correct-seeds';
import type { CorrectProps } from './correction';
import type { Line } from './queries';
import { said } from './story-words';

/** How records of each kind are put right in the story; others have a form on a page of their own. */
const FORMS: Record<string, ComponentType<CorrectProps>> = {
  reading: Reading,
  pollination: Pollination,
  check: Check,
  'limb-count': LimbCount,
  fruit: Fruit,
  jar: Jar,
  'jar-step': JarStep,
  'jar-test': JarTest,
  'cross-step': CrossStep,
  word: Word,
  fig: Fig,
  'bloom-date': BloomDate,
  'seed-step': SeedStep,
  'seedling-step': SeedlingStep,
};

/** Whether it can be put right here; of a fruit what became of it. */
export const correctable = (line: Line): boolean =>
  line.kind in FORMS && (line.kind !== 'fruit' || said(line, 'ended') !== undefined);

/** What a record says, to be put right. */
export function Correct(props: CorrectProps) {
  const Form = FORMS[props.line.kind]!;
  return <Form {...props} />;
}
