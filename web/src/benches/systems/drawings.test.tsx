// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, points, stand, type XY } from '../../../testing/stage';
import type { Installation } from '../../api/client';
import { formatNumber } from '../../figure/format';
import { OilTanks } from './OilTanks';
import { type Point, Walk } from './Walk';

type Systems = NonNullable<Installation['systems']>;
const all = ALL.flatMap(({ craft, fit, state }) =>
  state.assessment.installations
    .filter((i) => i.systems)
    .map((i) => ({ craft, fit, unit: i.id, systems: i.systems as Systems })),
);
const tanks = all.filter(({ systems }) => systems.tanks.length > 0);
const walks = all.flatMap((one) =>
  (['cooling', 'water', 'oil', 'exhaust', 'fuel'] as const)
    .filter((lane) => one.systems[lane].length > 1)
    .map((lane) => ({ ...one, lane, walk: one.systems[lane] })),
);

it('there are tanks and walks to draw', () => {
  expect(tanks.length).toBeGreaterThan(2);
  expect(walks.length).toBeGreaterThan(15);
});

describe.each(tanks)('oil of $craft $fit', ({ craft, fit, unit, systems }) => {
  const { draw, view } = stand(craft, fit, 'mm-kg', undefined, unit);
  const drawn = draw(<OilTanks tanks={systems.tanks} />);
  const groups = [...drawn.querySelectorAll('svg > g')];

  it('is drawn in every attitude, each named with its angle', () => {
    expect(groups).toHaveLength(systems.tanks.length);
    groups.forEach((g, i) => {
      const tank = systems.tanks[i] as Systems['tanks'][number];
      expect(g.textContent).toContain(tank.words);
      if (tank.nose_up !== 0) expect(g.textContent).toContain(formatNumber(Math.abs(tank.nose_up), 'angle', view));
    });
  });
  it('stands level where the core has it, the pickup as deep as it says', () => {
    groups.forEach((g, i) => {
      const tank = systems.tanks[i] as Systems['tanks'][number];
      if (tank.level_si == null || tank.pickup == null || tank.depth_si == null) return;
      const outline = points(g.querySelector('path[fill="none"]')?.getAttribute('d') ?? null);
      const [a, b] = [outline[0] as XY, outline[2] as XY];
      type Corner = { aft_si: number; up_si: number };
      const [p, q] = [tank.outline[0], tank.outline[2]] as [Corner, Corner];
      const scale = Math.hypot(b[0] - a[0], b[1] - a[1]) / Math.hypot(q.aft_si - p.aft_si, q.up_si - p.up_si);
      const oil = attribute(g.querySelector('rect'), 'y');
      const pickup = g.querySelector('circle');
      expect((attribute(pickup, 'cy') - oil) / scale).toBeCloseTo(tank.depth_si, 6);
      expect(pickup?.getAttribute('fill')).toContain(tank.depth_si < 0 ? 'stop' : 'ink');
      expect(g.textContent).toContain(tank.depth_si < 0 ? 'bare by' : 'pickup under');
    });
  });
  it('has its tank as it is: every side as long as every other, to one scale', () => {
    groups.forEach((g, i) => {
      const tank = systems.tanks[i] as Systems['tanks'][number];
      const seen = points(g.querySelector('path[fill="none"]')?.getAttribute('d') ?? null);
      const side = (xs: XY[], k: number) => {
        const [a, b] = [xs[k] as XY, xs[(k + 1) % xs.length] as XY];
        return Math.hypot(b[0] - a[0], b[1] - a[1]);
      };
      const real: XY[] = tank.outline.map((p) => [p.aft_si, p.up_si]);
      const scale = side(seen, 0) / side(real, 0);
      real.forEach((_, k) => {
        expect(side(seen, k)).toBeCloseTo(scale * side(real, k), 6);
      });
    });
  });
});

