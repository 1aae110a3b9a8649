// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, points, stand, type XY } from '../../../testing/stage';
import type { Installation } from '../../api/client';
import { formatNumber } from '../../figure/format';
import { pushes } from './MountBench';
import { MountView } from './MountView';
import { SwingView } from './SwingView';

type Mount = NonNullable<Installation['mount']>;
const everywhere = ALL.flatMap(({ craft, fit, state }) =>
  state.assessment.installations.map((i) => ({ craft, fit, unit: i.id, mount: i.mount as Mount | null })),
);
const pointed = everywhere.filter(({ mount }) => mount?.points.some((p) => p.x_si != null) && mount.cases.length > 0);
const swung = everywhere.filter(({ mount }) => mount?.arm && mount.swing.length > 0);
const strokes = (drawn: HTMLElement) =>
  [...drawn.querySelectorAll('g[stroke="var(--color-act)"] > path[d*="L"]')].map((p) =>
    points(p.getAttribute('d')),
  ) as XY[][];

it('some units hang on points and some swing', () => {
  expect(pointed.length).toBeGreaterThan(8);
  expect(swung.length).toBeGreaterThan(1);
});

describe.each(pointed)('load cases of $craft $fit, $unit', ({ craft, fit, unit }) => {
  const { view, one } = stand(craft, fit, 'mm-kg', undefined, unit);
  it.each((one.mount as Mount).cases)('$name: its weight pushes the way in which the points are loaded', (loads) => {
    const words = pushes(loads, view);
    expect(words).not.toContain('\u2212');
    const sum = (axis: 'x_si' | 'y_si' | 'z_si') => loads.points.reduce((all, p) => all + p[axis], 0);
    if (loads.points.length === 0) return;
    if (words.includes('down')) expect(sum('z_si')).toBeLessThan(0);
    if (words.includes('up')) expect(sum('z_si')).toBeGreaterThan(0);
    if (words.includes('port')) expect(sum('y_si')).toBeLessThan(0);
    if (words.includes('starboard')) expect(sum('y_si')).toBeGreaterThan(0);
    // In a crash; what a chain pulls while it brakes is more than the weight.
    if ((loads.n_x ?? 0) > 2) expect(sum('x_si')).toBeLessThan(0);
  });
});

describe.each(pointed)('mount of $craft $fit, $unit', ({ craft, fit, unit }) => {
  const { draw, view, one } = stand(craft, fit, 'mm-kg', undefined, unit);
  const mount = one.mount as Mount;
  const known = mount.points.filter((p) => p.x_si != null && p.y_si != null && p.z_si != null);
  const worst = mount.cases.find((c) => c.points.length > 0);
  const drawn = draw(<MountView caseId={worst?.id ?? ''} />);

  it('has a ring at every point that is known', () => {
    expect(drawn.querySelectorAll('circle[r="8"]')).toHaveLength(known.length);
  });
  it('has its points as far from each other as they are, to one scale', () => {
    const rings = [...drawn.querySelectorAll('circle[r="8"]')].map(
      (c) => [attribute(c, 'cx'), attribute(c, 'cy')] as XY,
    );
    // Which two axes are shown follows from the kind of craft: one pair of them is to one scale with what is drawn.
    const fits = (
      [
        ['y_si', 'z_si', 1],
        ['x_si', 'y_si', 1],
        ['x_si', 'z_si', 1],
      ] as const
    ).filter(([u, v, up]) => {
      const ratios = known.flatMap((p, i) =>
        known.slice(i + 1).map((q, j) => {
          const a = rings[i] as XY;
          const b = rings[i + 1 + j] as XY;
          const real = [(q[u] as number) - (p[u] as number), up * ((q[v] as number) - (p[v] as number))];
          const seen = [b[0] - a[0], a[1] - b[1]];
          return [Math.hypot(seen[0] as number, seen[1] as number), Math.hypot(real[0] as number, real[1] as number)];
        }),
      );
      const scale = ratios.find(([, r]) => (r as number) > 1e-6);
      if (!scale) return true;
      const k = (scale[0] as number) / (scale[1] as number);
      return ratios.every(([s, r]) => Math.abs((s as number) - k * (r as number)) < 0.5);
    });
    expect(fits.length).toBeGreaterThan(0);
  });
  it('has the load of the case on each point, the largest as the longest, and says how much', () => {
    const loads = (worst?.points ?? []).filter((l) => known.some((p) => p.id === l.point));
    expect(strokes(drawn)).toHaveLength(loads.length);
    for (const l of loads) {
      const name = known.find((p) => p.id === l.point)?.name ?? '';
      const said = [...drawn.querySelectorAll('text')].map((t) => t.textContent ?? '').find((t) => t.startsWith(name));
      expect([formatNumber(l.size_si, 'force', view), formatNumber(Math.abs(l.z_si), 'force', view)]).toContain(
        (said ?? '')
          .slice(name.length)
          .trim()
          .replace(/^(up|down) /, ''),
      );
    }
  });
  it('draws no load where a case has none', () => {
    expect(strokes(draw(<MountView caseId="no such case" />))).toHaveLength(0);
  });
});

