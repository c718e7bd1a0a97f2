import { IntlMessageFormat } from 'intl-messageformat';
import { createElement, Fragment, type ReactNode } from 'react';
import type english from '../../../messages/en.json';
import type { Schemas } from '../api/api';
import { locale, messages, phrases } from './locale';

export type MessageKey = keyof typeof english;

type Values = Record<string, string | number | boolean | null | undefined>;
type RichValues = Record<string, ReactNode | ((inside: ReactNode) => ReactNode)>;

const formats = new Map<string, IntlMessageFormat>();

function format(key: string): string | IntlMessageFormat {
  const message = messages()[key];
  if (message === undefined) throw new Error(`There is no message ${key}.`);
  if (typeof message === 'string') return message;
  const id = `${locale()} ${key}`;
  let found = formats.get(id);
  if (!found) {
    found = new IntlMessageFormat(message, locale());
    formats.set(id, found);
  }
  return found;
}

/** A message in the language that is spoken. */
export function t(key: MessageKey, values?: Values): string {
  const found = format(key);
  return typeof found === 'string' ? found : String(found.format(values));
}

/** Whether there is a message of a key that is put together, such as one for each step. */
export const has = (key: string): key is MessageKey => messages()[key] !== undefined;

const children = (parts: ReactNode): ReactNode =>
  Array.isArray(parts) ? createElement(Fragment, null, ...(parts as ReactNode[])) : parts;

const bold = (inside: ReactNode): ReactNode => createElement('b', null, inside);

/** A message with elements in it: `<link>…</link>` becomes what the value `link` makes of its inside; `<b>` is known. */
export function rich(key: MessageKey, values: RichValues): ReactNode {
  const found = format(key);
  if (typeof found === 'string') return found;
  const made = Object.fromEntries(
    Object.entries({ b: bold, ...values }).map(([name, value]) => [
      name,
      typeof value === 'function' ? (inside: ReactNode[]) => value(children(inside)) : value,
    ]),
  );
  return children(found.format<ReactNode>(made) as ReactNode);
}

const COUNTED = {
  flower: 'count.flower',
  maleFlower: 'count.male-flower',
  tree: 'count.tree',
  dose: 'count.dose',
  visit: 'count.visit',
  stop: 'count.stop',
  check: 'count.check',
  record: 'count.record',
  fruit: 'count.fruit',
} as const satisfies Record<string, MessageKey>;

/** "1 flower", "2 flowers" */
export const count = (of: keyof typeof COUNTED, n: number): string => t(COUNTED[of], { n });

/** A text told apart by its English, such as one of a crop sheet: in the language that is spoken where it ships, as it stands where not. */
export const phrase = (text: string): string => phrases()[text] ?? text;

/** The same in small letters, for the middle of a sentence. */
export const phraseWord = (text: string): string => phrase(text).toLocaleLowerCase(locale());

/** Writes a moment and a day as the reader does; set once the orchard's clock is known. */
let moments: { at: (iso: string) => string; day: (date: string) => string } = {
  at: (iso) => iso,
  day: (date) => date,
};

export const writeMoments = (how: typeof moments): void => void (moments = how);

/** What the server says, as a message with its values: a day, a moment and a text of a crop sheet are written as the reader does. */
export function tell(text: Schemas['Text']): string {
  const values = Object.entries(text.values).map(([name, value]) => {
    // The kind stands at the beginning of the name: a moment in `at` or `atNow`.
    const kind = /^(at|day|sheet)(?=[A-Z]|$)/.exec(name)?.[1];
    if (kind === 'at') return [name, moments.at(String(value))];
    if (kind === 'day') return [name, moments.day(String(value))];
    return [name, kind === 'sheet' ? phrase(String(value)) : value];
  });
  return t(text.key as MessageKey, Object.fromEntries(values) as Values);
}

/** Several things said one after another. */
export const tellAll = (texts: Schemas['Text'][]): string => texts.map(tell).join(' ');
