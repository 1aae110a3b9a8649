// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, attribute, Plot, points, stand, UNITS, type XY } from '../../../testing/stage';
import { formatNumber } from '../../figure/format';
import { AxleLoads } from './AxleLoads';
import { Envelope } from './EnvelopePlot';

const fits = ALL.flatMap(({ craft, fit, state }) => UNITS.map((units) => ({ craft, fit, units, state })));
const flying = fits.filter(({ state }) => (state.assessment.balance?.envelope.length ?? 0) > 0);
const wheeled = fits.filter(({ state }) => (state.assessment.balance?.axles.length ?? 0) > 0);

it('there are craft of both sorts to draw', () => {
  expect(flying.length).toBeGreaterThan(5);
  expect(wheeled.length).toBeGreaterThan(5);
});

describe.each(flying)('envelope of $craft $fit, $units', ({ craft, fit, units }) => {
  const { draw, view, assessment } = stand(craft, fit, units);
  const balance = assessment.balance as NonNullable<typeof assessment.balance>;
  const drawn = draw(<Envelope />);
  const plot = new Plot(drawn.querySelector('svg[role=img]') as Element, view, ['length', 'mass']);

  it('has its corners where the limits are', () => {
    const outline = plot.svg.querySelector('path[fill="var(--color-ok)"]');
    expect(outline?.getAttribute('d')).toMatch(/Z$/);
    plot.near(
      plot.read(outline),
      balance.envelope.map((p) => [p.x_si, p.mass_si]),
    );
  });
  it('has every loading at the end of its burn trail, numbered as the list beside it', () => {
    const filled = [...plot.svg.querySelectorAll('circle[r="4"]')];
    const loadings = balance.loadings.filter((l) => l.trail.length > 0);
    expect(filled).toHaveLength(loadings.length);
    plot.near(
      filled.map((c) => plot.at([attribute(c, 'cx'), attribute(c, 'cy')])),
      loadings.map((l) => [l.trail.at(-1)?.x_si, l.trail.at(-1)?.mass_si] as XY),
    );
    const items = [...drawn.querySelectorAll('ol > li')].slice(0, -1);
    expect(items.map((li) => li.textContent)).toEqual(
      balance.loadings.map((l, i) => expect.stringContaining(`${i + 1} ${l.name}`)),
    );
  });
  it('is red where a margin is negative, and the list says how far beyond', () => {
    balance.loadings.forEach((l, i) => {
      if (l.mass_si == null || l.forward_margin_si == null || l.aft_margin_si == null) return;
      const least = Math.min(l.forward_margin_si, l.aft_margin_si);
      const said = drawn.querySelectorAll('ol > li')[i]?.textContent ?? '';
      const [number, way] = [formatNumber(Math.abs(least), 'length', view), least < 0 ? 'beyond' : 'inside'];
      expect(said.replaceAll('\u00a0', ' ')).toContain(`${number.replaceAll('\u00a0', ' ')} ${way}`);
    });
    const red = balance.loadings.filter((l) => Math.min(l.forward_margin_si ?? 0, l.aft_margin_si ?? 0) < 0).length;
    expect(plot.svg.querySelectorAll('g[fill="var(--color-stop)"]')).toHaveLength(red);
  });
  it('has what was there before hollow and grey', () => {
    const hollow = [...plot.svg.querySelectorAll('g[stroke="var(--color-grey)"] circle')];
    plot.near(
      hollow.map((c) => plot.at([attribute(c, 'cx'), attribute(c, 'cy')])),
      balance.before_loadings.flatMap((l) => {
        const top = l.trail.at(-1);
        return top ? [[top.x_si, top.mass_si] as XY] : [];
      }),
    );
  });
  it('has gross mass as a dashed line across', () => {
    const dashed = plot.svg.querySelector('path[stroke-dasharray="4 3"]');
    if (balance.gross_si == null) return expect(dashed).toBeNull();
    for (const [, mass] of plot.read(dashed))
      expect(Math.abs(mass - balance.gross_si) / plot.pixel[1]).toBeLessThan(0.05);
  });
  it('has the edges of every loading that can be', () => {
    const edges = [...plot.svg.querySelectorAll('path[stroke-dasharray="1.5 3"]')];
    expect(edges).toHaveLength(balance.frontier.length);
    for (const [i, e] of edges.entries())
      plot.near(
        plot.read(e),
        (balance.frontier[i]?.points ?? []).map((p) => [p.x_si, p.mass_si]),
      );
  });
});

