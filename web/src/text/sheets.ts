import type { Schemas } from '../api/api';
import { phrases } from './locale';

type Sheet = Schemas['CropSheetView'];

/** Fields of a sheet that hold words for people, as far as field screens show them. Keys are told apart by their English. */
const WORDS: ReadonlySet<string> = new Set([
  'name',
  'signs',
  'question',
  'strokes',
  'handling',
  'cautions',
  'cleanBetween',
  'how',
  'say',
  'lookFor',
  'whenThere',
]);

/** A mark is sent back by its name. */
const AS_IT_STANDS = 'marks';

function translated(of: unknown, words: boolean, texts: Record<string, string>): unknown {
  if (typeof of === 'string') return (words && texts[of]) || of;
  if (Array.isArray(of)) return of.map((one) => translated(one, words, texts));
  if (of === null || typeof of !== 'object') return of;
  return Object.fromEntries(
    Object.entries(of).map(([field, value]) => [
      field,
      field === AS_IT_STANDS ? value : translated(value, WORDS.has(field), texts),
    ]),
  );
}

/** Crop sheets with the texts that ship in the language that is spoken; texts of one's own stay as they are. */
export function inThisLanguage(sheets: Sheet[]): Sheet[] {
  const texts = phrases();
  return Object.keys(texts).length === 0 ? sheets : (translated(sheets, false, texts) as Sheet[]);
}
