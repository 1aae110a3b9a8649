// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, points, stand } from '../../../testing/stage';
import type { Installation } from '../../api/client';
import { formatNumber } from '../../figure/format';
import { CouplingView } from './CouplingView';
import { SprocketView } from './SprocketView';
import { ThrustView } from './ThrustView';

type Coupling = NonNullable<NonNullable<Installation['align']>['coupling']>;
const coupled = ALL.flatMap(({ craft, fit, state }) =>
  state.assessment.installations
    .filter((i) => i.align?.coupling?.gaps.some((g) => g != null))
    .map((i) => ({ craft, fit, unit: i.id, coupling: i.align?.coupling as Coupling })),
);
const turn = (e: Element | null | undefined) =>
  Number(/rotate\((\S+?)[ )]/.exec(e?.getAttribute('transform') ?? '')?.[1]);

it('some unit has its coupling read', () => expect(coupled.length).toBeGreaterThan(0));

describe.each(coupled)('coupling of $craft $fit, $unit', ({ craft, fit, unit, coupling }) => {
  const { draw, view } = stand(craft, fit, 'mm-kg', undefined, unit);
  const drawn = draw(<CouplingView coupling={coupling} />);
  const bars = [...drawn.querySelectorAll('rect[width="30"]')];

  it('has a bar for every gap, as high as the gap is wide, and its figure', () => {
    const known = coupling.gaps.filter((g): g is number => g != null);
    expect(bars).toHaveLength(known.length);
    const scale = attribute(bars[0], 'height') / (known[0] as number);
    bars.forEach((bar, i) => {
      expect(attribute(bar, 'height')).toBeCloseTo(scale * (known[i] as number), 6);
    });
    for (const gap of known) expect(drawn.textContent).toContain(formatNumber(gap, 'fine_length', view));
  });
  it('has a dash at every reading to be had after the flats, to the same scale', () => {
    const dashes = [...drawn.querySelectorAll('path[stroke-dasharray="5 3"]')];
    expect(dashes).toHaveLength(coupling.after.length);
    const known = coupling.gaps.filter((g): g is number => g != null);
    const scale = attribute(bars[0], 'height') / (known[0] as number);
    dashes.forEach((dash, i) => {
      const [, y] = points(dash.getAttribute('d'))[0] ?? [0, 0];
      expect(150 - y).toBeCloseTo(scale * (coupling.after[i] as number), 6);
    });
  });
  it('tells at each foot how many flats, and which one is soft', () => {
    for (const foot of coupling.feet) {
      if (foot.flats == null) continue;
      const said = foot.flats === 0 ? 'leave' : `${Math.abs(foot.flats)} flats ${foot.flats > 0 ? 'up' : 'down'}`;
      expect(drawn.textContent).toContain(said);
    }
    expect(drawn.querySelectorAll('circle[stroke="var(--color-watch)"]')).toHaveLength(
      coupling.feet.filter((f) => f.soft).length,
    );
  });
});

describe('a coupling', () => {
  const [first] = coupled;
  const { draw } = stand(first?.craft ?? '', first?.fit ?? '');
  const base = first?.coupling as Coupling;
  const drawn = (more: Partial<Coupling>) => draw(<CouplingView coupling={{ ...base, ...more }} />);

  it('leans the way of its angle and never further than can be drawn', () => {
    const lean = (angle_v: number) => turn(drawn({ angle_v }).querySelector('g[transform*="rotate"]'));
    expect(lean(0.001)).toBeCloseTo(-lean(-0.001), 9);
    expect(lean(0.001)).toBeGreaterThan(0);
    expect(lean(1)).toBeCloseTo((0.22 * 180) / Math.PI, 6);
  });
  it('sits higher on the page where the unit is high', () => {
    const lift = (offset_v_si: number) =>
      Number(/translate\(-8 (\S+)\)/.exec(drawn({ offset_v_si }).innerHTML.replace(/&quot;/g, '"'))?.[1]);
    expect(lift(1e-4)).toBeLessThan(0);
    expect(lift(-1e-4)).toBeCloseTo(-lift(1e-4), 9);
  });
  it('asks for its gaps where none is read', () => {
    const blank = drawn({ gaps: [null, null, null, null], angle_v: null, after: [] });
    expect(blank.textContent).toContain('needs gaps');
    expect(blank.querySelectorAll('rect[width="30"]')).toHaveLength(0);
  });
});

describe('sprockets from above', () => {
  const { draw, view } = stand('Harrow 750', 'a');
  it.each([
    [0.003, 0.0008],
    [-0.003, -0.0008],
    [0.0001, 0.002],
  ])('out of parallel by %f rad and apart by %f m', (angle, offset) => {
    const drawn = draw(<SprocketView angle={angle} offset={offset} />);
    const output = drawn.querySelectorAll('g[transform]')[1];
    const [, y] = /translate\(210 (\S+)\)/.exec(output?.getAttribute('transform') ?? '') ?? [];
    expect(Math.sign(turn(output))).toBe(Math.sign(angle));
    expect(turn(output)).toBeCloseTo((angle * 25 * 180) / Math.PI, 6);
    expect(Math.sign(Number(y) - 66)).toBe(Math.sign(offset));
    expect(drawn.textContent).toContain(`${formatNumber(Math.abs(offset), 'fine_length', view)} apart`);
    expect(drawn.textContent).not.toContain('\u2212');
  });
});

describe('thrust line', () => {
  const { draw } = stand('Lapwing', 'a');
  const at = (plan: boolean, angle: number | null, side: number | null, shift: number | null = 0.02) =>
    draw(<ThrustView plan={plan} angle={angle} shift={shift} side={side} />);

  it.each([true, false])('is drawn five times as far turned as it is (plan %s)', (plan) => {
    expect(turn(at(plan, 0.02, 1).querySelector('g[transform]'))).toBeCloseTo((-0.02 * 5 * 180) / Math.PI, 6);
  });
  it('is said in words, never by a sign', () => {
    expect(at(false, 0.02, 1).textContent).toContain('down');
    expect(at(false, -0.02, 1).textContent).toContain('up');
    expect(at(true, 0.04, 1).textContent).toMatch(/right.*to port/);
    expect(at(true, -0.04, 1, -0.02).textContent).toMatch(/left.*to starboard/);
    expect(at(true, -0.04, 1, -0.02).textContent).not.toContain('\u2212');
  });
  it('has its firewall on the side on which the unit lies', () => {
    const wall = (side: number) =>
      points(at(false, 0, side).querySelector('path')?.getAttribute('d') ?? null)[0]?.[0] ?? 0;
    const flange = (side: number) => attribute(at(false, 0, side).querySelector('circle'), 'cx');
    expect(wall(1)).toBeGreaterThan(flange(1));
    expect(wall(-1)).toBeLessThan(flange(-1));
  });
  it('says what it needs', () => {
    expect(at(true, null, 1).textContent).toContain('needs the right thrust');
    expect(at(false, 0.01, null).textContent).toContain('on which side of its flange');
  });
});
