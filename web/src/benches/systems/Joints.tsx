import type { Operation } from '../../api/client';
import { useProject } from '../../api/project';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import { FigureField, type StoredFigure } from '../../figure/FigureField';
import { formatNumber } from '../../figure/format';
import { ChoiceField, TextField } from '../../figure/forms';
import { Table } from '../../parts/Table';

interface Decision {
  done?: string;
  by_whom?: string;
  of_what?: string;
  price?: StoredFigure;
}
const STATUS: Record<string, string> = {
  adapter: 'adapter',
  change: 'changes',
  missing: 'gone',
  new: 'new',
  unmeasured: 'not measured',
};

/** Joints that do not fit, and what becomes of each: decided here, then put with its price on the lists of the fit. */
export function Joints() {
  const { at, edit, fit, view } = useProject();
  const { pointer } = useInstallation();
  const rows = useAssessed()?.systems?.joints ?? [];
  if (!pointer || !fit) return null;
  if (rows.length === 0)
    return (
      <p className="px-4 py-3 text-muted">
        Nothing is compared yet: the ports of the old and the new unit are entered on the Choose bench.
      </p>
    );
  const base = (kind: string) => `${pointer}/systems/joints/${kind}`;
  const decided = (kind: string) => (at(base(kind)) ?? {}) as Decision;
  const there = (list: string, kind: string) =>
    at(`/fits/${fit}/${list}/joint-${kind.replaceAll('_', '-')}`) !== undefined;
  /** The rows that a decision makes: in the ledger (its mass to be weighed), among the money, among the tasks. */
  async function put(kind: string, name: string) {
    const d = decided(kind);
    const key = `joint-${kind.replaceAll('_', '-')}`;
    const line = `${name}: ${d.of_what || d.done}`;
    const price = d.price && { planned: { entered: d.price.entered, source: d.price.source } };
    const made: [string, Record<string, unknown>][] = [
      ['ledger', { name: line, kind: 'installed', group: 'joints' }],
      ['money', { name: line, state: 'open', ...price }],
      ['tasks', { name: `${d.done}: ${name}${d.by_whom ? `, by ${d.by_whom}` : ''}`, caution: '', state: 'open' }],
    ];
    const operations: Operation[] = made
      .filter(([list]) => !there(list, kind))
      .map(([list, value]) => {
        const lines = (at(`/fits/${fit}/${list}`) ?? {}) as Record<string, { rank: number }>;
        const rank = Math.max(0, ...Object.values(lines).map((l) => l.rank)) + 1;
        return { op: 'add', path: `/fits/${fit}/${list}/${key}`, value: { ...value, rank } };
      });
    await edit(operations, `${name} put on the lists`);
  }
  return (
    <section aria-label="Joints that do not fit" className="px-4 pt-2">
      <Table
        rows={rows}
        id={(r) => r.kind}
        pointer={(r) => base(r.kind)}
        columns={[
          {
            id: 'joint',
            head: 'Joints that do not fit',
            headClass: '!text-ink',
            className: 'first-letter:uppercase min-w-28',
            cell: (r) => (
              <>
                {r.name}
                <div className="text-xs text-muted">
                  {STATUS[r.status] ?? r.status}
                  {r.differs.length > 0 && `: ${r.differs.join(', ')}`}
                </div>
              </>
            ),
          },
          {
            id: 'done',
            head: 'is',
            cell: (r) => <ChoiceField bare pointer={`${base(r.kind)}/done`} label={`${r.name}, what is done`} />,
          },
          {
            id: 'by',
            head: 'by whom',
            cell: (r) => <TextField bare short pointer={`${base(r.kind)}/by_whom`} label={`${r.name}, by whom`} />,
          },
          {
            id: 'of',
            head: 'from what',
            cell: (r) => <TextField bare short pointer={`${base(r.kind)}/of_what`} label={`${r.name}, from what`} />,
          },
          {
            id: 'price',
            head: 'price',
            cell: (r) => <FigureField bare pointer={`${base(r.kind)}/price`} label={`${r.name}, price`} />,
          },
          {
            id: 'needed',
            head: 'needed',
            cell: (r) => <FigureField bare pointer={`${base(r.kind)}/needed`} label={`${r.name}, needed`} />,
          },
          {
            id: 'sold',
            head: 'sold in',
            cell: (r) => (
              <>
                <FigureField bare pointer={`${base(r.kind)}/sold_in`} label={`${r.name}, sold in`} />
                {r.pieces != null && (
                  <div className="text-xs text-muted">
                    {r.pieces} to buy, {formatNumber(r.left_si ?? 0, 'length', view)} left
                  </div>
                )}
              </>
            ),
          },
          {
            id: 'lists',
            head: 'lists',
            cell: (r) =>
              decided(r.kind).done && decided(r.kind).done !== 'kept' ? (
                ['ledger', 'money', 'tasks'].every((list) => there(list, r.kind)) ? (
                  <span className="text-xs text-muted">there</span>
                ) : (
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`put the ${r.name} into ledger, money and tasks`}
                    onClick={() => void put(r.kind, r.name)}
                  >
                    put
                  </button>
                )
              ) : null,
          },
        ]}
      />
    </section>
  );
}
