import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Bench, Level } from '../api/client';
import { Mark } from '../findings/Mark';
import { BENCHES } from './benches';
import { SmallKeel } from './Keel';

const keel = (levels: (Level | null)[]) =>
  renderToStaticMarkup(<SmallKeel levels={BENCHES.map((bench, i) => ({ bench, level: levels[i] ?? null }))} />);

describe('the small keel', () => {
  it('says each bench in words, for those who do not see the line', () => {
    const drawn = keel(['ok', null, 'stop', 'watch', 'unknown']);
    expect(drawn).toContain('craft ok, choose not built yet, balance stop, drive watch, mount cannot say');
  });
  it('is broken by a stop, bowed by a watch, dotted where it cannot say, straight otherwise', () => {
    const paths = [
      ...keel(['ok', 'stop', 'watch', 'unknown']).matchAll(/<path d="([^"]*)"[^>]*?(stroke-dasharray)?[^>]*>/g),
    ].map((m) => m[1] ?? '');
    expect(paths[0]).toMatch(/^M\d+ 12H\d+$/);
    expect(paths[1]?.match(/M/g)).toHaveLength(2);
    expect(paths[2]).toContain('C');
    expect(keel(['unknown'])).toContain('stroke-dasharray');
  });
  it('goes through nine benches in working order', () => {
    const order: Bench[] = ['craft', 'choose', 'balance', 'drive', 'mount', 'align', 'systems', 'build', 'prove'];
    expect(BENCHES).toEqual(order);
  });
});

describe('the marks', () => {
  it.each([
    ['ok', 'ok'],
    ['watch', 'watch'],
    ['stop', 'stop'],
    ['unknown', 'cannot say'],
  ] as const)('%s is named %s', (level, words) => {
    expect(renderToStaticMarkup(<Mark level={level} />)).toContain(`aria-label="${words}"`);
  });
  it('differ in shape, not in colour alone', () => {
    const shapes = (['ok', 'watch', 'stop'] as const).map(
      (l) => renderToStaticMarkup(<Mark level={l} />).match(/ d="([^"]*)"/)?.[1],
    );
    expect(new Set(shapes).size).toBe(3);
  });
});
