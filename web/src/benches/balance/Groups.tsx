import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';
import { TextField } from '../../figure/forms';
import { Table } from '../../parts/Table';
import { Fold } from '../../sheet/Sheet';

interface Row {
  name: string;
  kind: string;
  group?: string;
  mass?: { si: number };
}

/** Which rows belong together, and what each group puts on and takes off. */
export function Groups() {
  const { at, fit } = useProject();
  const ledgers = ['/ledger', ...(fit ? [`/fits/${fit}/ledger`] : [])];
  const rows = ledgers.flatMap((p) =>
    Object.entries((at(p) ?? {}) as Record<string, Row>).map(([key, row]) => ({ pointer: `${p}/${key}`, ...row })),
  );
  if (rows.length === 0) return null;
  return (
    <Fold title="By groups">
      {rows.some((r) => r.group) && <Sums rows={rows} />}
      <Table
        rows={rows}
        id={(r) => r.pointer}
        pointer={(r) => r.pointer}
        columns={[
          {
            id: 'row',
            head: 'Row',
            headClass: '!text-ink',
            cell: (r) => (
              <>
                {r.name} <span className="text-muted">{r.kind}</span>
              </>
            ),
          },
          {
            id: 'group',
            head: 'group',
            cell: (r) => <TextField bare short pointer={`${r.pointer}/group`} label={`group of ${r.name}`} />,
          },
        ]}
      />
    </Fold>
  );
}

function Sums(props: { rows: Row[] }) {
  const { view } = useProject();
  const sums = new Map<string, { on: number; off: number; rows: number; blank: boolean }>();
  for (const r of props.rows) {
    const group = r.group || 'no group';
    const sum = sums.get(group) ?? { on: 0, off: 0, rows: 0, blank: false };
    sum.rows += 1;
    sum.blank ||= r.kind !== 'kept' && r.mass === undefined;
    if (r.kind === 'installed') sum.on += r.mass?.si ?? 0;
    if (r.kind === 'removed') sum.off += r.mass?.si ?? 0;
    sums.set(group, sum);
  }
  const mass = (si: number) => formatNumber(si, 'mass', view);
  return (
    <Table
      rows={[...sums].sort()}
      id={([group]) => group}
      className="mb-2"
      label="sums of the groups"
      columns={[
        {
          id: 'group',
          head: 'Group',
          headClass: '!text-ink',
          cell: ([group, s]) => (
            <>
              {group}
              {s.blank && <span className="text-unknown"> a mass is missing</span>}
            </>
          ),
        },
        { id: 'rows', head: 'rows', num: true, cell: ([, s]) => formatNumber(s.rows, 'count', view) },
        { id: 'off', head: 'off', num: true, cell: ([, s]) => mass(s.off) },
        { id: 'on', head: 'on', num: true, cell: ([, s]) => mass(s.on) },
        { id: 'change', head: 'change', num: true, cell: ([, s]) => mass(s.on - s.off) },
      ]}
    />
  );
}
