import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const SRC = resolve(__dirname);
/** Rooms from the top down: each may import those below it, and itself. */
const LAYERS = [
  'main',
  'app',
  'library',
  'first',
  'benches',
  'profile',
  'sheet',
  'drawing',
  'records',
  'findings',
  'figure',
  'parts',
  'api',
];

function files(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    const path = join(folder, e.name);
    return e.isDirectory() ? files(path) : /(?<!\.d|\.test)\.tsx?$/.test(e.name) ? [path] : [];
  });
}
const ALL = files(SRC);

function imports(file: string): string[] {
  const text = readFileSync(file, 'utf8');
  return [...text.matchAll(/(?:from|import)\s*\(?\s*'(\.[^']+)'/g)]
    .map((m) => resolve(dirname(file), m[1] as string))
    .flatMap((base) => ALL.filter((f) => f === `${base}.ts` || f === `${base}.tsx`));
}
const room = (file: string) => (relative(SRC, file).split('/')[0] as string).replace(/\.tsx?$/, '');

describe('rooms of the screen', () => {
  it('no arrow runs back up', () => {
    const up = ALL.flatMap((f) =>
      imports(f)
        .filter((t) => LAYERS.indexOf(room(t)) < LAYERS.indexOf(room(f)))
        .map((t) => `${relative(SRC, f)} → ${relative(SRC, t)}`),
    );
    expect(ALL.map(room).filter((r) => !LAYERS.includes(r))).toEqual([]);
    expect(up).toEqual([]);
  });

  it('no bench imports another', () => {
    const bench = (f: string) => relative(join(SRC, 'benches'), f).split('/')[0];
    const across = ALL.filter((f) => room(f) === 'benches').flatMap((f) =>
      imports(f)
        .filter((t) => room(t) === 'benches' && bench(t) !== bench(f))
        .map((t) => `${relative(SRC, f)} → ${relative(SRC, t)}`),
    );
    expect(across).toEqual([]);
  });

  it('no file imports itself by a roundabout way', () => {
    const done = new Set<string>();
    const walk = (file: string, path: string[]) => {
      expect(path.slice(path.indexOf(file)).includes(file) ? [...path, file].map((f) => relative(SRC, f)) : []).toEqual(
        [],
      );
      if (done.has(file)) return;
      for (const next of imports(file)) walk(next, [...path, file]);
      done.add(file);
    };
    for (const file of ALL) walk(file, []);
  });

  it('no file holds more than one reads at a sitting', () => {
    const long = ALL.filter((f) => readFileSync(f, 'utf8').split('\n').length > 430);
    expect(long.map((f) => relative(SRC, f))).toEqual([]);
  });
});
