import { describe, expect, it } from 'vitest';
import { placed } from './Sketch';

const line = (number: number, ...at: { x: number; z: number }[]) => ({
  number,
  label: `line ${number}`,
  pointer: `/p/${number}`,
  out: null,
  into: null,
  kind: 'figure' as const,
  source: 'measured' as const,
  way: 'at' as const,
  at,
});
const same = (p: { x: number; z: number }): [number, number] => [p.x, p.z];

describe('numbers on the sketch', () => {
  it('lie none over another, however many are measured at one place', () => {
    const made = placed(
      Array.from({ length: 12 }, (_, i) => line(i + 1, { x: 100 + (i % 3), z: 50 })),
      same,
    );
    expect(made).toHaveLength(12);
    for (const a of made)
      for (const b of made) if (a !== b) expect(Math.abs(a.x - b.x) >= 17 || Math.abs(a.y - b.y) >= 15).toBe(true);
  });
  it('stand in the middle of what has two ends, and are left out where nothing is measured on the craft', () => {
    const made = placed([line(1, { x: 0, z: 0 }, { x: 40, z: 20 }), line(2)], same);
    expect(made.map((m) => [m.line.number, m.x, m.y])).toEqual([[1, 20, 10]]);
  });
});
