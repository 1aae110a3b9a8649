import type { Operation, Port } from '../../api/client';
import { useProject } from '../../api/project';
import { useAssessed } from '../../api/useInstallation';
import { Table } from '../../parts/Table';

const STATUS: Record<string, string> = {
  same: 'same',
  adapter: 'adapter',
  change: 'changes',
  missing: 'gone',
  new: 'new',
  unmeasured: 'not measured',
};

type Place = 'money' | 'ledger' | 'tasks';
const PLACES: { place: Place; there: 'money' | 'ledger' | 'kept'; head: string; words: string }[] = [
  { place: 'money', there: 'money', head: 'money', words: 'on the list of money' },
  { place: 'ledger', there: 'ledger', head: 'ledger', words: 'into the ledger, its mass and place to be measured' },
  { place: 'tasks', there: 'kept', head: 'task', words: 'among the tasks of the build' },
];
/** What a port puts on a list: a line of money, a row of the ledger, a task with what to mind. */
function proposed(place: Place, port: Port): Record<string, unknown> {
  if (place === 'tasks') return { name: port.task, caution: port.caution, state: 'open' };
  if (place === 'money') return { name: port.line, state: 'open' };
  return { name: port.line, kind: port.status === 'missing' ? 'removed' : 'installed', group: 'ports' };
}

/** Port by port what will not match, and what that asks for: each at a press onto the list it belongs to, or all at once. */
export function Ports() {
  const { edit, fit, at } = useProject();
  const out = useAssessed();
  const rows = out?.choose?.ports ?? [];
  if (!fit || rows.length === 0) return null;
  async function put(place: Place, ports: Port[], summary: string) {
    const base = `/fits/${fit}/${place}`;
    const lines = (at(base) ?? {}) as Record<string, { rank: number }>;
    const taken = new Set(Object.keys(lines));
    let rank = Math.max(0, ...Object.values(lines).map((l) => l.rank));
    const operations = ports.map((port): Operation => {
      let n = 1;
      const stem = port.kind.replaceAll('_', '-');
      while (taken.has(n === 1 ? stem : `${stem}-${n}`)) n += 1;
      const key = n === 1 ? stem : `${stem}-${n}`;
      taken.add(key);
      rank += 1;
      return { op: 'add', path: `${base}/${key}`, value: { ...proposed(place, port), rank } };
    });
    await edit(operations, summary);
  }
  const open = (there: 'money' | 'ledger' | 'kept') => rows.filter((r) => r.status !== 'same' && !r[there]);
  return (
    <section aria-label="Port by port" className="px-4 pt-3">
      <Table
        rows={rows}
        id={(r) => r.kind}
        data={(r) => ({ 'data-port': r.kind, 'data-status': r.status })}
        columns={[
          {
            id: 'port',
            head: 'Port by port, old to new',
            headClass: '!text-ink',
            className: 'whitespace-nowrap first-letter:uppercase',
            cell: (r) => r.name,
          },
          {
            id: 'status',
            head: 'what comes of it',
            className: (r) =>
              `whitespace-nowrap ${r.status === 'same' ? 'text-ok' : r.status === 'unmeasured' ? 'text-unknown' : 'text-watch'}`,
            cell: (r) => STATUS[r.status],
          },
          {
            id: 'differs',
            head: 'differs, or is not measured',
            headClass: 'w-[42%]',
            wide: false,
            cell: (r) => (
              <>
                {r.differs.join(', ')}
                {r.blank.length > 0 && (
                  <span className="text-unknown">
                    {r.differs.length > 0 ? '; ' : ''}not measured: {r.blank.join(', ')}
                  </span>
                )}
              </>
            ),
          },
          {
            id: 'buy',
            head: 'buy',
            headClass: 'w-[38%]',
            className: 'text-muted',
            cell: (r) => (r.status === 'same' ? '' : r.buy),
          },
          ...PLACES.map((p) => ({
            id: p.place,
            head:
              open(p.there).length > 1 ? (
                <button
                  type="button"
                  className="quiet"
                  aria-label={`put all ${open(p.there).length} ${p.words}`}
                  title={`put all ${open(p.there).length} ${p.words}`}
                  onClick={() => void put(p.place, open(p.there), `${open(p.there).length} ports ${p.words}`)}
                >
                  {p.head}
                </button>
              ) : (
                p.head
              ),
            cell: (r: (typeof rows)[number]) =>
              r.status !== 'same' &&
              (r[p.there] ? (
                <span className="text-xs text-muted">there</span>
              ) : (
                <button
                  type="button"
                  className="quiet"
                  aria-label={`put the ${r.name} ${p.words}`}
                  onClick={() => void put(p.place, [r], `${r.line} ${p.words}`)}
                >
                  put
                </button>
              )),
          })),
        ]}
      />
    </section>
  );
}
