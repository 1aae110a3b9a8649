// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, Plot, points, stand, UNITS, type XY } from '../../../testing/stage';
import type { Assessment, Drive } from '../../api/client';
import { Crossings } from './Crossings';
import { Envelope } from './Envelope';
import { Match } from './Match';
import { SawTooth } from './SawTooth';

/** Every demonstration of which something is drawn, with the system of units that it is drawn in. */
const having = (what: 'saw' | 'envelope' | 'torsion' | 'match') =>
  ALL.flatMap(({ craft, fit, state }) =>
    state.assessment.installations
      .filter((i) => i.drive?.[what])
      .flatMap((i) => UNITS.map((units) => ({ craft, fit, units, unit: i.id }))),
  );

const pairs = (xs: number[], ys: number[]): XY[] => xs.map((x, i) => [x, ys[i] as number]);
const driveOf = (made: Assessment, unit: string) => made.installations.find((i) => i.id === unit)?.drive as Drive;

describe.each(having('saw'))('force at the road of $craft $fit, $units', ({ craft, fit, units, unit }) => {
  const { draw, view, assessment } = stand(craft, fit, units, undefined, unit);
  const saw = driveOf(assessment, unit).saw as NonNullable<Drive['saw']>;
  const drawn = draw(<SawTooth />);
  const plot = new Plot(drawn.querySelector('svg[role=img]') as Element, view, ['road_speed', 'force']);

  it('has a line for every gear, where the core has it', () => {
    const lines = [...plot.svg.querySelectorAll('[data-gear]')];
    expect(lines.map((l) => l.getAttribute('data-gear'))).toEqual(saw.gears.map((g) => g.name));
    lines.forEach((l, i) => {
      const gear = saw.gears[i] as (typeof saw.gears)[number];
      plot.near(plot.read(l), pairs(gear.speeds_si, gear.forces_si));
    });
  });
  it('has what the road asks for, on the level and on its hill', () => {
    const [level, hill] = [...plot.svg.querySelectorAll('path[stroke="var(--color-ink)"]')].filter(
      (p) => points(p.getAttribute('d')).length === saw.speeds_si.length,
    );
    plot.near(plot.read(level ?? null), pairs(saw.speeds_si, saw.level_si));
    if (saw.hill_si.length > 0) plot.near(plot.read(hill ?? null), pairs(saw.speeds_si, saw.hill_si));
    else expect(hill).toBeUndefined();
  });
  it('says in its key what it draws and nothing else', () => {
    const words = drawn.textContent ?? '';
    expect(words.includes('on the steepest hill')).toBe(saw.hill_si.length > 0);
    expect(words.includes('between them')).toBe(saw.held_si.length > 0);
    expect(words.includes('grip or tipping ends it')).toBe(plot.svg.querySelector('[data-most]') !== null);
    expect(words.includes('By the curve of its sheet')).toBe(saw.by_curve);
  });
});

describe.each(having('envelope'))('torque of the motor of $craft $fit, $units', ({ craft, fit, units, unit }) => {
  const { draw, view, assessment } = stand(craft, fit, units, undefined, unit);
  const e = driveOf(assessment, unit).envelope as NonNullable<Drive['envelope']>;
  const plot = new Plot(draw(<Envelope />).querySelector('svg[role=img]') as Element, view, ['rotation', 'torque']);

  it.each(['full', 'named'] as const)('is drawn with its packs %s', (at) => {
    const torque = at === 'full' ? e.full_si : e.named_si;
    plot.near(plot.read(plot.svg.querySelector(`[data-${at}]`)), pairs(e.speeds_si, torque));
  });
  it('is never less with full packs than as they are named', () => {
    e.full_si.forEach((t, i) => {
      expect(t).toBeGreaterThanOrEqual((e.named_si[i] as number) - 1e-9);
    });
  });
  it('draws what lasts up to the rated speed, and no further than the motor turns', () => {
    const line = plot.svg.querySelector('[data-lasting]');
    if (e.lasting_si == null || e.rated_si == null) return expect(line).toBeNull();
    const end = Math.min(e.rated_si, e.speeds_si.at(-1) as number);
    plot.near(plot.read(line), [
      [0, e.lasting_si],
      [end, e.lasting_si],
    ]);
  });
  it('names what ends it from slow to fast, each stretch once', () => {
    const ends = [...plot.svg.querySelectorAll('[data-ends]')].map((g) => g.getAttribute('data-ends'));
    expect(ends).toEqual(e.ends.filter((w, i) => i === 0 || w !== e.ends[i - 1]));
  });
});

