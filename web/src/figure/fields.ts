import type { FieldSpec, Reference, Units } from '../api/client';

/** The spec of the field at a pointer: ids in the pointer match `*` of the pattern. */
export function fieldAt(reference: Reference, pointer: string): FieldSpec | undefined {
  let here: Branch | undefined = fieldsOf(reference);
  for (const part of pointer.split('/')) here = here?.inner.get(part) ?? here?.inner.get('*');
  return here?.field;
}

/** Patterns as a tree, a name at each fork: a field is found in as many steps as its pointer has. */
interface Branch {
  field?: FieldSpec;
  inner: Map<string, Branch>;
}
const TREES = new WeakMap<Reference, Branch>();

function fieldsOf(reference: Reference): Branch {
  const known = TREES.get(reference);
  if (known) return known;
  const root: Branch = { inner: new Map() };
  for (const field of reference.fields) {
    let here = root;
    for (const part of field.pattern.split('/')) {
      const next: Branch = here.inner.get(part) ?? { inner: new Map() };
      here.inner.set(part, next);
      here = next;
    }
    here.field ??= field;
  }
  TREES.set(reference, root);
  return root;
}

const BARE = /^[\s+\-−–]*(?:\d[\d.,]*|[.,]\d+)(?:[\s-]+\d+\/\d+|\/\d+)?$/;

/** A bare number gets the unit of the view; the server refuses bare numbers. `12 ±1` becomes `12 mm ±1`. */
export function completeUnit(text: string, unit: string): string {
  if (!unit) return text;
  const [head = '', ...rest] = text.split(/(?=±|\+\/-)/);
  const words = head.trim().match(/^(.*?)(\s+(?:measured|maker|estimated|hearsay|template|computed))?$/i);
  const number = words?.[1] ?? head.trim();
  if (!BARE.test(number)) return text;
  return [`${number} ${unit}${words?.[2] ?? ''}`, ...rest].join(' ').trim();
}

/** Sixteenths of an inch as they stand on the tape: `31 5/16`, `1/2`, `44`. */
function sixteenthsText(sixteenths: number): string {
  const whole = Math.floor(sixteenths / 16);
  let part = sixteenths % 16;
  let under = 16;
  while (part && part % 2 === 0) {
    part /= 2;
    under /= 2;
  }
  if (!part) return `${whole}`;
  return whole ? `${whole} ${part}/${under}` : `${part}/${under}`;
}

/** A length as it stands on the tape of the view. */
export function tapeText(si: number, units: Units): string {
  if (units === 'mm-kg') return `${Math.round(si * 1000)} mm`;
  return `${si < 0 ? '-' : ''}${sixteenthsText(Math.round((Math.abs(si) / 0.0254) * 16))} in`;
}

/** Which ways a place is measured along its axis. */
export const DIRECTIONS: Record<string, string[]> = {
  station: ['aft', 'forward'],
  'butt line': ['starboard', 'port'],
  'water line': ['up', 'down'],
};

/** A place that the hand has brought past its origin is measured the other way: never so much less than nothing. */
export function facing<D extends string | undefined>(entered: string, dir: D): { entered: string; dir: D } {
  const axis = Object.values(DIRECTIONS).find((ways) => ways.includes(dir ?? ''));
  if (!axis || !/^[-−]/.test(entered)) return { entered, dir };
  return { entered: entered.slice(1), dir: axis.find((way) => way !== dir) as D };
}

const STEPS: Record<string, number> = {
  mm: 1,
  cm: 0.1,
  m: 0.001,
  in: 1 / 16,
  ft: 1 / 192,
  kg: 0.1,
  lb: 0.1,
  '°': 0.25,
  rpm: 10,
  L: 0.5,
};

/** The value so many steps along the tape: 1 mm, 1/16 in, 0.1 kg, a quarter degree; a hundredth of a bare ratio. */
export function stepText(text: string, steps: number): string | null {
  const found = text.match(/^\s*([-−]?)\s*(?:(\d+)[\s-]+(\d+)\/(\d+)|(\d+)\/(\d+)|([\d.]+))\s*(.*)$/);
  if (!found) return null;
  const [, sign, whole, num, den, n, d, decimal, tail = ''] = found;
  const unit = (tail.match(/^[^\s±+]+/)?.[0] ?? '').replace(/^["″]$/, 'in');
  const size = decimal ? Number(decimal) : whole ? Number(whole) + Number(num) / Number(den) : Number(n) / Number(d);
  const step = STEPS[unit] ?? (unit === '' && decimal?.includes('.') ? 0.01 : 1);
  const next = (sign ? -size : size) + steps * step;
  const minus = next < -1e-9 ? '-' : '';
  if (unit === 'in') return `${minus}${sixteenthsText(Math.round(Math.abs(next) * 16))} ${tail || 'in'}`.trim();
  const decimals = Math.max((decimal?.split('.')[1] ?? '').length, (String(step).split('.')[1] ?? '').length);
  return `${minus}${Math.abs(next).toFixed(decimals)} ${tail}`.trim();
}
