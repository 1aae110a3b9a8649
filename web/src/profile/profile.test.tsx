// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, points, stand, type XY } from '../../testing/stage';
import type { Shapes } from '../api/client';
import { formatNumber } from '../figure/format';
import { drawnSpace, type Held, moved, TAPE } from './hand';
import { Profile } from './Profile';
import { gridLines, PackShape } from './parts';
import { Limits, Supports, Water, Wheels } from './scene';

const fits = ALL.filter(({ state }) => state.assessment.shapes.outline.length > 0);
const scale = (v: number) => 100 + 50 * v;
const down = (v: number) => 200 - 50 * v;

describe.each(fits)('side view of $craft $fit', ({ craft, fit }) => {
  const { draw, view, assessment } = stand(craft, fit);
  const shapes = assessment.shapes;
  const drawn = draw(<Profile folded={false} onFold={() => undefined} showOld />);
  const svg = drawn.querySelector('svg[role]') ?? drawn.querySelector('svg');

  it('is to one scale along and up: wheels are round and as large as they are', () => {
    const circles = [...(svg?.querySelectorAll('circle[fill="var(--color-ground)"]') ?? [])];
    expect(circles).toHaveLength(shapes.wheels.length);
    const [a, b] = [shapes.wheels[0], shapes.wheels.at(-1)];
    if (!a || !b || a.x === b.x) return;
    const span = (attribute(circles.at(-1), 'cx') - attribute(circles[0], 'cx')) / (b.x - a.x);
    shapes.wheels.forEach((w, i) => {
      expect(attribute(circles[i], 'r')).toBeCloseTo(w.radius * span, 4);
      expect(attribute(circles[i], 'cx') - attribute(circles[0], 'cx')).toBeCloseTo((w.x - a.x) * span, 4);
      expect(attribute(circles[0], 'cy') - attribute(circles[i], 'cy')).toBeCloseTo((w.z - a.z) * span, 4);
    });
  });
  it('says of each support what it carries, before and now', () => {
    const words = (drawn.textContent ?? '').replace(/\u00a0/g, ' ');
    const alone = shapes.supports.filter((s) => shapes.supports.every((o) => o === s || Math.abs(o.x - s.x) >= 0.05));
    for (const s of alone)
      if (s.after_si != null) expect(words).toContain(formatNumber(s.after_si, 'mass', view).replace(/\u00a0/g, ' '));
  });
  it('draws the new unit in colour and the old one in grey', () => {
    const old = shapes.installations.filter((i) => i.old && i.silhouette.length > 0).length;
    const own = shapes.installations.filter((i) => !i.old && i.silhouette.length > 0).length;
    expect(svg?.querySelectorAll('g[stroke="var(--color-grey)"] > path[fill-opacity="0.14"]').length).toBe(old);
    expect(svg?.querySelectorAll('g[stroke="var(--color-act)"] > path[fill-opacity="0.14"]').length).toBe(own);
  });
});

const plain = (text: string | null) => (text ?? '').replaceAll('\u00a0', ' ');

describe('the limits', () => {
  const shapes = (limits: number[]) => ({ limits }) as unknown as Shapes;
  const { draw, view } = stand('Lapwing', 'a');

  it('are a band from the forward to the aft one, each with its station', () => {
    const drawn = draw(<Limits shapes={shapes([0.3, 0.7])} view={view} sx={scale} high={180} />);
    const band = drawn.querySelector('rect');
    expect([attribute(band, 'x'), attribute(band, 'width')]).toEqual([115, 20]);
    expect([...drawn.querySelectorAll('path')].map((p) => points(p.getAttribute('d'))[0]?.[0])).toEqual([115, 135]);
    const ahead = draw(<Limits shapes={shapes([-0.3, 0.7])} view={view} sx={scale} high={180} />);
    const said = [drawn, ahead].map((d) => [...d.querySelectorAll('text')].map((t) => plain(t.textContent)));
    expect(said).toEqual([
      ['300 mm', '700 mm limits'],
      ['300 mm forward', '700 mm limits'],
    ]);
  });
  it('are not drawn where there are none', () => {
    expect(draw(<Limits shapes={shapes([])} view={view} sx={scale} high={180} />).innerHTML).toBe('');
  });
});

