import { describe, expect, it } from 'vitest';
import { laidOut, radii } from './Wheels';

const shaft = (more: object) => ({
  name: 's',
  speed_si: null,
  torque_si: null,
  power_si: null,
  turns: null,
  teeth: null,
  offset_up_si: 0,
  offset_starboard_si: 0,
  stage: null,
  step: null,
  keeps: null,
  ...more,
});

describe('the wheels of a train', () => {
  it.each([0.4, 1, 1.7, 2.43, 5])('gears in mesh touch, and turn by their ratio (%f)', (step) => {
    const [a, b] = radii('gear', false, step, 0.16);
    expect(a + b).toBeCloseTo(0.16);
    expect(b / a).toBeCloseTo(step);
  });
  it.each([1.5, 3, 0.5])('an internal gear touches its ring from within (%f)', (step) => {
    const [a, b] = radii('gear', true, step, 0.05);
    expect(Math.abs(b - a)).toBeCloseTo(0.05);
    expect(b / a).toBeCloseTo(step);
  });
  it.each(['belt', 'chain'] as const)('the wheels of a %s stand apart', (sort) => {
    const [a, b] = radii(sort, false, 2.2, 0.3);
    expect(a + b).toBeLessThan(0.3);
    expect(b / a).toBeCloseTo(2.2);
  });
  it('stand where their shafts are', () => {
    const { at, pairs, sketched } = laidOut([
      shaft({}),
      shaft({ stage: 'gear', step: 2, keeps: false, offset_up_si: -0.12 }),
      shaft({ stage: 'belt', step: 1.5, keeps: true, offset_up_si: -0.12, offset_starboard_si: 0.3 }),
    ]);
    expect(at).toEqual([
      { x: 0, y: 0 },
      { x: 0, y: -0.12 },
      { x: 0.3, y: -0.12 },
    ]);
    expect(sketched).toBe(false);
    expect(pairs.map((p) => p.sort)).toEqual(['gear', 'belt']);
    expect(Math.hypot(0, 0.12)).toBeCloseTo((pairs[0]?.a.r ?? 0) + (pairs[0]?.b.r ?? 0));
  });
  it('are a sketch where a distance is not known, and a pair that keeps its sense is an internal gear', () => {
    const sketch = laidOut([shaft({}), shaft({ stage: 'gear', step: 2, keeps: false, offset_up_si: null })]);
    expect(sketch.sketched).toBe(true);
    const ring = laidOut([shaft({}), shaft({ stage: 'gear', step: 3, keeps: true, offset_up_si: 0.04 })]);
    expect(ring.pairs[0]?.inner).toBe(true);
  });
});
