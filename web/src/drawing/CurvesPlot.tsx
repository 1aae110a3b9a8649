import { scaleLinear } from 'd3-scale';
import { useSheet } from '../api/sheet';
import { formatNumber } from '../figure/format';

const WIDTH = 400;
const HEIGHT = 210;
const DASHES = ['', '7 3', '2 3', '9 3 2 3', '4 4', '1 4', '12 4'];

interface Drawn {
  id: string;
  name: string;
  curve: { speed_si: number; torque_si: number; power_si: number }[];
}

function strokeOf(units: Drawn[], id: string) {
  if (id === 'none') return { stroke: 'var(--color-grey)' };
  const place = units.filter((u) => u.id !== 'none').findIndex((u) => u.id === id);
  return { stroke: 'var(--color-act)', strokeDasharray: DASHES[place % DASHES.length] || undefined };
}

/** Which line is whose. */
export function CurvesKey(props: { units: Drawn[] }) {
  return (
    <p className="flex flex-wrap gap-x-5 text-[13px]">
      {props.units
        .filter((u) => u.curve.length > 1)
        .map((u) => (
          <span key={u.id} className="inline-flex items-center gap-1.5">
            <svg width="34" height="8" aria-hidden="true">
              <path d="M0 4H34" strokeWidth="1.8" {...strokeOf(props.units, u.id)} />
            </svg>
            {u.name}
          </span>
        ))}
    </p>
  );
}

/** Curves laid over each other by the speed of the unit: the old grey, candidates each with its own dash. */
export function CurvesPlot(props: { of: 'power' | 'torque'; units: Drawn[]; wanted: number | null }) {
  const { view } = useSheet();
  const drawn = props.units.filter((u) => u.curve.length > 1);
  if (drawn.length === 0)
    return <p className="py-2 text-unknown">No curve is entered: {props.of} cannot be laid side by side.</p>;
  const y = (p: Drawn['curve'][number]) => (props.of === 'power' ? p.power_si : p.torque_si);
  const speeds = drawn.flatMap((u) => u.curve.map((p) => p.speed_si));
  const most = Math.max(...drawn.flatMap((u) => u.curve.map(y)), props.wanted ?? 0);
  // Ticks at round numbers of the view.
  const turn = view.rotation?.factor ?? 1;
  const size = view[props.of]?.factor ?? 1;
  const along = scaleLinear([Math.min(...speeds) / turn, Math.max(...speeds) / turn], [52, WIDTH - 24]);
  const up = scaleLinear([0, (most * 1.06) / size], [HEIGHT - 26, 8]);
  const sx = (si: number) => along(si / turn);
  const sy = (si: number) => up(si / size);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`${props.of} by speed of ${drawn.map((u) => u.name).join(', ')}`}
    >
      {along.ticks(4).map((t, i) => (
        <g key={t}>
          <path d={`M${along(t)} 6V${HEIGHT - 26}`} stroke="var(--color-rule)" />
          <text x={along(t)} y={HEIGHT - 10} textAnchor="middle">
            {i === 0 ? formatNumber(t * turn, 'rotation', view) : formatNumber(t, 'count', view)}
          </text>
        </g>
      ))}
      {up.ticks(4).map((t, i, all) => (
        <g key={t}>
          <path d={`M50 ${up(t)}H${WIDTH - 6}`} stroke="var(--color-rule)" />
          <text x={i === all.length - 1 ? 2 : 46} y={up(t) + 4} textAnchor={i === all.length - 1 ? 'start' : 'end'}>
            {formatNumber(t, 'count', view)}
            {i === all.length - 1 && ` ${view[props.of]?.unit ?? ''}`}
          </text>
        </g>
      ))}
      {props.wanted !== null && (
        <path d={`M50 ${sy(props.wanted)}H${WIDTH - 6}`} stroke="var(--color-ink)" strokeDasharray="1.5 3" />
      )}
      {drawn.map((u) => (
        <path
          key={u.id}
          d={u.curve.map((p, k) => `${k ? 'L' : 'M'}${sx(p.speed_si)} ${sy(y(p))}`).join('')}
          fill="none"
          strokeWidth="1.8"
          {...strokeOf(props.units, u.id)}
        />
      ))}
    </svg>
  );
}