describe('supports', () => {
  const { draw, view } = stand('Tiller', 'a');
  const support = (id: string, name: string, x: number, before_si: number | null, after_si: number | null) => ({
    id,
    name,
    x,
    y: 0,
    z: 0,
    before_si,
    after_si,
  });
  const drawn = (...supports: ReturnType<typeof support>[]) =>
    draw(<Supports shapes={{ supports } as unknown as Shapes} view={view} sx={scale} foot={250} middle={1} />);

  it('at one station share an arrow and their loads are added', () => {
    const made = drawn(
      support('p', 'port front wheel', 0, 100, 110),
      support('s', 'starboard front wheel', 0.01, 102, 115),
      support('r', 'rear wheel', 2, 150, 140),
    );
    expect(made.querySelectorAll('path')).toHaveLength(2);
    expect(made.textContent).toContain(
      `front wheels ${formatNumber(202, 'mass', view)} → ${formatNumber(225, 'mass', view)}`,
    );
  });
  it('of which one is not known say no sum', () => {
    const made = drawn(support('p', 'port wheel', 0, 100, 110), support('s', 'starboard wheel', 0, null, null));
    expect(made.querySelectorAll('text')).toHaveLength(0);
  });
  it('stand where they are', () => {
    const made = drawn(support('a', 'front', 0.4, null, 50), support('b', 'rear', 1.9, null, 60));
    expect([...made.querySelectorAll('path')].map((p) => points(p.getAttribute('d'))[0]?.[0])).toEqual([120, 195]);
  });
});

describe('water', () => {
  const { draw, view } = stand('Samphire', 'a');
  const path = (ps: { x: number; z: number }[]) =>
    ps.map((p, i) => `${i ? 'L' : 'M'}${scale(p.x)} ${down(p.z)}`).join('');
  const water = (more: object) =>
    draw(
      <Water
        shapes={{ water: [], water_before: [], freeboards: [], ...more } as unknown as Shapes}
        view={view}
        path={path}
        sx={scale}
        sz={down}
        right={800}
      />,
    );

  it('lies before grey, now in colour, each as it lies', () => {
    const now = [
      { x: 0, z: 0.1 },
      { x: 8, z: 0.2 },
    ];
    const made = water({ water: now, water_before: now.map((p) => ({ ...p, z: p.z - 0.05 })) });
    const [before, after] = [...made.querySelectorAll('path')].map((p) => points(p.getAttribute('d')));
    expect(after).toEqual(now.map((p) => [scale(p.x), down(p.z)]));
    (before ?? []).forEach((p, i) => {
      expect(p[1] - (after?.[i]?.[1] ?? 0)).toBeCloseTo(2.5, 6);
    });
  });
  it('leaves freeboards as long as they are, before and now in figures', () => {
    const made = water({ freeboards: [{ x: 2, z: 1.1, before_si: 0.7, after_si: 0.66 }] });
    const [top, low] = points(made.querySelector('path')?.getAttribute('d') ?? null) as [XY, XY];
    expect(low[1] - top[1]).toBeCloseTo(50 * 0.66, 6);
    expect(made.textContent).toContain(`${formatNumber(0.7, 'length', view)} →`);
    expect(made.textContent).toContain(formatNumber(0.66, 'length', view));
  });
});

it('wheels are drawn of their radius', () => {
  const { draw } = stand('Tiller', 'a');
  const shapes = { wheels: [{ id: 'w', x: 1, z: 0.3, radius: 0.28 }] } as unknown as Shapes;
  const wheel = draw(<Wheels shapes={shapes} sx={scale} sz={down} span={50} />).querySelector('circle');
  expect([attribute(wheel, 'cx'), attribute(wheel, 'cy')]).toEqual([150, 185]);
  expect(attribute(wheel, 'r')).toBeCloseTo(14, 9);
});

describe('a pack', () => {
  const { draw } = stand('Pannier', 'b');
  const pack = (more: object) =>
    draw(
      <PackShape
        pack={
          { id: 'p', name: 'front pack', x: 1, y: 0, z: 0.5, length: 0.4, width: 0.2, height: 0.3, ...more } as never
        }
        sx={scale}
        sz={down}
        span={50}
      />,
    );
  it('is as large as it is, about its middle', () => {
    const box = pack({}).querySelector('rect');
    const at = ['x', 'y', 'width', 'height'].map((n) => attribute(box, n));
    [140, 167.5, 20, 15].forEach((wanted, i) => {
      expect(at[i]).toBeCloseTo(wanted, 9);
    });
  });
  it('of no known size is a broken line and says so', () => {
    const made = pack({ length: null });
    expect(made.querySelector('rect')?.hasAttribute('stroke-dasharray')).toBe(true);
    expect(made.querySelector('title')?.textContent).toBe('front pack: its size is not known');
  });
});

