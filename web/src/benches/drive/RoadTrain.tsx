import { useProject, useShown } from '../../api/project';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';

const WIDTH = 828;
const HEIGHT = 236;

/** From the unit to the road, side on: sprockets and tyre to one scale, and the gears as bars of road speed. */
export function RoadTrain() {
  const { view } = useProject();
  const { pointer } = useInstallation();
  const out = useAssessed();
  const { shown } = useShown();
  const road = out?.drive?.on_road;
  if (!road || !out) return null;
  const shape = shown.shapes.installations.find((i) => i.id === out.id && i.old === !pointer?.startsWith('/fits'));
  const rear = shown.shapes.wheels[shown.shapes.wheels.length - 1];
  const unit = shape?.flange;
  const [small, large] = shape?.sprockets ?? [];
  const radius = road.wheel_radius_si ?? rear?.radius ?? 0.3;
  const run = rear && unit ? Math.max(0.2, rear.x - unit.x) : 0.5;
  const scale = Math.min(150 / radius / 2.1, 250 / (run + radius + 0.15));
  const wheelX = 300;
  const wheelY = HEIGHT - 24 - radius * scale;
  const unitX = rear && unit ? wheelX - (rear.x - unit.x) * scale : wheelX - run * scale;
  const unitY = rear && unit ? wheelY - (unit.z - rear.z) * scale : wheelY;
  const gears = road.gears;
  const fastest = Math.max(1, ...gears.map((g) => g.speed_si ?? 0));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="train from the unit to the road, and road speed in each gear"
    >
      <path d={`M10 ${HEIGHT - 24}H410`} stroke="var(--color-ink)" />
      <circle
        cx={wheelX}
        cy={wheelY}
        r={radius * scale}
        fill="var(--color-ground)"
        stroke="var(--color-ink)"
        strokeWidth="1.6"
      />
      <circle cx={wheelX} cy={wheelY} r={radius * scale * 0.62} fill="none" stroke="var(--color-grey)" />
      {small && large ? (
        <g>
          <Chain
            a={{ x: unitX, y: unitY, r: small.radius * scale }}
            b={{ x: wheelX, y: wheelY, r: large.radius * scale }}
          />
          <circle
            cx={wheelX}
            cy={wheelY}
            r={large.radius * scale}
            fill="none"
            stroke="var(--color-act)"
            strokeWidth="1.6"
          />
          <circle
            cx={unitX}
            cy={unitY}
            r={small.radius * scale}
            fill="var(--color-sheet)"
            stroke="var(--color-act)"
            strokeWidth="1.6"
          />
        </g>
      ) : (
        <path
          d={`M${unitX} ${unitY}L${wheelX} ${wheelY}`}
          stroke="var(--color-act)"
          strokeWidth="3"
          strokeDasharray="9 4"
        />
      )}
      <circle cx={unitX} cy={unitY} r="4" fill="var(--color-act)" />
      <circle cx={wheelX} cy={wheelY} r="4" fill="var(--color-ink)" />
      {road.chain_reach_si != null && (
        <g data-reach>
          <path
            d={`M${wheelX} ${wheelY + 9}v6m0 -3h${road.chain_reach_si * scale}m0 -3v6`}
            fill="none"
            stroke="var(--color-ink)"
          />
          {road.chain_moved_si != null && (
            <path
              data-moved
              d={`M${wheelX + road.chain_moved_si * scale} ${wheelY - 5}v21`}
              stroke={road.chain_moved_si > road.chain_reach_si ? 'var(--color-stop)' : 'var(--color-act)'}
              strokeWidth="1.6"
            />
          )}
        </g>
      )}
      <text x="12" y="18" style={{ fontWeight: 600 }}>
        {out.name}
      </text>
      <text x="12" y="34" style={{ fill: 'var(--color-muted)' }}>
        rolling radius {road.wheel_radius_si == null ? '?' : formatNumber(road.wheel_radius_si, 'length', view)}
      </text>
      {road.chain_even != null && road.chain_centres_si != null && (
        <text x="12" y="50" style={{ fill: 'var(--color-muted)' }}>
          chain {road.chain_even} links, centres {formatNumber(road.chain_centres_si, 'length', view)}
        </text>
      )}
      {road.chain_moved_si != null && road.chain_reach_si != null && (
        <text x="12" y="66" style={{ fill: 'var(--color-muted)' }}>
          {formatNumber(road.chain_moved_si, 'length', view)} of {formatNumber(road.chain_reach_si, 'length', view)} of
          adjuster
        </text>
      )}
      {gears.length === 0 && (
        <text x="450" y="110" style={{ fill: 'var(--color-unknown)' }}>
          gears: cannot draw yet, need their ratios
        </text>
      )}
      {gears.map((g, i) => {
        const y = 34 + (i * (HEIGHT - 58)) / Math.max(1, gears.length);
        const long = g.speed_si == null ? 0 : (g.speed_si / fastest) * 190;
        return (
          <g key={g.id}>
            <text x="440" y={y + 4}>
              {g.name}
            </text>
            <path d={`M560 ${y}h${long}`} stroke="var(--color-act)" strokeWidth="7" />
            <path d={`M560 ${y - 7}v14`} stroke="var(--color-rule)" />
            <text x={566 + long} y={y + 4}>
              {g.speed_si == null ? '?' : formatNumber(g.speed_si, 'road_speed', view)}
            </text>
            <text x="440" y={y + 18} style={{ fill: 'var(--color-muted)' }}>
              {g.total != null && `${formatNumber(g.total, 'number', view)} : 1`}
            </text>
          </g>
        );
      })}
      <text x="440" y="16" style={{ fill: 'var(--color-muted)' }}>
        road speed at rated speed, by gear
      </text>
    </svg>
  );
}

/** Both runs of a chain round two sprockets. */
function Chain(props: { a: { x: number; y: number; r: number }; b: { x: number; y: number; r: number } }) {
  const { a, b } = props;
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 1) return null;
  const along = Math.atan2(b.y - a.y, b.x - a.x);
  const lean = Math.acos(Math.max(-1, Math.min(1, (a.r - b.r) / length)));
  return (
    <g stroke="var(--color-ink)" strokeWidth="2.2" strokeDasharray="4 2">
      {[1, -1].map((side) => {
        const t = along + side * lean;
        return (
          <path
            key={side}
            d={`M${a.x + a.r * Math.cos(t)} ${a.y + a.r * Math.sin(t)}L${b.x + b.r * Math.cos(t)} ${b.y + b.r * Math.sin(t)}`}
          />
        );
      })}
    </g>
  );
}
