/** The screen without a server: a demonstration as the server answered it, and what is drawn of it. */
import { existsSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, vi } from 'vitest';
import type { Assessment, Installation, Reference, State, Units, View } from '../src/api/client';
import { SheetContext } from '../src/api/sheet';

interface Said {
  findings: Record<string, { title: string; message: string; working: string[] | null }>;
  values: Record<string, { was_and_is: [string | null, string | null]; plus_minus: string | null }>;
}
interface Fit {
  state: State;
  said: Record<Units, Said>;
}
interface Demonstrations {
  reference: Reference;
  crafts: Record<string, Record<string, Fit>>;
}

const FILE = resolve(__dirname, '../demonstrations.json');
if (!existsSync(FILE)) throw new Error('make web/demonstrations.json first: the tests of the screen read it');
export const { reference, crafts } = JSON.parse(readFileSync(FILE, 'utf8')) as Demonstrations;

/** Every craft with every fit. */
export const ALL = Object.entries(crafts).flatMap(([craft, fits]) =>
  Object.entries(fits).map(([fit, made]) => ({ craft, fit, ...made })),
);
export const UNITS: Units[] = ['mm-kg', 'in-lb'];
export const view = (units: Units) => reference.views[units] as View;

/** What is on the stage now. */
const now = vi.hoisted(() => ({
  project: null as unknown,
  shown: null as unknown,
  search: {} as { unit?: string; fit?: string },
}));

vi.mock('../src/api/project', async (actual) => ({
  ...(await actual<typeof import('../src/api/project')>()),
  useProject: () => now.project,
  useShown: () => now.shown,
}));
vi.mock('@tanstack/react-router', async (actual) => ({
  ...(await actual<typeof import('@tanstack/react-router')>()),
  useNavigate: () => () => Promise.resolve(),
}));
vi.mock('../src/api/route', () => ({
  workshop: {
    useSearch: () => now.search,
    useParams: () => ({ id: 'p', bench: 'craft' }),
    useNavigate: () => () => Promise.resolve(),
  },
}));

export interface Stood {
  state: State;
  units: Units;
  view: View;
  assessment: Assessment;
  /** The installation that a bench works on. */
  one: Installation;
  /** What is drawn of a component, as elements. */
  draw: (component: ReactElement) => HTMLElement;
}

const nothing = () => Promise.resolve();

/** Put a demonstration on the stage. change: another assessment than the server's. */
export function stand(
  craft: string,
  fit: string,
  units: Units = 'mm-kg',
  change: (made: Assessment) => Assessment = (made) => made,
  unit?: string,
): Stood {
  const { state: answered } = crafts[craft]?.[fit] ?? {};
  if (!answered) throw new Error(`no demonstration ${craft} ${fit}`);
  const assessment = change(structuredClone(answered.assessment));
  const state = { ...answered, assessment };
  const at = (pointer: string) =>
    pointer
      .split('/')
      .slice(1)
      .reduce<unknown>((here, token) => (here as Record<string, unknown> | undefined)?.[token], state.document);
  now.project = {
    id: 'p',
    fit: assessment.fit,
    state,
    reference,
    units,
    view: view(units),
    busy: false,
    asked: null,
    notice: null,
    at,
    edit: nothing,
    preview: () => undefined,
    leaveAhead: () => undefined,
    undo: nothing,
    redo: nothing,
    backTo: nothing,
    settle: nothing,
    happened: nothing,
    say: () => undefined,
  };
  now.shown = { shown: assessment, ahead: null, ripple: null };
  now.search = { fit, ...(unit ? { unit } : {}) };
  const sheet = {
    ...(now.project as object),
    numberStyle: 'point' as const,
    unitSide: () => 1,
    rough: () => undefined,
  } as never;
  const draw = (component: ReactElement) => {
    const made = document.createElement('div');
    made.innerHTML = renderToStaticMarkup(
      <QueryClientProvider client={new QueryClient()}>
        <SheetContext.Provider value={sheet}>{component}</SheetContext.Provider>
      </QueryClientProvider>,
    );
    return made;
  };
  const one = assessment.installations.find((i) => i.id === unit) ?? assessment.installations[0];
  return { state, units, view: view(units), assessment, one: one as Installation, draw };
}

