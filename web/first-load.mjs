// What a phone fetches before Today shows: held to what a slow field connection bears.
import { readFileSync } from 'node:fs';
import process from 'node:process';
import { gzipSync } from 'node:zlib';

const MOST = { js: 180_000, css: 40_000 };
const page = readFileSync('dist/index.html', 'utf8');
const files = [...page.matchAll(/(?:src|href)="(\/assets\/[^"]+\.(js|css))"/g)];
const sizes = { js: 0, css: 0 };
for (const [, path, kind] of files) sizes[kind] += gzipSync(readFileSync(`dist${path}`), { level: 9 }).length;
for (const [kind, size] of Object.entries(sizes)) {
  console.log(
    `first load, ${kind}: ${(size / 1000).toFixed(1)} kB compressed, at most ${MOST[kind] / 1000} kB`,
  );
  if (size === 0 || size > MOST[kind]) {
    console.error(`The first load has ${size} bytes of ${kind}; see docs/ARCHITECTURE.md, "First load".`);
    process.exitCode = 1;
  }
}
