import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';
import { TextField } from '../../figure/forms';
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
      <table className="row-table">
        <thead>
          <tr>
            <th scope="col" className="w-full !text-ink">
              Row
            </th>
            <th scope="col">group</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.pointer}>
              <td>
                {r.name} <span className="text-muted">{r.kind}</span>
              </td>
              <td>
                <TextField bare short pointer={`${r.pointer}/group`} label={`group of ${r.name}`} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
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
    <table className="row-table mb-2" aria-label="sums of the groups">
      <thead>
        <tr>
          <th scope="col" className="w-full !text-ink">
            Group
          </th>
          <th scope="col">rows</th>
          <th scope="col">off</th>
          <th scope="col">on</th>
          <th scope="col">change</th>
        </tr>
      </thead>
      <tbody>
        {[...sums].sort().map(([group, s]) => (
          <tr key={group}>
            <td>
              {group}
              {s.blank && <span className="text-unknown"> a mass is missing</span>}
            </td>
            <td className="num pl-4">{formatNumber(s.rows, 'count', view)}</td>
            <td className="num pl-4">{mass(s.off)}</td>
            <td className="num pl-4">{mass(s.on)}</td>
            <td className="num pl-4">{mass(s.on - s.off)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
