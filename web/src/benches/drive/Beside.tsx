import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useInstallation } from '../../api/useInstallation';
import { formatNumber, needed } from '../../figure/format';
import { Mark } from '../../findings/Mark';
import { Table } from '../../parts/Table';
import { useTake } from './useTake';

type Row = components['schemas']['BesideOut'];

/** Propellers side by side: the own, as many blades as there may be at its diameter, and an invented shelf. */
export function Beside() {
  const { id, fit, state, view } = useProject();
  const { take, taking } = useTake();
  const { id: unit } = useInstallation();
  const found = useQuery({
    queryKey: ['propellers', id, fit, unit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/propellers', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none', unit } },
        }),
      ),
    retry: false,
  });
  const m = found.data;
  if (found.error) return <p className="text-stop">{String(found.error.message)}</p>;
  if (!m) return <p className="text-muted">Working them out…</p>;
  if (m.needs?.length) return <p className="text-unknown">Cannot say yet: needs {needed(m.needs)}</p>;
  const said = (si: number | null | undefined, dimension: string) =>
    si == null ? '—' : formatNumber(si, dimension, view);
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
        One generic blade stands for all of them: it says which is better, not how good. Pitch is that which turns the
        unit as it should, where none is given. The shelf is invented; what a maker offers is laid in by its figures.
      </p>
      {(m.schools ?? []).length > 0 && (
        <p className="pb-1">
          Largest by tip Mach:{' '}
          {m.schools?.map((s, i) => (
            <span key={s.mach} data-school={s.mach}>
              {i > 0 && '; '}
              {said(s.mach, 'number')}
              {s.chosen && ' (judged by)'} <span className="figure">{said(s.standing_si, 'length')}</span> standing
              {s.flying_si != null && (
                <>
                  , <span className="figure">{said(s.flying_si, 'length')}</span> at its fastest
                </>
              )}
            </span>
          ))}
          .
        </p>
      )}
      <Table
        label="Propellers side by side"
        rows={m.propellers ?? []}
        id={(r) => r.id}
        data={(r) => ({ 'data-propeller': r.id, 'data-level': r.level })}
        columns={[
          {
            id: 'name',
            head: 'Propeller',
            headClass: '!text-ink',
            cell: (r) => (
              <span className="inline-flex items-baseline gap-2">
                <Mark level={r.level} />
                <span>
                  {r.blades} blades, {r.name}
                </span>
              </span>
            ),
          },
          figure('diameter_si', 'diameter', 'length'),
          figure('pitch_si', 'pitch', 'length'),
          figure('standing_si', 'standing', 'rotation'),
          figure('climbing_si', 'in the climb', 'rotation'),
          figure('standing_thrust_si', 'pulls standing', 'force'),
          figure('climbing_thrust_si', 'in the climb', 'force'),
          {
            id: 'take',
            head: '',
            cell: (r) =>
              r.operations.length > 0 && (
                <button
                  type="button"
                  className="quiet"
                  disabled={taking}
                  aria-label={`take ${r.blades} blades, ${r.name}`}
                  onClick={() => void take(r.operations, `propeller taken: ${r.name}, ${r.blades} blades`)}
                >
                  take
                </button>
              ),
          },
        ]}
        below={(r) => (
          <span className="text-xs text-muted">
            {r.against.length > 0 && <b className="font-normal text-ink">{r.against.join('; ')}. </b>}
            Tip Mach {said(r.mach, 'number')}, {said(r.clearance_si, 'length')} over the ground,{' '}
            {said(r.angle_si, 'angle')} at three quarters, {said(r.stalled, 'percent')} of the outer blade stalled
            standing; activity factor {said(r.activity, 'count')}, solidity {said(r.solidity, 'number')}
            {r.mass_si != null && `, ${said(r.mass_si, 'mass')}`}.
          </span>
        )}
      />
    </>
  );
}
