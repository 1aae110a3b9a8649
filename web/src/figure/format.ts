import type { Gap, Message, Value, View, Ways, Working } from '../api/client';

const MINUS = '\u2212';
const GAP = '\u00a0';

/** `71.0 kg`, `−6 mm`. Half is rounded away from zero; a rounded zero has no sign. Same rules as the server's. */
export function formatNumber(si: number, dimension: string, view: View): string {
  const spec = view[dimension];
  if (!spec) throw new Error(`no way to print a ${dimension}`);
  const value = (si - spec.offset) / spec.factor;
  const scale = 10 ** spec.decimals;
  const digits = (Math.floor(Math.abs(value) * scale + 0.5 + 1e-9) / scale).toFixed(spec.decimals);
  const sign = value < 0 && Number(digits) !== 0 ? MINUS : '';
  return `${sign}${digits}${spec.unit === '' || spec.unit === '°' ? '' : GAP}${spec.unit}`;
}

/** What the difference of two is of: a ± of 5 K is not −268 °C. Same as the server's. */
export function between(dimension: string): string {
  return dimension === 'temperature' ? 'temperature_rise' : dimension;
}

/** What the sign of a station is called, of the other two of a place, and of a margin. */
export const STATION: Ways = { over: 'aft', under: 'forward' };
export const BUTT_LINE: Ways = { over: 'starboard', under: 'port' };
export const WATER_LINE: Ways = { over: 'up', under: 'down' };
export const MARGIN: Ways = { over: 'inside', under: 'beyond' };

/** A figure whose sign is a direction, in words: `13 mm port`; what prints as nought has none. */
export function directed(si: number, dimension: string, view: View, ways: Ways | null | undefined): string {
  if (!ways) return formatNumber(si, dimension, view);
  const text = formatNumber(Math.abs(si), dimension, view);
  return /[1-9]/.test(text) ? `${text}${GAP}${si < 0 ? ways.under : ways.over}` : text;
}

/** What a number was and is; a direction that stays is said once, at the end. Same rules as the server's. */
export function movedBetween(
  was: number | null | undefined,
  is: number | null | undefined,
  dimension: string,
  view: View,
  ways: Ways | null | undefined,
): [string | null, string | null] {
  const now = is == null ? null : directed(is, dimension, view, ways);
  if (was == null) return [null, now];
  const before = directed(was, dimension, view, ways);
  const stays = ways && is != null && is < 0 === was < 0 && before !== now;
  return [stays ? formatNumber(Math.abs(was), dimension, view) : before, now];
}

/** The same of a headline value. */
export function answerOf(v: Value, view: View): [string | null, string | null] {
  const [before, now] = movedBetween(v.before_si, v.si, v.dimension, view, v.ways);
  return [before, v.text ?? now];
}

/** A message with its slots filled. */
export function sentence(message: Message, view: View): string {
  return message.template.replace(/\{(\w+)\}/g, (whole, name: string) => {
    const slot = message.params[name];
    if (!slot) return whole;
    return slot.text ?? directed(slot.si ?? 0, slot.dimension ?? 'number', view, slot.ways);
  });
}

/** What is missing, or what cannot be used with what was given and what would be accepted. */
export function named(gap: Gap): string {
  if (!gap.given) return gap.what;
  return `${gap.what} (given: ${gap.given}${gap.allowed ? `; accepted: ${gap.allowed}` : ''})`;
}

/** Several of them in a row. */
export function needed(gaps: Gap[]): string {
  return gaps.map(named).join(', ');
}

/** What the text of a formula calls by name. */
const FUNCTIONS = ['sqrt', 'cbrt', 'sin', 'cos', 'tan', 'atan', 'hypot', 'ln', 'max', 'min', 'abs'];

/** A number in the place of a symbol: apart where its minus or its unit would be taken for the formula's. */
function put(told: string, name: string, before: string, after: string): string {
  const less = told.startsWith(MINUS) && !['', '('].includes(before.trimEnd().slice(-1));
  const raised = /^[²³⁴^]/.test(after) && !/^\d+$/.test(told) && told !== name;
  return less || raised ? `(${told})` : told;
}

/** Formula, formula with its numbers, result. */
export function workingLines(working: Working, view: View): [string, string, string] {
  const [symbol = '', expression = ''] = working.text.split('=', 2).map((part) => part.trim());
  // A function keeps its name though a symbol is spelt with one of its letters.
  const shown = new Map(FUNCTIONS.map((name) => [name, name]));
  for (const t of working.terms) shown.set(t.symbol, formatNumber(t.si, t.dimension, view));
  const names = [...shown.keys()].sort((a, b) => b.length - a.length);
  const pattern = new RegExp(names.map((n) => n.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|'), 'g');
  const filled = expression.replace(pattern, (name, at: number) =>
    put(shown.get(name) ?? name, name, expression.slice(0, at), expression.slice(at + name.length)),
  );
  return [`${symbol} = ${expression}`, filled, formatNumber(working.result.si, working.result.dimension, view)];
}
