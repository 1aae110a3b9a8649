// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { attribute, points, stand, type XY } from '../../../testing/stage';
import type { Prove } from '../../api/client';
import { formatNumber } from '../../figure/format';
import { Ladder } from './Ladder';
import { Strips } from './Strips';

type Strip = Prove['strips'][number];
type Promise = Prove['promises'][number];

const strip = (more: Partial<Strip>): Strip =>
  ({
    log: 'first run',
    channel: 'coolant',
    words: 'coolant',
    dimension: 'temperature',
    simulated: false,
    low_si: null,
    high_si: null,
    t: [0, 10, 20, 30],
    values: [293.15, 313.15, 343.15, 353.15],
    ...more,
  }) as Strip;
const promise = (more: Partial<Promise>): Promise =>
  ({
    id: 'x',
    label: 'x',
    dimension: 'sea_speed',
    promised_si: null,
    promised_doubt_si: null,
    measured_si: null,
    off_si: null,
    level: null,
    ...more,
  }) as Promise;
const { draw, view } = stand('Samphire', 'a');

describe('a strip', () => {
  const line = (drawn: HTMLElement) =>
    points(drawn.querySelector('path[stroke="var(--color-ink)"]')?.getAttribute('d') ?? null);

  it('goes from its first reading to its last, in step with time and height', () => {
    const seen = line(draw(<Strips strips={[strip({})]} />));
    const [a, , , d] = seen as [XY, XY, XY, XY];
    const real = strip({});
    seen.forEach(([x, y], i) => {
      expect((x - a[0]) / (d[0] - a[0])).toBeCloseTo((real.t[i] as number) / 30, 2);
      expect((y - a[1]) / (d[1] - a[1])).toBeCloseTo(((real.values[i] as number) - 293.15) / 60, 2);
    });
    expect(d[1]).toBeLessThan(a[1]);
  });
  it('says its last reading, and that of a limit makes room for it', () => {
    const drawn = draw(<Strips strips={[strip({ high_si: 373.15 })]} />);
    expect(drawn.textContent).toContain(formatNumber(353.15, 'temperature', view));
    const limit = points(drawn.querySelector('path[stroke="var(--color-stop)"]')?.getAttribute('d') ?? null)[0] as XY;
    const top = Math.min(...line(drawn).map(([, y]) => y));
    expect(limit[1]).toBeLessThan(top);
  });
  it('has a limit that was passed below its own line', () => {
    const drawn = draw(<Strips strips={[strip({ high_si: 333.15 })]} />);
    const limit = points(drawn.querySelector('path[stroke="var(--color-stop)"]')?.getAttribute('d') ?? null)[0] as XY;
    expect(limit[1]).toBeGreaterThan(Math.min(...line(drawn).map(([, y]) => y)));
  });
  it('that is simulated is dotted and says so; one that was read is neither', () => {
    const made = draw(<Strips strips={[strip({ simulated: true }), strip({ log: 'second' })]} />);
    const [first, second] = [...made.querySelectorAll('svg')];
    expect(first?.textContent).toContain('simulated');
    expect(first?.querySelector('path[stroke="var(--color-ink)"]')?.hasAttribute('stroke-dasharray')).toBe(true);
    expect(second?.textContent).not.toContain('simulated');
    expect(second?.querySelector('path[stroke="var(--color-ink)"]')?.hasAttribute('stroke-dasharray')).toBe(false);
  });
  it('of one height is drawn, and one without readings is left out', () => {
    expect(line(draw(<Strips strips={[strip({ values: [300, 300, 300, 300] })]} />))).toHaveLength(4);
    expect(draw(<Strips strips={[strip({ t: [], values: [] })]} />).querySelector('svg')).toBeNull();
    expect(draw(<Strips strips={[]} />).innerHTML).toBe('');
  });
});

describe('what was measured beside what was promised', () => {
  const prove = (promises: Promise[], strips: Strip[] = []) =>
    ({ cards: [], channels: [], strips, promises, take: null }) as unknown as Prove;
  const rows = [
    promise({ id: 'a', label: 'Speed', promised_si: 5, promised_doubt_si: 0.5, measured_si: 5.5, off_si: 0.5 }),
    promise({ id: 'b', label: 'Mass', promised_si: 200, measured_si: 190, off_si: -10, level: 'stop' }),
    promise({ id: 'c', label: 'Not read', promised_si: 3 }),
  ];

  it('lies to the right where it is more, by its share', () => {
    const drawn = draw(<Ladder prove={prove(rows)} card="x" />);
    const middle = points(drawn.querySelector('path[stroke-dasharray="8 6"]')?.getAttribute('d') ?? null)[0]?.[0] ?? 0;
    const dots = [...drawn.querySelectorAll('circle')];
    expect(dots).toHaveLength(2);
    const off = dots.map((d) => attribute(d, 'cx') - middle);
    expect((off[0] as number) / (off[1] as number)).toBeCloseTo(0.1 / -0.05, 6);
    expect(off[0]).toBeGreaterThan(0);
    expect(dots[1]?.getAttribute('fill')).toContain('stop');
    expect(drawn.textContent).not.toContain('Not read');
  });
  it('has the doubt of the promise as a band about it', () => {
    const drawn = draw(<Ladder prove={prove(rows)} card="x" />);
    const bands = [...drawn.querySelectorAll('rect')];
    expect(bands).toHaveLength(1);
    const middle = points(drawn.querySelector('path[stroke-dasharray="8 6"]')?.getAttribute('d') ?? null)[0]?.[0] ?? 0;
    const [band] = bands;
    expect(attribute(band, 'x') + attribute(band, 'width') / 2).toBeCloseTo(middle, 6);
    // A tenth of doubt is as wide to one side as a tenth that was measured more.
    expect(attribute(band, 'width') / 2).toBeCloseTo(attribute(drawn.querySelector('circle'), 'cx') - middle, 6);
  });
  it('says that nothing is measured yet', () => {
    expect(draw(<Ladder prove={prove([])} card="x" />).textContent).toContain('Nothing that was promised is measured');
  });

  const run = [
    strip({ channel: 'rpm', dimension: 'rotation', t: [0, 60, 120], values: [100, 200, 300] }),
    strip({ channel: 'speed', dimension: 'sea_speed', t: [0, 60, 120], values: [1, 2, 3.2] }),
  ];
  it('is speed over speed of the unit once both were read at the same times', () => {
    const drawn = draw(<Ladder prove={prove([], run)} card="x" />);
    const dots = [...drawn.querySelectorAll('circle')].map((c) => [attribute(c, 'cx'), attribute(c, 'cy')] as XY);
    expect(dots).toHaveLength(3);
    const [a, b, c] = dots as [XY, XY, XY];
    expect(b[0] - a[0]).toBeCloseTo(c[0] - b[0], 6);
    expect((a[1] - c[1]) / (a[1] - b[1])).toBeCloseTo(2.2, 6);
  });
  it('leaves out what is simulated', () => {
    const made = draw(
      <Ladder
        prove={prove(
          [],
          run.map((s) => ({ ...s, simulated: true })),
        )}
        card="x"
      />,
    );
    expect(made.querySelectorAll('circle')).toHaveLength(0);
  });
  it('is red where full throttle stays more than three in a hundred below the rated speed', () => {
    const rated = (si: number) =>
      draw(<Ladder prove={prove([promise({ id: 'unit.rated-speed', promised_si: si })], run)} card="x" />).innerHTML;
    expect(rated(301)).toContain('full: ');
    expect(rated(301)).not.toMatch(/stroke="[^"]*stop/);
    expect(rated(320)).toMatch(/stroke="[^"]*stop/);
  });
});
