import type { Operation, Units } from '../api/client';
import type { StoredFigure } from '../figure/FigureField';
import { facing, tapeText } from '../figure/fields';

/** 1 mm, or 1/16 in: what a drag and a nudge step by. */
export const TAPE = { 'mm-kg': 0.001, 'in-lb': 0.0254 / 16 };

/** Something that the hand holds: its name, and the figures that say where it is, by the way they go on the picture. */
export interface Held {
  id: string;
  name: string;
  along: { pointer: string; figure: StoredFigure } | null;
  up: { pointer: string; figure: StoredFigure } | null;
}

/** What it takes to move what is held by so much, on the tape of the view; null where nothing of it moves. */
export function moved(held: Held, by: { x: number; z: number }, units: Units) {
  const operations: Operation[] = [];
  const words: string[] = [];
  for (const [at, far] of [
    [held.along, by.x],
    [held.up, by.z],
  ] as const) {
    if (!at || Math.abs(far) < TAPE[units] / 2) continue;
    const { figure, pointer } = at;
    const sign = figure.dir === 'forward' || figure.dir === 'down' ? -1 : 1;
    const next = Math.round((figure.si + sign * far) / TAPE[units]) * TAPE[units];
    const { entered, dir } = facing(tapeText(next, units), figure.dir);
    operations.push({
      op: 'replace',
      path: pointer,
      value: { entered, from: figure.from, dir, source: figure.source },
    });
    words.push(`${figure.entered} → ${entered}${dir === figure.dir ? '' : ` ${dir}`}`);
  }
  return operations.length > 0 ? { words: `${held.name} ${words.join(', ')}`, operations } : null;
}

/** A space as it was drawn: two corners on the side view, in metres, on the tape of the view. */
export function drawnSpace(a: { x: number; z: number }, b: { x: number; z: number }, units: Units) {
  const step = TAPE[units];
  const place = (si: number, from: string, dir: string) => ({
    ...facing(tapeText(Math.round(si / step) * step, units), dir),
    from,
    source: 'measured',
  });
  return {
    forward: place(Math.min(a.x, b.x), 'datum', 'aft'),
    aft: place(Math.max(a.x, b.x), 'datum', 'aft'),
    low: place(Math.min(a.z, b.z), 'level line', 'up'),
    high: place(Math.max(a.z, b.z), 'level line', 'up'),
  };
}
