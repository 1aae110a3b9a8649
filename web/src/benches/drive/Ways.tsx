import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useInstallation } from '../../api/useInstallation';
import { formatNumber, needed } from '../../figure/format';
import { Table } from '../../parts/Table';

type Row = components['schemas']['DriveWayOut'];

/** Ways of driving the wheels, scored openly: what rules one out, what each thing gives, what would turn them round. */
export function Ways() {
  const { id, fit, state, view } = useProject();
  const { id: unit } = useInstallation();
  const found = useQuery({
    queryKey: ['drive-options', id, fit, unit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/drive-options', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none', unit } },
        }),
      ),
    retry: false,
  });
  const m = found.data;
  if (found.error) return <p className="text-stop">{String(found.error.message)}</p>;
  if (!m) return <p className="text-muted">Working it out…</p>;
  if (m.needs?.length) return <p className="text-unknown">Cannot say yet: needs {needed(m.needs)}</p>;
  const said = (si: number | null | undefined, dimension: string) =>
    si == null ? '—' : formatNumber(si, dimension, view);
  const more = m.costs_more ?? null;
  const sooner = m.weeks_sooner ?? null;
  const weeks = (n: number) => `${formatNumber(Math.abs(n), 'count', view)} weeks`;
  const figure = (key: keyof Row, head: string, dimension: string) => ({
    id: key,
    head,
    num: true,
    by: (r: Row) => (r[key] as number | null) ?? null,
    cell: (r: Row) => said(r[key] as number | null, dimension),
  });
  return (
    <>
      <p className="pb-1 text-muted">
        Asked at the wheels, with shock: <span className="figure">{said(m.asked_si, 'torque')}</span>. What is out stays
        on the list; the rest is scored between the best and the worst of what is left, by what counts.
      </p>
      <Table
        label="Ways of driving the wheels side by side"
        rows={m.ways ?? []}
        id={(r) => r.id}
        data={(r) => ({ 'data-way': r.id })}
        columns={[
          { id: 'name', head: 'Way', headClass: '!text-ink', cell: (r) => r.name },
          figure('cost_si', 'cost', 'money'),
          figure('wait_si', 'comes in', 'wait'),
          figure('mass_si', 'mass', 'mass'),
          figure('bears', 'bears of asked', 'percent'),
          {
            id: 'score',
            head: 'score',
            num: true,
            by: (r) => r.score ?? null,
            cell: (r) => (r.out.length > 0 ? 'out' : said(r.score, 'count')),
          },
        ]}
        below={(r) => (
          <span className="text-xs text-muted">
            {r.out.length > 0 && <b className="font-normal text-ink">Out: {r.out.join(', ')}. </b>}
            {r.lacks.length > 0 && <b className="font-normal text-unknown">Not scored: needs {r.lacks.join(', ')}. </b>}
            {r.parts.length > 0 && `${r.parts.map((p) => `${p.name} ${said(p.points, 'count')}`).join(', ')}. `}
            {r.beaten && 'Another is at least as good in everything. '}
            {r.made && `To be made: ${r.made}.`}
          </span>
        )}
      />
      {m.best ? (
        <p className="pt-1">
          First: <b>{m.best}</b>
          {m.second && `, then ${m.second}`}.{' '}
          {more !== null && sooner !== null && (
            <>
              It costs {said(Math.abs(more), 'money')} {more > 0 ? 'more' : 'less'} and comes {weeks(sooner)}{' '}
              {sooner < 0 ? 'later' : 'sooner'}
              {more * sooner > 0 && `: ${said(Math.abs(more / sooner), 'money')} for each week`}.{' '}
            </>
          )}
          {(m.turns ?? []).length === 0 && 'No weight of one thing alone turns that round.'}
          {(m.turns ?? []).length > 0 && 'It turns round: '}
          {m.turns?.map((t) => `with ${said(t.share, 'percent')} of the weight on ${t.name}, ${t.winner}`).join('; ')}
          {(m.turns ?? []).length > 0 && '.'}
        </p>
      ) : (
        <p className="pt-1 text-stop">No way passes.</p>
      )}
    </>
  );
}
