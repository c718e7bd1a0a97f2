import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const { texts } = JSON.parse(readFileSync('../docs/words-not-used.json', 'utf8')) as { texts: string[] };
const GONE = new RegExp(`\\b(${texts.join('|')})\\b`, 'i');

const files = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory() ? files(join(dir, f.name)) : [join(dir, f.name)],
  );

/** Texts of a file with the line on which each stands: strings, templates and what stands between tags. */
function said(path: string): [number, string][] {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: [number, string][] = [];
  const look = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (
      ts.isStringLiteralLike(node) ||
      ts.isJsxText(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node)
    )
      found.push([
        source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        node.text.replace(/\s+/g, ' '),
      ]);
    ts.forEachChild(node, look);
  };
  look(source);
  return found;
}

/** Sentences of the server and of core: literals of more than one word that are no SQL. */
function saidInJava(path: string): [number, string][] {
  const source = readFileSync(path, 'utf8').replace(/\/\*[\s\S]*?\*\//g, (c) => c.replace(/[^\n]/g, ''));
  return source.split('\n').flatMap((line, i) =>
    /^\s*\/\//.test(line)
      ? []
      : [...line.matchAll(/"((?:[^"\\]|\\.)*)"/g)]
          .map((m) => m[1]!)
          .filter((text) => text.includes(' ') && !SQL.test(text))
          .map((text): [number, string] => [i + 1, text]),
  );
}

const SQL =
  /\b(select|insert|update|delete|from|where|join|table|truncate|analyze|group by|order by|having)\b.*[_,=(]|_|\w\.\w|^ and \w+ [+=]/i;

describe('words on screen', () => {
  it('are those of the glossary', () => {
    const shown = files('src').filter((f) => /\.tsx?$/.test(f) && !/\.test\.|\/test\/|schema\.d/.test(f));
    expect(shown.length).toBeGreaterThan(100);
    const wrong = shown.flatMap((f) =>
      said(f)
        .filter(([, text]) => GONE.test(text))
        .map(([line, text]) => `${f}:${line} ${text}`),
    );
    expect(wrong).toEqual([]);
    const java = ['../core/src/main/java', '../server/src/main/java'].flatMap(files);
    expect(java.length).toBeGreaterThan(300);
    expect(
      java.flatMap((f) =>
        saidInJava(f)
          .filter(([, text]) => GONE.test(text))
          .map(([line, text]) => `${f}:${line} ${text}`),
      ),
    ).toEqual([]);
    const messages = JSON.parse(readFileSync('../messages/en.json', 'utf8')) as Record<string, string>;
    expect(Object.entries(messages).filter(([, text]) => GONE.test(text))).toEqual([]);
  });
});
