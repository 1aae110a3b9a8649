import { scaleLinear } from 'd3-scale';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useAssessed } from '../../api/useInstallation';
import { Axes, type Scale } from '../../drawing/Axes';
import { formatNumber } from '../../figure/format';
import { Mark } from '../../findings/Mark';
import { Picture } from '../../sheet/Sheet';

type Torsion = components['schemas']['TorsionOut'];
type Crossing = components['schemas']['CrossingOut'];

const WIDTH = 828;
const HEIGHT = 280;
const LEFT = 52;
const RIGHT = 62;
const TOP = 16;
const FLOOR = HEIGHT - 62;
/** Of the crossings that are more than looked at, so many are told beside the plot. */
const TOLD = 6;
const RANK = ['stop', 'watch', 'unknown', 'ok'];
const RADIUS: Record<string, number> = { stop: 4.5, watch: 3.5 };

/** Where on the tachometer the line between unit and propeller is critical: natural frequencies, orders, and where they
 * meet. */
export function Crossings() {
  const torsion = useAssessed()?.drive?.torsion;
  if (!torsion) return null;
  return (
    <Picture title="Twisting: where on the tachometer it is critical">
      <Plot torsion={torsion} />
      <Told torsion={torsion} />
    </Picture>
  );
}

function orderName(order: number): string {
  return String(Math.round(order * 100) / 100);
}

function Plot(props: { torsion: Torsion }) {
  const { view } = useProject();
  const t = props.torsion;
  const highest = Math.max(...t.modes.map((m) => m.high_si)) * 1.15;
  const sx = scaleLinear([0, t.top_si], [LEFT, WIDTH - RIGHT]);
  const sy = scaleLinear([0, highest], [FLOOR, TOP]);
  const zone = (from: number, to: number) => ({ x: sx(from), width: sx(to) - sx(from) });
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full bg-sheet"
      role="img"
      aria-label="natural frequencies and orders by the speed of the unit; the list below says the same"
    >
      <rect y={TOP} height={FLOOR - TOP} {...zone(t.from_si, t.to_si)} fill="var(--color-tray)" />
      <rect y={TOP} height={FLOOR - TOP} {...zone(0.9 * t.idle_si, 1.1 * t.idle_si)} fill="var(--color-tray)" />
      <Axes
        view={view}
        x={{ scale: sx, dimension: 'rotation', name: 'speed of the unit', ticks: 8 }}
        y={{ scale: sy, dimension: 'frequency', name: 'twisting', ticks: 4 }}
        named={52}
      />
      {rays(t, highest, sx, sy).map((ray) => (
        <g key={ray.order}>
          <path
            d={`M${sx(0)} ${sy(0)}L${ray.x} ${ray.y}`}
            stroke={ray.major ? 'var(--color-ink)' : 'var(--color-grey)'}
            strokeWidth={ray.major ? 1 : 0.8}
            strokeDasharray={ray.major ? undefined : '4 4'}
            fill="none"
          />
          <text {...ray.label}>{orderName(ray.order)}</text>
        </g>
      ))}
      {t.modes.map(({ low_si: low, high_si: high }, i) => (
        <g key={low}>
          <rect
            x={LEFT}
            width={WIDTH - RIGHT - LEFT}
            y={sy(high)}
            height={Math.max(1, sy(low) - sy(high))}
            fill="var(--color-act)"
            fillOpacity="0.14"
          />
          <text x={WIDTH - RIGHT - 4} y={sy(high) - 3} textAnchor="end">
            {t.modes.length > 1 ? `${i + 1}. ` : ''}
            {formatNumber((low + high) / 2, 'frequency', view)}
          </text>
        </g>
      ))}
      <clipPath id="crossings-within">
        <rect x={LEFT - 5} width={WIDTH - RIGHT - LEFT + 10} y={0} height={FLOOR + 5} />
      </clipPath>
      <g clipPath="url(#crossings-within)">
        {t.crossings.map((c) => (
          <Dot key={`${c.order}${c.mode}`} crossing={c} sx={sx} y={sy(c.at_si * c.order)} />
        ))}
      </g>
      <text x={sx(t.idle_si)} y={FLOOR + 32} textAnchor="middle" className="head">
        idle
      </text>
      <text x={sx((t.from_si + t.to_si) / 2)} y={FLOOR + 32} textAnchor="middle" className="head">
        works
      </text>
    </svg>
  );
}

/** Room that the name of an order takes, along the top and down the side. */
const NAME = { across: 30, down: 12 };

/** Orders as lines from the corner, so many pulses a turn; each named where it leaves the plot, no name over another. */
function rays(t: Torsion, highest: number, sx: Scale, sy: Scale) {
  let left = -Infinity;
  let above = Infinity;
  return [...t.orders]
    .sort((a, b) => a.per_turn - b.per_turn)
    .map(({ per_turn: order, weight }) => {
      const end = Math.min(t.top_si, highest / order);
      return { order, major: weight === 'major', aside: end === t.top_si, x: sx(end), y: sy(end * order) };
    })
    .map((ray) => {
      if (!ray.aside) return ray;
      above = Math.min(ray.y + 4, above - NAME.down);
      return { ...ray, label: { x: ray.x + 4, y: above } };
    })
    .reverse()
    .map((ray) => {
      if ('label' in ray) return ray;
      left = Math.max(ray.x, left + NAME.across);
      return { ...ray, label: { x: left, y: TOP - 4, textAnchor: 'middle' as const } };
    });
}

function Dot(props: { crossing: Crossing; sx: Scale; y: number }) {
  const { crossing: c, sx, y } = props;
  const colour = `var(--color-${c.level})`;
  return (
    <g data-crossing={c.order} data-level={c.level}>
      {c.level !== 'ok' && <path d={`M${sx(Math.max(0, c.low_si))} ${y}H${sx(c.high_si)}`} stroke={colour} />}
      <circle
        cx={sx(c.at_si)}
        cy={y}
        r={RADIUS[c.level] ?? 2.5}
        fill={c.level === 'ok' ? 'var(--color-sheet)' : colour}
        stroke={colour}
      />
    </g>
  );
}

/** What is more than looked at, the worst first. */
function Told(props: { torsion: Torsion }) {
  const { view } = useProject();
  const all = props.torsion.crossings.filter((c) => c.level !== 'ok');
  const told = [...all].sort((a, b) => RANK.indexOf(a.level) - RANK.indexOf(b.level) || b.at_si - a.at_si);
  return (
    <div className="px-3.5 pb-2">
      <ul className="grid gap-x-6 min-[700px]:grid-cols-2">
        {told.slice(0, TOLD).map((c) => (
          <li key={`${c.order}${c.mode}`} className="flex items-baseline gap-2 border-b border-rule py-0.5">
            <Mark level={c.level} />
            <span className="figure">{formatNumber(c.at_si, 'rotation', view)}</span>
            <span className="flex-1">
              order {orderName(c.order)}, {c.name}
            </span>
            <span className="text-muted">{c.zone}</span>
          </li>
        ))}
      </ul>
      <p className="pt-1 text-xs text-muted">
        {told.length > TOLD && `${told.length - TOLD} more below these. `}A line is an order, so many pulses a turn:
        full ones shake hard, broken ones only by a misfire or where something damps. No damping is reckoned with: how
        hard it shakes is not said.
      </p>
    </div>
  );
}
