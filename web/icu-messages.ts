import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { parse } from '@formatjs/icu-messageformat-parser';
import type { Plugin } from 'vite';

const PREFIX = 'virtual:messages/';

const fileOf = (language: string): string =>
  fileURLToPath(new URL(`../messages/${language}.json`, import.meta.url));

/** A message without arguments stays a string; the others are parsed here, so that no phone has to. */
const compiled = (message: string): unknown =>
  /[{<']/.test(message) ? parse(message, { captureLocation: false }) : message;

/** Serves the words of a language, `messages/<language>.json`, with their ICU syntax parsed. A message that cannot be parsed fails the build. */
export function icuMessages(): Plugin {
  return {
    name: 'icu-messages',
    resolveId: (id) => (id.startsWith(PREFIX) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${PREFIX}`)) return undefined;
      const file = fileOf(id.slice(PREFIX.length + 1));
      this.addWatchFile(file);
      const messages = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>;
      const all = Object.fromEntries(Object.entries(messages).map(([key, text]) => [key, compiled(text)]));
      return `export default ${JSON.stringify(all)};`;
    },
  };
}
