import english from 'virtual:messages/en';
import { useSyncExternalStore } from 'react';

/** Languages with the customs of a country: how it writes dates, hours and decimals. */
export const LOCALES = [
  { tag: 'en-GB', name: 'English: 24 Nov, 16:40' },
  { tag: 'en-US', name: 'English, US: Nov 24, 4:40 PM' },
  { tag: 'es-ES', name: 'Español: 24 nov, 16:40' },
  { tag: 'es-MX', name: 'Español, América: 24 nov, 16:40, punto decimal' },
] as const;
export type LocaleTag = (typeof LOCALES)[number]['tag'];

const KEY = 'locale';

/** The nearest of the locales to what a browser or an account asks for. */
export function nearest(asked: string | null | undefined): LocaleTag {
  const tags = LOCALES.map((l) => l.tag);
  if (asked?.startsWith('es-') && asked !== 'es-ES') return 'es-MX';
  return (
    tags.find((t) => t === asked) ?? tags.find((t) => t.split('-')[0] === asked?.split('-')[0]) ?? 'en-GB'
  );
}

interface Texts {
  tag: LocaleTag;
  messages: typeof english;
  /** Texts that are told apart by their English: those of the crop sheets that ship, and of the help. */
  phrases: Record<string, string>;
}

let texts: Texts = { tag: 'en-GB', messages: english, phrases: {} };
const listeners = new Set<() => void>();

export const locale = (): LocaleTag => texts.tag;
export const messages = (): typeof english => texts.messages;
export const phrases = (): Record<string, string> => texts.phrases;

/** Another language has to be fetched; English is always there. */
async function fetched(tag: LocaleTag): Promise<Texts> {
  if (!tag.startsWith('es')) return { tag, messages: english, phrases: {} };
  const [words, found] = await Promise.all([
    import('virtual:messages/es'),
    import('../../../messages/phrases.es.json'),
  ]);
  return { tag, messages: { ...english, ...words.default }, phrases: found.default };
}

/** Speaks a locale from now on, on this device too where nobody is signed in yet. */
export async function speak(tag: LocaleTag): Promise<void> {
  texts = await fetched(tag);
  localStorage.setItem(KEY, tag);
  document.documentElement.lang = tag;
  listeners.forEach((l) => l());
}

/** What was spoken last on this device; what the browser asks for on a first visit. English where its words cannot be had. */
export const speakAsBefore = (): Promise<void> =>
  speak(nearest(localStorage.getItem(KEY) ?? navigator.language)).catch(() => undefined);

/** The locale, for what is drawn anew when it changes. */
export const useLocale = (): LocaleTag =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => texts.tag,
  );
