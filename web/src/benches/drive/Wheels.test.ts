import { describe, expect, it } from 'vitest';
import { between, laidOut, radii } from './Wheels';

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
  idlers: 0,
  loss_si: null,
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
  it.each([1, 2, 3])('%i idlers fill the room between two gears', (count) => {
    const { pairs } = laidOut([
      shaft({}),
      shaft({ stage: 'gear', step: 2, keeps: count % 2 === 1, idlers: count, offset_up_si: 0.3 }),
    ]);
    const [p] = pairs;
    if (!p) throw new Error('no stage');
    expect(p.inner).toBe(false);
    const wheels = [p.a, ...between(p.a, p.b, count), p.b];
    wheels.slice(1).forEach((w, i) => {
      const last = wheels[i] as typeof w;
      expect(Math.hypot(w.x - last.x, w.y - last.y)).toBeCloseTo(w.r + last.r);
    });
    expect(p.b.r / p.a.r).toBeCloseTo(2);
  });
  it.each(['internal gear', 'bevel'] as const)('a %s meshes as what it is', (sort) => {
    const { pairs } = laidOut([shaft({}), shaft({ stage: sort, step: 2.5, keeps: true, offset_up_si: 0.1 })]);
    expect(pairs[0]?.inner).toBe(sort === 'internal gear');
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
