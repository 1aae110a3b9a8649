import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useInstallation } from '../../api/useInstallation';
import { formatNumber, needed } from '../../figure/format';
import { Mark } from '../../findings/Mark';
import { Table } from '../../parts/Table';
import { useTake } from './useTake';

type Row = components['schemas']['RatioOut'];

/** Ratios in which gears are sold: with each the propeller that suits it best, and how fast she then goes. */
export function Ratios() {
  const { id, fit, state, view } = useProject();
  const { take, taking } = useTake();
  const { id: unit } = useInstallation();
  const found = useQuery({
    queryKey: ['gear-ratios', id, fit, unit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/gear-ratios', {
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
  const rows = m.ratios ?? [];
  const fastest = Math.max(0, ...rows.map((r) => r.boat_si ?? 0));
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
        Each with {m.blades} blades, the whole inch of diameter that drives her fastest with the unit at its rated
        speed, the pitch that takes its torque, and as much blade as the thrust asks for.{' '}
        {m.measured
          ? 'No larger than leaves the tips clear of the hull.'
          : 'No larger than the propeller that there is: the room under the hull was not measured.'}{' '}
        By the open-water series, from memory: full throttle afloat, loaded and clean, settles it.
      </p>
      <Table
        label="Gear ratios side by side"
        rows={rows}
        id={(r) => r.id}
        data={(r) => ({ 'data-ratio': r.id, 'data-level': r.level })}
        columns={[
          {
            id: 'ratio',
            head: 'Ratio',
            headClass: '!text-ink',
            cell: (r) => (
              <span className="inline-flex items-baseline gap-2">
                <Mark level={r.level} />
                <span>
                  {said(r.ratio, 'number')}
                  {r.own && ', as entered'}
                  {r.boat_si === fastest && fastest > 0 && ', fastest'}
                </span>
              </span>
            ),
          },
          figure('diameter_si', 'diameter', 'length'),
          figure('pitch_si', 'pitch', 'length'),
          figure('area', 'blade area', 'percent'),
          figure('boat_si', 'she makes', 'sea_speed'),
          figure('efficiency', 'efficiency', 'percent'),
          {
            id: 'take',
            head: '',
            cell: (r) =>
              r.operations.length > 0 && (
                <button
                  type="button"
                  className="quiet"
                  disabled={taking}
                  aria-label={`take ratio ${r.id}`}
                  onClick={() => void take(r.operations, `ratio ${r.id} and its propeller taken`)}
                >
                  take
                </button>
              ),
          },
        ]}
        below={(r) => (
          <span className="text-xs text-muted">
            {r.against.length > 0 && <b className="font-normal text-ink">{r.against.join('; ')}. </b>}
            Shaft {said(r.shaft_si, 'rotation')}, room for {said(r.most_si, 'length')}
            {r.slip != null && `, slip ${said(r.slip, 'percent')}`}.
          </span>
        )}
      />
    </>
  );
}
