import { type ReactNode, useState } from 'react';
import type { LibraryItem, View } from '../api/client';
import { formatNumber } from '../figure/format';

interface Heading {
  label: string;
  /** By what it is put in order; text from a to z, numbers from the most. */
  by: (item: LibraryItem) => string | number | null;
  num?: boolean;
}

function headings(view: View): Heading[] {
  return [
    { label: 'unit', by: (i) => i.name.toLowerCase() },
    { label: 'kind', by: (i) => i.kind ?? null },
    { label: 'lasting power', by: (i) => i.lasting_si, num: true },
    { label: 'at', by: (i) => i.speed_si, num: true },
    { label: 'mass', by: (i) => i.mass_si, num: true },
    { label: perPower(view), by: (i) => ratio(i, view), num: true },
    { label: 'price', by: (i) => i.cost_si, num: true },
    { label: 'wait', by: (i) => i.wait_si, num: true },
    { label: 'parts', by: (i) => i.parts_si, num: true },
  ];
}

/** `kg/kW`, `lb/hp`: what each unit of its power weighs. */
function perPower(view: View): string {
  return `${view.mass?.unit}/${view.power?.unit}`;
}

function ratio(i: LibraryItem, view: View): number | null {
  if (i.mass_si == null || !i.lasting_si) return null;
  return i.mass_si / (view.mass?.factor ?? 1) / (i.lasting_si / (view.power?.factor ?? 1));
}

/** Units of the library as rows: found by a word or a kind, in the order of any column. */
export function UnitTable(props: {
  items: LibraryItem[];
  view: View;
  /** Least lasting power, W, that may be asked for; null where none is wanted. */
  needed: number | null;
  first: (item: LibraryItem) => ReactNode;
  last?: (item: LibraryItem) => ReactNode;
}) {
  const { view } = props;
  const [word, setWord] = useState('');
  const [kind, setKind] = useState('');
  const [enough, setEnough] = useState(false);
  const [order, setOrder] = useState<{ column: number; turned: boolean }>({ column: 0, turned: false });
  const heads = headings(view);
  const kinds = [...new Set(props.items.map((i) => i.kind).filter((k): k is string => !!k))].sort();
  const words = word.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = props.items
    .filter((i) => words.every((w) => `${i.name} ${i.kind ?? ''} ${i.layout ?? ''}`.toLowerCase().includes(w)))
    .filter((i) => kind === '' || i.kind === kind)
    .filter((i) => !enough || (i.lasting_si ?? 0) >= (props.needed ?? 0))
    .sort((a, b) => compared(heads[order.column] as Heading, a, b) * (order.turned ? -1 : 1));
  const said = (si: number | null | undefined, dimension: string) =>
    si == null ? <span className="text-muted">?</span> : formatNumber(si, dimension, view);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 py-2">
        <label>
          Find{' '}
          <input
            className="w-44 border border-rule bg-sheet px-1.5 py-0.5"
            value={word}
            onChange={(e) => setWord(e.target.value)}
          />
        </label>
        <label>
          Kind{' '}
          <select
            className="border-b border-rule bg-transparent py-0.5"
            value={kind}
            onChange={(e) => setKind(e.target.value)}
          >
            <option value="">any</option>
            {kinds.map((k) => (
              <option key={k}>{k}</option>
            ))}
          </select>
        </label>
        {props.needed !== null && (
          <label>
            <input type="checkbox" checked={enough} onChange={(e) => setEnough(e.target.checked)} /> with{' '}
            {formatNumber(props.needed, 'power', view)} that last, low down
          </label>
        )}
        <span role="status" className="text-muted">
          {shown.length} of {props.items.length}
        </span>
      </div>
      <div className="overflow-x-auto">
        <table className="row-table" aria-label="units of the library">
          <thead>
            <tr>
              {heads.map((h, c) => (
                <th
                  key={h.label}
                  scope="col"
                  className={h.num ? '!text-right' : ''}
                  aria-sort={order.column === c ? (order.turned === !!h.num ? 'ascending' : 'descending') : undefined}
                >
                  <button
                    type="button"
                    className={`quiet ${order.column === c ? '!text-ink' : '!text-muted'}`}
                    onClick={() => setOrder({ column: c, turned: order.column === c && !order.turned })}
                  >
                    {h.label}
                  </button>
                </th>
              ))}
              {props.last && <th scope="col">used in</th>}
            </tr>
          </thead>
          <tbody>
            {shown.map((i) => (
              <tr key={i.id} className="border-b border-rule" data-unit={i.id}>
                <td className="w-full min-w-52">{props.first(i)}</td>
                <td className="whitespace-nowrap">
                  {i.kind ?? '?'}
                  {i.layout ? `, ${i.layout}` : ''}
                  {i.cylinders_si ? ` ${formatNumber(i.cylinders_si, 'count', view)}` : ''}
                </td>
                <td className="num">{said(i.lasting_si, 'power')}</td>
                <td className="num pl-3">{said(i.speed_si, 'rotation')}</td>
                <td className="num pl-3">
                  {said(i.mass_si, 'mass')}
                  {i.condition && <span className="text-muted"> {SHORT[i.condition] ?? i.condition}</span>}
                </td>
                <td className="num pl-3">{said(ratio(i, view), 'number')}</td>
                <td className="num pl-3">{said(i.cost_si, 'money')}</td>
                <td className="num pl-3">{said(i.wait_si, 'wait')}</td>
                <td className="num pl-3">{said(i.parts_si, 'count')}</td>
                {props.last && <td>{props.last(i)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown.length === 0 && <p className="py-3 text-muted">No unit by that.</p>}
    </>
  );
}

/** For room; the whole word stands on the unit's sheet. */
const SHORT: Record<string, string> = { 'ready to run': 'ready' };

function compared(heading: Heading, a: LibraryItem, b: LibraryItem): number {
  const x = heading.by(a);
  const y = heading.by(b);
  // What is not known comes last either way the column is asked for first.
  if (x === null || y === null) return x === y ? 0 : x === null ? 1 : -1;
  return typeof x === 'string' ? x.localeCompare(String(y)) : Number(y) - x;
}
