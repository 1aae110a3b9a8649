import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { useInstallation } from '../../api/useInstallation';
import { needed } from '../../figure/format';
import { Table } from '../../parts/Table';

/** Each part of the circuit lost in turn: what stops, what still runs. */
export function OneLost() {
  const { id, fit, state } = useProject();
  const { id: unit } = useInstallation();
  const found = useQuery({
    queryKey: ['one-lost', id, fit, unit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/one-lost', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none', unit } },
        }),
      ),
    retry: false,
  });
  const m = found.data;
  if (found.error) return <p className="text-stop">{String(found.error.message)}</p>;
  if (!m) return <p className="text-muted">Asking…</p>;
  if (m.needs?.length) return <p className="text-unknown">Cannot say yet: needs {needed(m.needs)}</p>;
  return (
    <>
      {(m.never ?? []).length > 0 && <p className="text-stop">Nothing feeds: {m.never?.join(', ')}.</p>}
      <Table
        rows={m.parts ?? []}
        id={(p) => p.id}
        columns={[
          {
            id: 'part',
            head: 'Lost',
            headClass: '!text-ink',
            className: 'first-letter:uppercase',
            cell: (p) => p.name,
          },
          {
            id: 'stops',
            head: 'stops',
            className: (p) => (p.stops.length > 1 ? 'text-stop' : p.stops.length ? 'text-watch' : ''),
            cell: (p) => p.stops.join(', ') || 'nothing',
          },
          { id: 'runs', head: 'still runs', cell: (p) => p.runs.join(', ') || 'nothing' },
        ]}
      />
    </>
  );
}