it('says what it needs where there are no limits', () => {
  const { draw } = stand('Lapwing', 'a', 'mm-kg', (made) => ({
    ...made,
    balance: made.balance && { ...made.balance, envelope: [] },
  }));
  expect(draw(<Envelope />).textContent).toContain('needs the limits');
});

describe.each(wheeled)('axle loads of $craft $fit, $units', ({ craft, fit, units }) => {
  const { draw, view, assessment } = stand(craft, fit, units);
  const axles = assessment.balance?.axles ?? [];
  const rows = [...draw(<AxleLoads />).querySelectorAll('tbody tr')];
  const width = (e: Element | null | undefined, name: 'width' | 'left') =>
    Number.parseFloat((e as HTMLElement | null)?.style[name] ?? '');

  it('has a row for every loading', () => {
    expect(rows.map((r) => r.querySelector('td')?.textContent)).toEqual(axles.map((s) => s.name));
  });
  it('has bars as long as their loads, all to one scale', () => {
    const scales = rows.flatMap((r, i) =>
      (['front', 'rear'] as const).flatMap((end, k) => {
        const cell = r.querySelectorAll('td')[k + 1];
        const load = axles[i]?.[`${end}_si`];
        const bar = cell?.querySelector('.bg-act, .bg-stop');
        if (load == null) {
          expect(cell?.textContent).toContain('cannot say yet');
          return [];
        }
        expect(cell?.textContent).toContain(formatNumber(load, 'mass', view));
        return load > 1 ? [width(bar, 'width') / load] : [];
      }),
    );
    for (const s of scales) expect(s / (scales[0] as number)).toBeCloseTo(1, 6);
  });
  it('has the load before as a hollow bar, to the same scale', () => {
    rows.forEach((r, i) => {
      const before = axles[i]?.rear_before_si;
      const now = axles[i]?.rear_si;
      const cell = r.querySelectorAll('td')[2];
      const hollow = cell?.querySelector('.border-grey');
      if (before == null || now == null) {
        expect(hollow ?? null).toBeNull();
        return;
      }
      const bar = cell?.querySelector('.bg-act, .bg-stop');
      if (now > 1) expect(width(hollow, 'width') / width(bar, 'width')).toBeCloseTo(before / now, 6);
    });
  });
});

describe('an axle over its plate', () => {
  const { draw, state } = stand('Tiller', 'a');
  const plate =
    ((state.document.craft as { limits: unknown }).limits as { rear_axle?: { si: number } }).rear_axle?.si ?? 0;

  it('has its bar red and longer than where the plate stands; one under it has not', () => {
    const over = stand('Tiller', 'a', 'mm-kg', (made) => {
      const [first, ...rest] = made.balance?.axles ?? [];
      return {
        ...made,
        balance: made.balance && { ...made.balance, axles: [{ ...first, rear_si: plate * 1.2 } as never, ...rest] },
      };
    });
    const cell = over.draw(<AxleLoads />).querySelector('tbody tr td:nth-child(3)');
    const bar = cell?.querySelector('.bg-stop') as HTMLElement;
    const mark = cell?.querySelector('.bg-ink') as HTMLElement;
    expect(Number.parseFloat(bar.style.width) / Number.parseFloat(mark.style.left)).toBeCloseTo(1.2, 6);
    stand('Tiller', 'a');
    expect(plate).toBeGreaterThan(0);
    expect(draw(<AxleLoads />).querySelectorAll('.bg-ink').length).toBeGreaterThan(0);
  });
});

it('a path is read as it is drawn', () => {
  expect(points('M1 2L3 4H5V6h-1v2Z')).toEqual([
    [1, 2],
    [3, 4],
    [5, 4],
    [5, 6],
    [4, 6],
    [4, 8],
  ]);
});