describe.each(having('torsion'))('twisting of $craft $fit, $units', ({ craft, fit, units, unit }) => {
  const { draw, view, assessment } = stand(craft, fit, units, undefined, unit);
  const t = driveOf(assessment, unit).torsion as NonNullable<Drive['torsion']>;
  const drawn = draw(<Crossings />);
  const plot = new Plot(drawn.querySelector('svg[role=img]') as Element, view, ['rotation', 'frequency']);

  it('has every crossing where its order meets its mode', () => {
    const dots = [...plot.svg.querySelectorAll('[data-crossing]')];
    expect(dots).toHaveLength(t.crossings.length);
    dots.forEach((dot, i) => {
      const c = t.crossings[i] as (typeof t.crossings)[number];
      const circle = dot.querySelector('circle');
      plot.near([plot.at([attribute(circle, 'cx'), attribute(circle, 'cy')])], [[c.at_si, c.at_si * c.order]]);
      expect(dot.getAttribute('data-level')).toBe(c.level);
    });
  });
  it('has orders as straight lines from the corner', () => {
    const rays = [...plot.svg.querySelectorAll('path')].map((p) => p.getAttribute('d')).filter((d) => d?.includes('L'));
    const slopes = rays
      .map((d) => points(d).map((p) => plot.at(p)))
      .map(([a, b]) => ((b as XY)[1] - (a as XY)[1]) / ((b as XY)[0] - (a as XY)[0]));
    for (const { per_turn: order } of t.orders) expect(slopes.some((s) => Math.abs(s / order - 1) < 2e-3)).toBe(true);
  });
  it('tells the worst first and the same as it draws', () => {
    const told = [...drawn.querySelectorAll('li')];
    const bad = t.crossings.filter((c) => c.level !== 'ok');
    expect(told).toHaveLength(Math.min(6, bad.length));
    const stops = bad.filter((c) => c.level === 'stop').length;
    const marks = told.map((li) => li.querySelector('[aria-label]')?.getAttribute('aria-label'));
    expect(marks.slice(0, Math.min(stops, 6)).every((m) => m === 'stop')).toBe(true);
  });
});

describe.each(having('match'))('unit against propeller of $craft $fit, $units', ({ craft, fit, units, unit }) => {
  const { draw, view, assessment } = stand(craft, fit, units, undefined, unit);
  const m = driveOf(assessment, unit).match as NonNullable<Drive['match']>;
  const drawn = draw(<Match />);
  const plot = new Plot(drawn.querySelector('svg[role=img]') as Element, view, ['rotation', 'torque']);
  const lines = [...plot.svg.querySelectorAll('path')].filter(
    (p) => points(p.getAttribute('d')).length === m.speeds_si.length,
  );

  it('has what the unit gives and what the propeller asks', () => {
    plot.near(plot.read(lines[0] ?? null), pairs(m.speeds_si, m.unit_si));
    plot.near(plot.read(lines[1] ?? null), pairs(m.speeds_si, m.standing_si));
    if (m.climbing_si.length > 0) plot.near(plot.read(lines[2] ?? null), pairs(m.speeds_si, m.climbing_si));
  });
  it('drops from where both agree, at the speed that it writes there', () => {
    for (const [of, speed] of [
      ['standing', m.static_si],
      ['climb', m.climb_si],
    ] as const) {
      const circle = plot.svg.querySelector(`[data-meeting="${of}"] circle`);
      if (speed == null) {
        expect(circle).toBeNull();
        continue;
      }
      const [x, y] = plot.at([attribute(circle, 'cx'), attribute(circle, 'cy')]);
      expect(Math.abs(x - speed) / plot.pixel[0]).toBeLessThan(0.05);
      // On the curve of the unit: between its neighbours.
      const next = Math.max(
        1,
        m.speeds_si.findIndex((s) => s >= speed),
      );
      const [a, b] = [m.unit_si[next - 1] as number, m.unit_si[next] as number];
      expect(y).toBeGreaterThanOrEqual(Math.min(a, b) - plot.pixel[1]);
      expect(y).toBeLessThanOrEqual(Math.max(a, b) + plot.pixel[1]);
    }
  });
  it('shades of a blade what is stalled, from hub to tip', () => {
    for (const [name, over] of [
      ['standing', (i: number) => m.blade[i]?.standing],
      ['in the climb', (i: number) => m.blade[i]?.climbing],
    ] as const) {
      const annuli = [...drawn.querySelectorAll(`[data-blade="${name}"] path`)];
      if (annuli.length === 0) continue;
      expect(annuli.map((p) => p.hasAttribute('data-stalled'))).toEqual(m.blade.map((_, i) => over(i) ?? false));
      const left = annuli.map((p) => (points(p.getAttribute('d'))[0] as XY)[0]);
      expect(left).toEqual([...left].sort((a, b) => a - b));
    }
  });
});