export type XY = [number, number];

/** The points of a path of straight strokes, in the order in which they are drawn. */
export function points(d: string | null): XY[] {
  const made: XY[] = [];
  for (const [, kind, args] of (d ?? '').matchAll(/([MLHVhv])([^A-Za-z]*)/g)) {
    const numbers = (args ?? '').trim().split(/[ ,]+/).map(Number);
    const [x, y] = made.at(-1) ?? [0, 0];
    if (kind === 'H') made.push([numbers[0] as number, y]);
    else if (kind === 'V') made.push([x, numbers[0] as number]);
    else if (kind === 'h') made.push([x + (numbers[0] as number), y]);
    else if (kind === 'v') made.push([x, y + (numbers[0] as number)]);
    else for (let i = 0; i + 1 < numbers.length; i += 2) made.push([numbers[i] as number, numbers[i + 1] as number]);
  }
  return made;
}

export const attribute = (e: Element | null | undefined, name: string) => Number(e?.getAttribute(name) ?? Number.NaN);

/** A number as an axis writes it; no number where it is none. */
function written(text: string | null): number {
  const bare = (text ?? '').trim().replace('\u2212', '-');
  return /^-?\d+(\.\d+)?°?$/.test(bare) ? Number.parseFloat(bare) : Number.NaN;
}

/** A plot read by its own ticks, as a person would: from a place on it back to SI. */
export class Plot {
  private readonly x: [number, number];
  private readonly y: [number, number];

  constructor(
    readonly svg: Element,
    private readonly view: View,
    dimensions: [string, string],
  ) {
    const texts = [...svg.querySelectorAll('text')].filter((t) => !Number.isNaN(written(t.textContent)));
    const along = texts.filter((t) => t.getAttribute('text-anchor') === 'middle');
    const up = texts.filter((t) => t.getAttribute('text-anchor') === 'end');
    this.x = this.line(along, 'x', 0, dimensions[0]);
    this.y = this.line(up, 'y', 4, dimensions[1]);
  }

  /** Slope and start of SI over pixels, by the outermost ticks. below: how far under its line a name stands. */
  private line(ticks: Element[], name: 'x' | 'y', below: number, dimension: string): [number, number] {
    const unit = this.view[dimension];
    if (!unit || ticks.length < 2) throw new Error(`no two ticks of ${dimension}`);
    const at = ticks.map((t) => [attribute(t, name) - below, written(t.textContent) * unit.factor + unit.offset] as XY);
    const sorted = at.sort((a, b) => a[0] - b[0]);
    const [a, b] = [sorted[0] as XY, sorted.at(-1) as XY];
    const slope = (b[1] - a[1]) / (b[0] - a[0]);
    return [slope, a[1] - slope * a[0]];
  }

  /** What a place means, SI. */
  at([x, y]: XY): XY {
    return [this.x[0] * x + this.x[1], this.y[0] * y + this.y[1]];
  }

  /** What a line means, SI. */
  read(path: Element | null): XY[] {
    return points(path?.getAttribute('d') ?? null).map((p) => this.at(p));
  }

  /** That a line is read where it should be, to within a twentieth of a pixel. */
  near(read: XY[], wanted: XY[]) {
    expect(read).toHaveLength(wanted.length);
    const [dx, dy] = this.pixel;
    for (const [i, [x, y]] of read.entries()) {
      const [u, v] = wanted[i] as XY;
      expect(Math.abs(x - u) / dx).toBeLessThan(0.05);
      expect(Math.abs(y - v) / dy).toBeLessThan(0.05);
    }
  }

  /** How much one pixel is along and up, SI. */
  get pixel(): XY {
    return [Math.abs(this.x[0]), Math.abs(this.y[0])];
  }
}