it('says what it needs where no point is known', () => {
  const blank = stand('Lapwing', 'a', 'mm-kg', (made) => ({
    ...made,
    installations: made.installations.map((i) => ({ ...i, mount: i.mount && { ...i.mount, points: [] } })),
  }));
  expect(blank.draw(<MountView caseId="x" />).textContent).toContain('Cannot draw the mount yet');
});

describe.each(swung)('swinging unit of $craft $fit', ({ craft, fit, unit }) => {
  const { draw, view, one } = stand(craft, fit, 'mm-kg', undefined, unit);
  const { arm, swing } = one.mount as Mount;

  it.each(swing.map((s, i) => ({ name: s.id ?? String(i), load: s })))('has its load in $name', ({ load }) => {
    const drawn = draw(<SwingView arm={arm} load={load} />);
    const words = drawn.textContent ?? '';
    for (const n of [load.pivot_si, load.pivot_x_si, load.pivot_z_si, load.shock_si])
      expect(words).toContain(formatNumber(Math.abs(n), 'force', view));
    expect(words).not.toContain('\u2212');
    const line = drawn.querySelector('g[stroke="var(--color-act)"] path')?.getAttribute('d') ?? '';
    const [, x, y] = line.match(/l(\S+) (\S+)/) ?? [];
    // Aft is to the right and up is up the page.
    expect(Math.sign(Number(x))).toBe(Math.sign(load.pivot_x_si));
    expect(Math.sign(-Number(y))).toBe(Math.sign(load.pivot_z_si));
    expect(Number(x) / -Number(y)).toBeCloseTo(load.pivot_x_si / load.pivot_z_si, 6);
  });
  it('stands on the ground, its wheel as large as it is', () => {
    const drawn = draw(<SwingView arm={arm} load={null} />);
    const wheel = drawn.querySelector('circle[fill="var(--color-ground)"]');
    const ground = points(drawn.querySelector('path[stroke="var(--color-ink)"]')?.getAttribute('d') ?? null)[0];
    expect(attribute(wheel, 'cy') + attribute(wheel, 'r')).toBeCloseTo(ground?.[1] ?? 0, 6);
    const [pivot, axle] = points(drawn.querySelector('path[stroke-width="7"]')?.getAttribute('d') ?? null) as [XY, XY];
    const real = Math.hypot((arm?.axle.x ?? 0) - (arm?.pivot.x ?? 0), (arm?.axle.z ?? 0) - (arm?.pivot.z ?? 0));
    const radius = (arm?.axle.z ?? 0) - (arm?.contact.z ?? 0);
    const seen = Math.hypot(axle[0] - pivot[0], axle[1] - pivot[1]);
    expect(seen / attribute(wheel, 'r')).toBeCloseTo(real / radius, 6);
  });
});
