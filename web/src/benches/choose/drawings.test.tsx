// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, points, stand, UNITS, type XY } from '../../../testing/stage';
import type { Candidate } from '../../api/client';
import { CurvesKey, CurvesPlot } from '../../drawing/CurvesPlot';
import { formatNumber } from '../../figure/format';
import { Outlines } from './Outlines';

const candidate = (id: string, silhouette: XY[], size_si: (number | null)[] = [1, 0.5, 0.4]): Candidate =>
  ({
    id,
    name: `unit ${id}`,
    silhouette: silhouette.length ? [silhouette.map(([x, z]) => ({ x, z }))] : [],
    size_si,
  }) as unknown as Candidate;
const box: XY[] = [
  [0, 0],
  [1, 0],
  [1, 0.5],
  [0, 0.5],
];
const { draw, view } = stand('Samphire', 'a');

describe('outlines of candidates', () => {
  const twice = box.map(([x, z]) => [2 * x, 2 * z] as XY);
  const drawn = draw(
    <Outlines of={[candidate('none', box), candidate('a', twice), candidate('b', [], [null, null, null])]} />,
  );
  const pictures = [...drawn.querySelectorAll('svg')];

  it('are all to one scale: twice as long is drawn twice as long', () => {
    const wide = (path: Element | null | undefined) => {
      const xs = points(path?.getAttribute('d') ?? null).map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    };
    const old = pictures[0]?.querySelector('path[stroke="var(--color-grey)"]');
    const own = pictures[0]?.querySelector('path[stroke="var(--color-act)"]');
    expect(wide(own) / wide(old)).toBeCloseTo(2, 9);
  });
  it('stand with their flange over that of the old unit', () => {
    const first = (of: string) =>
      points(pictures[0]?.querySelector(`path[stroke="var(--color-${of})"]`)?.getAttribute('d') ?? null)[0];
    expect(first('act')).toEqual(first('grey'));
    expect(
      points(pictures[0]?.querySelector('path[stroke="var(--color-ink)"]')?.getAttribute('d') ?? null)[0]?.[0],
    ).toBeCloseTo(first('act')?.[0] ?? 0, 9);
  });
  it('say what one needs that cannot be drawn, and a size that is not known', () => {
    expect(pictures).toHaveLength(2);
    expect(pictures[1]?.textContent).toContain('needs length, height, middle');
    expect(drawn.textContent).toContain('? × ?');
    expect(drawn.textContent).toContain(`${formatNumber(1, 'length', view)} × ${formatNumber(0.4, 'length', view)}`);
  });
  it('are nothing where none is known', () => {
    expect(draw(<Outlines of={[candidate('a', [])]} />).innerHTML).toBe('');
  });
});

/** Curves of units as they were typed into the demonstrations. */
const curves = ALL.filter(({ fit }) => fit !== 'none').flatMap(({ craft, fit, state }) => {
  const units = state.assessment.installations
    .filter((i) => (i.choose?.curve.length ?? 0) > 1)
    .map((i) => ({ id: i.id, name: i.name, curve: i.choose?.curve ?? [] }));
  return units.length
    ? UNITS.flatMap((u) => (['power', 'torque'] as const).map((of) => ({ craft, fit, units, u, of })))
    : [];
});

it('some units have a curve', () => expect(curves.length).toBeGreaterThan(8));

describe.each(curves)('$of of $craft $fit, $u', ({ craft, fit, units, u, of }) => {
  const stage = stand(craft, fit, u);
  const drawn = stage.draw(<CurvesPlot of={of} units={units} wanted={null} />);
  const lines = [...drawn.querySelectorAll('path[stroke-width="1.8"]')].map((p) => points(p.getAttribute('d')));

  it('has a line for every curve, each of its points in its place beside the others', () => {
    expect(lines).toHaveLength(units.length);
    const real = units.map((x) => x.curve.map((p) => [p.speed_si, of === 'power' ? p.power_si : p.torque_si] as XY));
    const [a, b] = [lines[0]?.[0] as XY, lines[0]?.at(-1) as XY];
    const [p, q] = [real[0]?.[0] as XY, real[0]?.at(-1) as XY];
    const along = (b[0] - a[0]) / (q[0] - p[0]);
    expect(along).toBeGreaterThan(0);
    const floor = 210 - 26;
    for (const [i, line] of lines.entries())
      for (const [k, [x, y]] of line.entries()) {
        const [speed, size] = (real[i] as XY[])[k] as XY;
        expect(x).toBeCloseTo(a[0] + along * (speed - p[0]), 6);
        // Up from nought: as high as it is large.
        expect((floor - y) / (floor - a[1])).toBeCloseTo(size / p[1], 6);
      }
  });
  it('stays within its picture', () => {
    for (const [x, y] of lines.flat()) {
      expect(x).toBeGreaterThanOrEqual(50);
      expect(x).toBeLessThanOrEqual(400);
      expect(y).toBeGreaterThanOrEqual(8);
      expect(y).toBeLessThanOrEqual(184);
    }
  });
  it('names its unit of measure at its highest tick', () => {
    expect(drawn.textContent).toContain(stage.view[of]?.unit);
  });
});

describe('curves', () => {
  const point = (speed_si: number, power_si: number) => ({ speed_si, power_si, torque_si: power_si / speed_si });
  const unit = (id: string, ...powers: number[]) => ({
    id,
    name: `unit ${id}`,
    curve: powers.map((p, i) => point(100 * (i + 1), p)),
  });

  it('have a dash of their own each, the old grey and whole', () => {
    const drawn = draw(<CurvesKey units={[unit('none', 1, 2), unit('a', 1, 2), unit('b', 1, 2), unit('c', 1, 2)]} />);
    const strokes = [...drawn.querySelectorAll('path')].map(
      (p) => `${p.getAttribute('stroke')} ${p.getAttribute('stroke-dasharray')}`,
    );
    expect(new Set(strokes).size).toBe(4);
    expect(strokes[0]).toContain('grey');
  });
  it('leave out of the key what is not drawn', () => {
    expect(draw(<CurvesKey units={[unit('a', 1), unit('b', 1, 2)]} />).textContent).toBe('unit b');
  });
  it('have what is wanted as a line across, where it lies among them', () => {
    const drawn = draw(<CurvesPlot of="power" units={[unit('a', 0, 10_000)]} wanted={5_000} />);
    const line = points(drawn.querySelector('path[stroke-dasharray="1.5 3"]')?.getAttribute('d') ?? null)[0] as XY;
    const [low, high] = points(drawn.querySelector('path[stroke-width="1.8"]')?.getAttribute('d') ?? null) as [XY, XY];
    expect(line[1]).toBeCloseTo((low[1] + high[1]) / 2, 6);
  });
  it('say that there are none', () => {
    expect(draw(<CurvesPlot of="torque" units={[unit('a', 1)]} wanted={null} />).textContent).toContain(
      'No curve is entered: torque cannot be laid side by side.',
    );
  });
});
