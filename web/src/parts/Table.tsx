import {
  columnVisibilityFeature,
  createSortedRowModel,
  type RowData,
  rowSortingFeature,
  type SortingState,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type CSSProperties,
  Fragment,
  memo,
  type ReactNode,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { onReveal } from './reveal';

/** One column: what its heading and its cells show. */
export interface TableColumn<R> {
  id: string;
  head: ReactNode;
  cell: (row: R, index: number) => ReactNode;
  /** Figures: to the right, in their own face. */
  num?: boolean;
  /** Takes what room is left; the first column does unless another says so. */
  wide?: boolean;
  className?: string | ((row: R) => string);
  headClass?: string;
  /** By what its heading puts the rows in order; what is not known comes last either way. */
  by?: (row: R) => string | number | null;
}

export interface TableProps<R> {
  rows: readonly R[];
  id: (row: R) => string;
  columns: readonly (TableColumn<R> | false | null | undefined)[];
  label?: string;
  /** A line across the whole table under a row. */
  below?: (row: R, index: number) => ReactNode;
  rowClass?: (row: R) => string;
  /** `data-…` attributes of a row. */
  data?: (row: R) => Record<`data-${string}`, string | undefined>;
  /** The place in the document that a row stands for, so that a field in it is found when it is not drawn. */
  pointer?: (row: R) => string;
  /** Rows before and after those of the list, as they stand. */
  first?: ReactNode;
  last?: ReactNode;
  className?: string;
}

const FEATURES = tableFeatures({
  columnVisibilityFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
});
/** More rows than these are drawn only where they are looked at. */
const DRAWN_WHOLE = 80;
const ROW_PX = 30;

/** Every table of the benches: rows by columns, put in order by a heading where it can be, long ones drawn in part. */
export function Table<R extends RowData>(props: TableProps<R>) {
  const { rows, id } = props;
  const columns = props.columns.filter((c): c is TableColumn<R> => !!c);
  const [sorting, setSorting] = useState<SortingState>([]);
  const sortable = columns.filter((c) => c.by);
  const known = sortable.map((c) => c.id).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what a column is put in order by does not change with its cells
  const defs = useMemo(
    () =>
      sortable.map((c) => ({
        id: c.id,
        accessorFn: (row: R) => c.by?.(row) ?? undefined,
        sortUndefined: 'last' as const,
        sortFn: (a: { getValue: (id: string) => unknown }, b: { getValue: (id: string) => unknown }) =>
          compared(a.getValue(c.id), b.getValue(c.id)),
        sortDescFirst: !!c.num,
      })),
    [known],
  );
  const data = useMemo(() => [...rows], [rows]);
  const table = useTable({
    features: FEATURES,
    columns: defs,
    data,
    getRowId: id,
    state: { sorting },
    onSortingChange: setSorting,
    enableSortingRemoval: false,
  });
  const ordered = table.getRowModel().rows.map((r) => r.original as R);
  const span = columns.length;
  const line = (row: R, index: number) => {
    const under = props.below?.(row, index);
    return (
      <Fragment key={id(row)}>
        <tr className={props.rowClass?.(row)} {...props.data?.(row)}>
          {columns.map((c) => (
            <td key={c.id} className={classOf(c, row)}>
              {c.cell(row, index)}
            </td>
          ))}
        </tr>
        {under && (
          <tr className="text-muted">
            <td colSpan={span} className="pb-2 text-xs">
              {under}
            </td>
          </tr>
        )}
      </Fragment>
    );
  };
  const head = (
    <thead>
      <tr>
        {columns.map((c, i) => {
          const order = sorting.find((s) => s.id === c.id);
          const wide = c.wide ?? (i === 0 && !columns.some((o) => o.wide));
          return (
            <th
              key={c.id}
              scope="col"
              className={`${wide ? 'w-full' : ''} ${c.num ? '!text-right' : ''} ${c.headClass ?? ''}`}
              aria-sort={order ? (order.desc ? 'descending' : 'ascending') : undefined}
            >
              {c.by ? (
                <button
                  type="button"
                  className={`quiet ${order ? '!text-ink' : '!text-muted'}`}
                  onClick={() => table.getColumn(c.id)?.toggleSorting()}
                >
                  {c.head}
                </button>
              ) : (
                c.head
              )}
            </th>
          );
        })}
      </tr>
    </thead>
  );
  const frame = { head, label: props.label, className: props.className, first: props.first, last: props.last };
  if (ordered.length <= DRAWN_WHOLE) return <Whole {...frame}>{ordered.map(line)}</Whole>;
  return <InPart {...frame} rows={ordered} line={line} span={span} pointer={props.pointer} />;
}

interface Frame {
  head: ReactNode;
  label?: string;
  className?: string;
  first?: ReactNode;
  last?: ReactNode;
}

function Whole(props: Frame & { children: ReactNode }) {
  return (
    <table className={`row-table ${props.className ?? ''}`} aria-label={props.label}>
      {props.head}
      <tbody>
        {props.first}
        {props.children}
        {props.last}
      </tbody>
    </table>
  );
}

type Drawn = (row: unknown, index: number) => ReactNode;

/** A row that stays as it is while others are scrolled into view. */
const Line = memo(function Line(props: { line: Drawn; row: unknown; index: number }) {
  return props.line(props.row, props.index);
});

/** A long list in a window of its own: the rows that are seen, and room for the others. */
function InPart<R>(
  props: Frame & {
    rows: R[];
    line: (row: R, index: number) => ReactNode;
    span: number;
    pointer?: (row: R) => string;
  },
) {
  const box = useRef<HTMLDivElement>(null);
  const list = useVirtualizer({
    count: props.rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 10,
  });
  const { rows, pointer } = props;
  useEffect(
    () =>
      onReveal((wanted) => {
        const at = rows.findIndex((r) => pointer && (wanted === pointer(r) || wanted.startsWith(`${pointer(r)}/`)));
        if (at >= 0) list.scrollToIndex(at, { align: 'center' });
        return at >= 0;
      }),
    [rows, pointer, list],
  );
  // Laid out once by what the first rows want, then held: a browser would measure every row anew at each step.
  const [widths, setWidths] = useState<number[] | null>(null);
  useLayoutEffect(() => {
    if (widths || !box.current) return;
    setWidths([...box.current.querySelectorAll('thead th')].map((th) => th.getBoundingClientRect().width));
  }, [widths]);
  const seen = list.getVirtualItems();
  const before = seen[0]?.start ?? 0;
  const after = list.getTotalSize() - (seen.at(-1)?.end ?? 0);
  const room = (height: number): CSSProperties => ({ height, padding: 0 });
  return (
    <div ref={box} className="long-table" data-rows={rows.length}>
      <table
        className={`row-table ${props.className ?? ''}`}
        aria-label={props.label}
        aria-rowcount={rows.length}
        style={{ tableLayout: widths ? 'fixed' : 'auto' }}
      >
        {widths && (
          <colgroup>
            {widths.map((w, i) => (
              <col key={String(i)} style={{ width: i === 0 ? undefined : w }} />
            ))}
          </colgroup>
        )}
        {props.head}
        <tbody>
          {props.first}
          {before > 0 && (
            <tr aria-hidden>
              <td colSpan={props.span} style={room(before)} />
            </tr>
          )}
          {seen.map((item) => (
            <Line key={item.key} line={props.line as Drawn} row={rows[item.index]} index={item.index} />
          ))}
          {after > 0 && (
            <tr aria-hidden>
              <td colSpan={props.span} style={room(after)} />
            </tr>
          )}
          {props.last}
        </tbody>
      </table>
    </div>
  );
}

function classOf<R>(column: TableColumn<R>, row: R): string {
  const own = typeof column.className === 'function' ? column.className(row) : (column.className ?? '');
  return `${column.num ? 'num pl-2' : ''} ${own}`.trim();
}

function compared(a: unknown, b: unknown): number {
  return typeof a === 'string' ? a.localeCompare(String(b)) : Number(a) - Number(b);
}
