import { useProject, useShown } from '../../api/project';
import type { StoredFigure } from '../../figure/FigureField';
import { formatNumber, needed } from '../../figure/format';

const ENDS = ['front', 'rear'] as const;

/** Load on each axle in each loading as a bar to the plate: before hollow, after filled, what passes the plate red. */
export function AxleLoads() {
  const { at, view } = useProject();
  const { shown } = useShown();
  const states = shown.balance?.axles ?? [];
  const plate = { front: siOf(at('/craft/limits/front_axle')), rear: siOf(at('/craft/limits/rear_axle')) };
  const loads = states.flatMap((s) => [s.front_si, s.rear_si, s.front_before_si, s.rear_before_si]);
  const most = Math.max(1, ...loads.map((l) => l ?? 0), plate.front ?? 0, plate.rear ?? 0) * 1.02;
  return (
    <div className="bg-sheet px-3.5 pb-2">
      <table className="w-full">
        <thead>
          <tr className="text-left text-xs text-muted">
            <th className="w-40 font-normal">loading</th>
            {ENDS.map((end) => (
              <th key={end} className="font-normal">
                {end} axle{plate[end] != null && `, plate ${formatNumber(plate[end] ?? 0, 'mass', view)}`}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {states.map((s) => (
            <tr key={s.id} className="border-t border-rule align-middle">
              <td className="py-1 pr-3 leading-tight">{s.name}</td>
              {ENDS.map((end) => {
                const after = end === 'front' ? s.front_si : s.rear_si;
                const before = end === 'front' ? s.front_before_si : s.rear_before_si;
                return (
                  <td key={end} className="py-1 pr-4">
                    {after == null ? (
                      <span className="text-xs text-unknown">cannot say yet: needs {needed(s.needs)}</span>
                    ) : (
                      <Bar after={after} before={before ?? null} plate={plate[end]} most={most} />
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Bar(props: { after: number; before: number | null; plate: number | null; most: number }) {
  const { view } = useProject();
  const share = (si: number) => `${(100 * si) / props.most}%`;
  const over = props.plate != null && props.after > props.plate;
  return (
    <div className="flex items-center gap-2">
      <div className="relative h-4 flex-1">
        {props.before != null && (
          <div className="absolute inset-y-0 left-0 border border-grey" style={{ width: share(props.before) }} />
        )}
        <div
          className={`absolute inset-y-1 left-0 ${over ? 'bg-stop' : 'bg-act'}`}
          style={{ width: share(props.after) }}
        />
        {props.plate != null && (
          <div className="absolute -inset-y-0.5 w-0.5 bg-ink" style={{ left: share(props.plate) }} />
        )}
      </div>
      <span className={`figure w-20 text-right text-xs ${over ? 'text-stop' : ''}`}>
        {formatNumber(props.after, 'mass', view)}
      </span>
    </div>
  );
}

function siOf(value: unknown): number | null {
  return (value as StoredFigure | undefined)?.si ?? null;
}