describe('what the hand moves', () => {
  const figure = (entered: string, si: number, dir: string) =>
    ({ entered, si, dir, from: 'datum', source: 'measured' }) as never;
  const held = (along: [string, number, string] | null, up: [string, number, string] | null = null): Held => ({
    id: 'unit',
    name: 'flange',
    along: along && { pointer: '/along', figure: figure(...along) },
    up: up && { pointer: '/up', figure: figure(...up) },
  });
  const operations = (made: ReturnType<typeof moved>) =>
    (made?.operations ?? []).map((o) => [o.path, (o.value as { entered: string }).entered]);

  it('goes aft where the hand goes aft, whichever way it was measured', () => {
    expect(operations(moved(held(['500 mm', 0.5, 'aft']), { x: 0.02, z: 0 }, 'mm-kg'))).toEqual([['/along', '520 mm']]);
    expect(operations(moved(held(['500 mm', 0.5, 'forward']), { x: 0.02, z: 0 }, 'mm-kg'))).toEqual([
      ['/along', '480 mm'],
    ]);
  });
  it('goes up where the hand goes up', () => {
    const both = held(['500 mm', 0.5, 'aft'], ['100 mm', 0.1, 'down']);
    expect(operations(moved(both, { x: 0.01, z: 0.03 }, 'mm-kg'))).toEqual([
      ['/along', '510 mm'],
      ['/up', '70 mm'],
    ]);
  });
  it('is measured the other way once it is past its origin, and says so', () => {
    const past = (figure: [string, number, string]) => moved(held(figure), { x: 0.03, z: 0 }, 'mm-kg');
    const made = past(['10 mm', 0.01, 'forward']);
    expect(made?.operations[0]?.value).toMatchObject({ entered: '20 mm', dir: 'aft' });
    expect(made?.words).toBe('flange 10 mm → 20 mm aft');
    expect(past(['30 mm', 0.03, 'forward'])?.operations[0]?.value).toMatchObject({ entered: '0 mm', dir: 'forward' });
    const below = moved(held(null, ['10 mm', 0.01, 'up']), { x: 0, z: -0.03 }, 'in-lb');
    expect(below?.operations[0]?.value).toMatchObject({ entered: '13/16 in', dir: 'down' });
  });
  it('steps by the tape of the view', () => {
    expect(operations(moved(held(['10 in', 0.254, 'aft']), { x: 0.02, z: 0 }, 'in-lb'))).toEqual([
      ['/along', '10 13/16 in'],
    ]);
    expect(operations(moved(held(['10 mm', 0.01, 'aft']), { x: 0.00149, z: 0 }, 'mm-kg'))).toEqual([
      ['/along', '11 mm'],
    ]);
  });
  it('is nothing below half a step, nor where nothing of it is placed', () => {
    expect(moved(held(['500 mm', 0.5, 'aft']), { x: TAPE['mm-kg'] * 0.49, z: 9 }, 'mm-kg')).toBeNull();
    expect(moved(held(null), { x: 1, z: 1 }, 'mm-kg')).toBeNull();
  });
  it('keeps from where and which way it was measured, and says what it was', () => {
    const made = moved(held(['500 mm', 0.5, 'forward']), { x: -0.1, z: 0 }, 'mm-kg');
    expect(made?.operations[0]?.value).toEqual({
      entered: '600 mm',
      from: 'datum',
      dir: 'forward',
      source: 'measured',
    });
    expect(made?.words).toBe('flange 500 mm → 600 mm');
  });
});

describe('a space that is drawn', () => {
  it.each([
    [
      { x: 1, z: 0.2 },
      { x: 1.5, z: 0.6 },
    ],
    [
      { x: 1.5, z: 0.6 },
      { x: 1, z: 0.2 },
    ],
    [
      { x: 1, z: 0.6 },
      { x: 1.5, z: 0.2 },
    ],
  ])('is the same from whichever corner it is begun', (a, b) => {
    const made = drawnSpace(a, b, 'mm-kg');
    expect([made.forward.entered, made.aft.entered, made.low.entered, made.high.entered]).toEqual([
      '1000 mm',
      '1500 mm',
      '200 mm',
      '600 mm',
    ]);
    expect([made.forward.dir, made.low.dir]).toEqual(['aft', 'up']);
    const across = drawnSpace({ x: -0.4, z: -0.1 }, { x: 0.5, z: 0.2 }, 'mm-kg');
    expect([across.forward, across.low].map(({ entered, dir }) => `${entered} ${dir}`)).toEqual([
      '400 mm forward',
      '100 mm down',
    ]);
  });
});

it('grid lines stand at whole metres within the picture', () => {
  expect(gridLines(-0.5, 2.2)).toEqual([-0, 1, 2]);
  expect(gridLines(0.2, 0.8)).toEqual([]);
});
