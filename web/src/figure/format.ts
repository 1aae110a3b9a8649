import type { Gap, Message, View, Working } from '../api/client';

const MINUS = '\u2212';
const GAP = '\u00a0';

/** `71.0 kg`, `−6 mm`. Half is rounded away from zero; a rounded zero has no sign. Same rules as the server's. */
export function formatNumber(si: number, dimension: string, view: View): string {
  const spec = view[dimension];
  if (!spec) throw new Error(`no way to print a ${dimension}`);
  const value = si / spec.factor;
  const scale = 10 ** spec.decimals;
  const digits = (Math.floor(Math.abs(value) * scale + 0.5 + 1e-9) / scale).toFixed(spec.decimals);
  const sign = value < 0 && Number(digits) !== 0 ? MINUS : '';
  return `${sign}${digits}${spec.unit === '' || spec.unit === '°' ? '' : GAP}${spec.unit}`;
}

/** A figure whose sign is a direction, in words: `13 mm port`; what prints as nought has none. */
export function directed(si: number, dimension: string, view: View, over: string, under: string): string {
  const text = formatNumber(Math.abs(si), dimension, view);
  if (Number.parseFloat(text) === 0) return text;
  return `${text}${GAP}${si < 0 ? under : over}`;
}

/** A message with its slots filled. */
export function sentence(message: Message, view: View): string {
  return message.template.replace(/\{(\w+)\}/g, (whole, name: string) => {
    const slot = message.params[name];
    if (!slot) return whole;
    return slot.text ?? formatNumber(slot.si ?? 0, slot.dimension ?? 'number', view);
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

/** Formula, formula with its numbers, result. */
export function workingLines(working: Working, view: View): [string, string, string] {
  const [symbol = '', expression = ''] = working.text.split('=', 2).map((part) => part.trim());
  const shown = new Map(working.terms.map((t) => [t.symbol, formatNumber(t.si, t.dimension, view)]));
  const names = [...shown.keys()].sort((a, b) => b.length - a.length);
  const pattern = new RegExp(names.map((n) => n.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|'), 'g');
  const filled = names.length ? expression.replace(pattern, (name) => shown.get(name) ?? name) : expression;
  return [`${symbol} = ${expression}`, filled, formatNumber(working.result.si, working.result.dimension, view)];
}
