// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, points, stand, type XY } from '../../../testing/stage';
import { formatNumber } from '../../figure/format';
import { FromAbove, FromBehind } from './OnWheels';
import { Steelyard } from './Steelyard';

const cornered = ALL.filter(({ state }) => state.assessment.shapes.supports.filter((s) => s.y != null).length > 2);
const weighed = ALL.filter(({ state }) => (state.assessment.balance?.ledger ?? []).some((r) => r.x_si != null));

/** The middle of a cross. */
const middle = (path: Element | null | undefined): XY => {
  const [a, b, c] = points(path?.getAttribute('d') ?? null) as [XY, XY, XY];
  return [((a?.[0] ?? 0) + (b?.[0] ?? 0)) / 2, a?.[1] ?? c?.[1] ?? 0];
};

describe.each(cornered)('from above, $craft $fit', ({ craft, fit }) => {
  const { draw, view, assessment } = stand(craft, fit);
  const { supports, cg_before: before, cg_after: after } = assessment.shapes;
  const drawn = draw(<FromAbove />);
  const wheels = [...drawn.querySelectorAll('rect[width="26"]')].map(
    (r) => [attribute(r, 'x') + 13, attribute(r, 'y') + 5] as XY,
  );

  it('has every wheel where it stands, to one scale', () => {
    expect(wheels).toHaveLength(supports.length);
    const apart = (i: number, k: number) => {
      const [a, b] = [supports[i], supports[k]] as { x: number; y: number }[];
      return Math.hypot((a?.x ?? 0) - (b?.x ?? 0), (a?.y ?? 0) - (b?.y ?? 0));
    };
    const seen = (i: number, k: number) =>
      Math.hypot((wheels[i]?.[0] ?? 0) - (wheels[k]?.[0] ?? 0), (wheels[i]?.[1] ?? 0) - (wheels[k]?.[1] ?? 0));
    const span = seen(0, supports.length - 1) / apart(0, supports.length - 1);
    for (const i of supports.keys())
      for (const k of supports.keys()) expect(seen(i, k)).toBeCloseTo(span * apart(i, k), 4);
  });
  it('has the bow to the left and port above', () => {
    for (const [i, s] of supports.entries())
      for (const [k, o] of supports.entries()) {
        if (s.x < o.x - 0.01) expect(wheels[i]?.[0]).toBeLessThan(wheels[k]?.[0] ?? 0);
        if ((s.y ?? 0) < (o.y ?? 0) - 0.01) expect(wheels[i]?.[1]).toBeLessThan(wheels[k]?.[1] ?? 0);
      }
  });
  it('says what each carries, and a question where that is not known', () => {
    for (const s of supports)
      if (s.after_si != null) expect(drawn.textContent).toContain(formatNumber(s.after_si, 'mass', view));
    if (supports.some((s) => s.after_si == null)) expect(drawn.textContent).toContain('?');
  });
  it('has its CG between the wheels as it lies there', () => {
    const spots = [...drawn.querySelectorAll('g[fill="none"]')];
    const wanted = [before, after].filter((c) => c?.y != null);
    expect(spots).toHaveLength(wanted.length);
    const [a, b] = [supports[0], supports.at(-1)];
    const span = ((wheels.at(-1)?.[0] ?? 0) - (wheels[0]?.[0] ?? 0)) / ((b?.x ?? 0) - (a?.x ?? 0));
    spots.forEach((spot, i) => {
      const [x] = middle(spot.querySelector('path'));
      expect(x - (wheels[0]?.[0] ?? 0)).toBeCloseTo(((wanted[i]?.x ?? 0) - (a?.x ?? 0)) * span, 4);
    });
  });
});

describe('from behind', () => {
  const lying = (y: number, z = 0.6) => {
    const { draw, view, assessment } = stand('Harrow 750', 'a', 'mm-kg', (made) => ({
      ...made,
      shapes: {
        ...made.shapes,
        cg_after: made.shapes.cg_after && { ...made.shapes.cg_after, y, z },
        installations: [],
      },
    }));
    return { drawn: draw(<FromBehind />), view, ground: assessment.shapes.ground_z ?? 0 };
  };
  it.each([
    [0.02, 'starboard'],
    [-0.02, 'port'],
  ])('says to which side the CG lies (%f)', (y, side) => {
    const { drawn, view } = lying(y);
    expect(drawn.textContent).toContain(`CG ${formatNumber(0.02, 'length', view)} to ${side}`);
    expect(drawn.textContent).not.toContain('\u2212');
    const [foot, top] = points(drawn.querySelector('path[stroke-width="1.6"]')?.getAttribute('d') ?? null) as [XY, XY];
    expect(Math.sign(top[0] - foot[0])).toBe(Math.sign(y));
  });
  it('has the CG as high over the ground as it is to the side, to one scale', () => {
    const { drawn, ground } = lying(0.1);
    const [foot, top] = points(drawn.querySelector('path[stroke-width="1.6"]')?.getAttribute('d') ?? null) as [XY, XY];
    expect((foot[1] - top[1]) / (top[0] - foot[0])).toBeCloseTo((0.6 - ground) / 0.1, 6);
  });
  it('asks for what it needs', () => {
    const { draw } = stand('Harrow 750', 'a', 'mm-kg', (made) => ({
      ...made,
      shapes: { ...made.shapes, ground_z: null },
    }));
    expect(draw(<FromBehind />).textContent).toContain('Cannot draw it yet');
  });
});

describe.each(weighed)('steelyard of $craft $fit', ({ craft, fit }) => {
  const { draw, view, assessment } = stand(craft, fit);
  const rows = (assessment.balance?.ledger ?? []).filter((r) => r.mass_si != null && r.x_si != null && r.sign !== 0);
  const drawn = draw(<Steelyard />);
  const beam = 62;
  const hung = [...drawn.querySelectorAll('rect')].filter((r) => r.querySelector('title'));

  it('hangs every item, what comes out over the beam and what goes in under it', () => {
    expect(hung).toHaveLength(rows.length);
    hung.forEach((r, i) => {
      const above = attribute(r, 'y') + attribute(r, 'height') <= beam;
      expect(above).toBe((rows[i]?.sign ?? 0) < 0);
      expect(r.querySelector('title')?.textContent).toContain(formatNumber(rows[i]?.mass_si ?? 0, 'mass', view));
    });
  });
  it('draws them by their mass: twice as heavy is twice the area', () => {
    const heavy = rows.map((r, i) => [r.mass_si as number, attribute(hung[i], 'width') * attribute(hung[i], 'height')]);
    const [mass, area] = heavy.find(([m]) => (m as number) > 0.01) ?? [1, 1];
    for (const [m, a] of heavy) expect(a).toBeCloseTo(((area as number) / (mass as number)) * (m as number), 4);
  });
  it('hangs them at their stations', () => {
    const at = hung.map((r) => attribute(r, 'x') + attribute(r, 'width') / 2);
    const far = rows.map((r) => r.x_si as number);
    const [i, k] = [far.indexOf(Math.min(...far)), far.indexOf(Math.max(...far))];
    const span = ((at[k] ?? 0) - (at[i] ?? 0)) / ((far[k] ?? 0) - (far[i] ?? 1));
    far.forEach((x, n) => {
      expect((at[n] ?? 0) - (at[i] ?? 0)).toBeCloseTo((x - (far[i] ?? 0)) * span, 4);
    });
  });
});
