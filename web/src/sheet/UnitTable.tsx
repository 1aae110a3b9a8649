import { type ReactNode, useState } from 'react';
import type { LibraryItem, View } from '../api/client';
import { formatNumber } from '../figure/format';
import { Table } from '../parts/Table';

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
  const kinds = [...new Set(props.items.map((i) => i.kind).filter((k): k is string => !!k))].sort();
  const words = word.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = props.items
    .filter((i) => words.every((w) => `${i.name} ${i.kind ?? ''} ${i.layout ?? ''}`.toLowerCase().includes(w)))
    .filter((i) => kind === '' || i.kind === kind)
    .filter((i) => !enough || (i.lasting_si ?? 0) >= (props.needed ?? 0));
  const said = (si: number | null | undefined, dimension: string) =>
    si == null ? <span className="text-muted">?</span> : formatNumber(si, dimension, view);
  const figures = (head: string, by: (i: LibraryItem) => number | null, dimension: string) => ({
    id: head,
    head,
    num: true,
    by,
    cell: (i: LibraryItem) => said(by(i), dimension),
  });
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
        <Table
          rows={shown}
          id={(i) => i.id}
          label="units of the library"
          rowClass={() => 'border-b border-rule'}
          data={(i) => ({ 'data-unit': i.id })}
          columns={[
            { id: 'unit', head: 'unit', by: (i) => i.name, className: 'min-w-52', cell: props.first },
            {
              id: 'kind',
              head: 'kind',
              by: (i) => i.kind ?? null,
              className: 'whitespace-nowrap',
              cell: (i) => (
                <>
                  {i.kind ?? '?'}
                  {i.layout ? `, ${i.layout}` : ''}
                  {i.cylinders_si ? ` ${formatNumber(i.cylinders_si, 'count', view)}` : ''}
                </>
              ),
            },
            figures('lasting power', (i) => i.lasting_si, 'power'),
            figures('at', (i) => i.speed_si, 'rotation'),
            {
              ...figures('mass', (i) => i.mass_si, 'mass'),
              cell: (i) => (
                <>
                  {said(i.mass_si, 'mass')}
                  {i.condition && <span className="text-muted"> {SHORT[i.condition] ?? i.condition}</span>}
                </>
              ),
            },
            figures(perPower(view), (i) => ratio(i, view), 'number'),
            figures('price', (i) => i.cost_si, 'money'),
            figures('wait', (i) => i.wait_si, 'wait'),
            figures('parts', (i) => i.parts_si, 'count'),
            props.last && { id: 'used', head: 'used in', cell: props.last },
          ]}
        />
      </div>
      {shown.length === 0 && <p className="py-3 text-muted">No unit by that.</p>}
    </>
  );
}

/** For room; the whole word stands on the unit's sheet. */
const SHORT: Record<string, string> = { 'ready to run': 'ready' };