describe.each(walks)('$lane of $craft $fit', ({ craft, fit, unit, walk }) => {
  const { draw } = stand(craft, fit, 'mm-kg', undefined, unit);
  const drawn = draw(<Walk points={walk} label="walk" />);

  it('names every part in the order of the flow', () => {
    const texts = [...drawn.querySelectorAll('text')].map((t) => t.textContent ?? '');
    const at = walk.map((p) => texts.indexOf(p.name));
    expect(at).not.toContain(-1);
  });
  it('has its heights true, and dots where one is not said', () => {
    const sure = walk.slice(1).filter((p, i) => p.height_si != null && walk[i]?.height_si != null);
    const firm = [...drawn.querySelectorAll('path[stroke="var(--color-sheet)"]')].map((p) =>
      points(p.getAttribute('d')),
    ) as XY[][];
    expect(firm).toHaveLength(sure.length);
    expect(drawn.querySelectorAll('path[stroke-dasharray="0.5 8"]')).toHaveLength(walk.length - 1 - sure.length);
    const rises = walk
      .slice(1)
      .map((p, i) => [walk[i]?.height_si, p.height_si])
      .filter((pair): pair is [number, number] => pair[0] != null && pair[1] != null)
      .map(([a, b]) => b - a);
    const seen = firm.map(([a, b]) => (a as XY)[1] - (b as XY)[1]);
    const steep = rises.findIndex((r) => Math.abs(r) > 1e-3);
    if (steep < 0) return;
    const scale = (seen[steep] as number) / (rises[steep] as number);
    expect(scale).toBeGreaterThan(0);
    rises.forEach((r, i) => {
      expect(seen[i]).toBeCloseTo(scale * r, 6);
    });
  });
});

describe('a walk', () => {
  const { draw } = stand('Samphire', 'a');
  const part = (id: string, height_si: number | null, bore_si: number | null = null, kind: Point['kind'] = null) =>
    ({ id, name: `part ${id}`, height_si, bore_si, kind, length_si: null }) as unknown as Point;

  it('has water filled under its line and the line where the water is', () => {
    const drawn = draw(
      <Walk
        points={[part('a', 0), part('b', 0.5)]}
        levels={[{ name: 'water', height: 0.25, water: true }]}
        label="exhaust"
      />,
    );
    const ends = points(drawn.querySelector('path[stroke="var(--color-sheet)"]')?.getAttribute('d') ?? null) as [
      XY,
      XY,
    ];
    const water = attribute(drawn.querySelector('rect[opacity="0.08"]'), 'y');
    expect(water).toBeCloseTo((ends[0][1] + ends[1][1]) / 2, 6);
  });
  it('has a wide bore wide, within what can be drawn', () => {
    const wide = (bore: number) =>
      attribute(
        draw(<Walk points={[part('a', 0), part('b', 1, bore)]} label="x" />).querySelector(
          'path[stroke="var(--color-sheet)"]',
        ),
        'stroke-width',
      );
    expect(wide(0.05)).toBeGreaterThan(wide(0.03));
    expect(wide(2)).toBe(22);
    expect(wide(0.0001)).toBe(4);
  });
  it('has boxes for what is more than a pipe', () => {
    const drawn = draw(
      <Walk points={[part('a', 0, null, 'tank'), part('b', 1), part('c', 1, null, 'pump')]} label="x" />,
    );
    expect(drawn.querySelectorAll('rect[width="18"]')).toHaveLength(2);
  });
  it('measures from one height to another', () => {
    const drawn = draw(
      <Walk
        points={[part('a', 0), part('b', 1)]}
        measure={{ at: 1, from: 0.2, to: 0.7, words: '500 mm over the water', tone: 'red' }}
        label="x"
      />,
    );
    const [from, to] = points(drawn.querySelector('g[stroke="red"] path')?.getAttribute('d') ?? null) as [XY, XY];
    const [low, high] = points(drawn.querySelector('path[stroke="var(--color-sheet)"]')?.getAttribute('d') ?? null) as [
      XY,
      XY,
    ];
    expect((from[1] - to[1]) / (low[1] - high[1])).toBeCloseTo(0.5, 6);
    expect(drawn.textContent).toContain('500 mm over the water');
  });
  it('asks for its parts where there are none', () => {
    expect(draw(<Walk points={[]} label="x" />).textContent).toContain('No parts entered yet');
    expect(draw(<OilTanks tanks={[]} />).textContent).toContain('Draw the tank below');
  });
});
