import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { useAssessed } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';

const WIDTH = 828;
const HEIGHT = 296;

/** The train as wheels seen from the seat, and the propeller over the ground beside it; each to its own scale. */
export function Train() {
  const { view } = useProject();
  const d = useAssessed()?.drive;
  const turned = useForms().word('turns');
  if (!d) return null;
  const shafts = d.shafts;
  const reach = Math.max(
    0.12,
    ...shafts.map((s) => Math.abs(s.offset_up_si ?? 0)),
    ...shafts.map((s) => Math.abs(s.offset_starboard_si ?? 0)),
  );
  const largest = Math.max(...shafts.map((s) => s.radius_share));
  const scale = 118 / reach;
  const up = shafts.map((s) => s.offset_up_si ?? 0);
  const mid = (Math.max(...up) + Math.min(...up)) / 2;
  const wheel = (i: number) => ({
    x: 130 + (shafts[i]?.offset_starboard_si ?? 0) * scale,
    y: 165 - ((shafts[i]?.offset_up_si ?? 0) - mid) * scale,
    r: shafts.length === 1 ? 34 : Math.max(14, (62 * (shafts[i]?.radius_share ?? 1)) / largest),
  });
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="reduction and propeller, seen from the seat looking forward"
    >
      {shafts.length > 1 && shafts.slice(1).map((s, i) => <Belt key={s.name} a={wheel(i)} b={wheel(i + 1)} />)}
      {shafts.map((s, i) => {
        const w = wheel(i);
        const ring = shafts.length === 1;
        return (
          <g key={s.name}>
            <circle
              cx={w.x}
              cy={w.y}
              r={w.r}
              fill="var(--color-sheet)"
              fillOpacity="0.6"
              stroke="var(--color-ink)"
              strokeWidth="1.4"
              strokeDasharray={ring ? '4 3' : undefined}
            />
            <circle cx={w.x} cy={w.y} r="4" fill="var(--color-act)" />
            {s.turns && <TurnArrow x={w.x} y={w.y} r={w.r * 0.72} clockwise={s.turns === 'clockwise'} />}
            <text x={212} y={w.y - 6} style={{ fontWeight: 600 }}>
              {ring ? `crank and ${turned}` : s.name} {s.speed_si != null && formatNumber(s.speed_si, 'rotation', view)}
            </text>
            <text x={212} y={w.y + 10} style={{ fill: 'var(--color-muted)' }}>
              {[
                s.torque_si != null && formatNumber(s.torque_si, 'torque', view),
                s.power_si != null && formatNumber(s.power_si, 'power', view),
                s.teeth != null && `${s.teeth} teeth`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </text>
            {s.turns && (
              <text x={212} y={w.y + 26} style={{ fill: 'var(--color-muted)' }}>
                turns {s.turns}
              </text>
            )}
          </g>
        );
      })}
      <PropellerDisc />
    </svg>
  );
}

function Belt(props: { a: { x: number; y: number; r: number }; b: { x: number; y: number; r: number } }) {
  const { a, b } = props;
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 1) return null;
  const along = Math.atan2(b.y - a.y, b.x - a.x);
  const lean = Math.acos(Math.max(-1, Math.min(1, (a.r - b.r) / length)));
  return (
    <g stroke="var(--color-ink)" strokeWidth="2.6">
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

function TurnArrow(props: { x: number; y: number; r: number; clockwise: boolean }) {
  const { x, y, r } = props;
  const s = props.clockwise ? 1 : -1;
  return (
    <g fill="none" stroke="var(--color-act)" strokeWidth="2">
      <path
        d={`M${x - s * r * 0.77} ${y - r * 0.64}A${r} ${r} 0 0 ${props.clockwise ? 1 : 0} ${x + s * r * 0.77} ${y - r * 0.64}`}
      />
      <path
        d={`M${x + s * (r * 0.77 - 9)} ${y - r * 0.64 - 3}L${x + s * r * 0.77} ${y - r * 0.64}L${x + s * (r * 0.77 + 1)} ${y - r * 0.64 - 10}`}
      />
    </g>
  );
}

/** The disc with its blades over the ground: the arc is red where tips pass the chosen Mach number. */
function PropellerDisc() {
  const { view } = useProject();
  const d = useAssessed()?.drive;
  if (!d || d.diameter_si == null) {
    return (
      <text x="560" y="160" style={{ fill: 'var(--color-unknown)' }}>
        propeller: cannot draw yet, needs its diameter
      </text>
    );
  }
  const largest = Math.max(d.diameter_si, d.before_diameter_si ?? 0);
  const scale = 216 / largest;
  const cx = 604;
  const cy = 142;
  const r = (d.diameter_si * scale) / 2;
  const sea = d.at_sea;
  const fast = !sea && d.tip_mach != null && d.tip_mach_limit != null && d.tip_mach > d.tip_mach_limit;
  const ground = d.hub_height_si != null ? cy + d.hub_height_si * scale : null;
  const low = d.clearance_si != null && d.clearance_wanted_si != null && d.clearance_si < d.clearance_wanted_si;
  return (
    <g>
      {d.before_diameter_si != null && (
        <circle cx={cx} cy={cy} r={(d.before_diameter_si * scale) / 2} fill="none" stroke="var(--color-grey)" />
      )}
      <circle
        cx={cx}
        cy={cy}
        r={r}
        fill="var(--color-act)"
        fillOpacity="0.08"
        stroke={fast ? 'var(--color-stop)' : 'var(--color-act)'}
        strokeWidth={fast ? 3 : 1.4}
      />
      {Array.from({ length: d.blades ?? 0 }, (_, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: blades have no other name
          key={i}
          d={`M${cx} ${cy}L${cx + r * Math.sin((2 * Math.PI * i) / (d.blades ?? 1))} ${cy - r * Math.cos((2 * Math.PI * i) / (d.blades ?? 1))}`}
          stroke="var(--color-act)"
          strokeWidth="7"
          strokeLinecap="round"
        />
      ))}
      <circle cx={cx} cy={cy} r="9" fill="var(--color-sheet)" stroke="var(--color-act)" />
      <text x={cx - 128} y={30} textAnchor="end">
        ⌀ {formatNumber(d.diameter_si, 'length', view)}
      </text>
      {d.before_diameter_si != null && (
        <text x={cx - 128} y={46} textAnchor="end" style={{ fill: 'var(--color-muted)' }}>
          was {formatNumber(d.before_diameter_si, 'length', view)}
        </text>
      )}
      {sea && (
        <g>
          <text x={cx + 122} y={64}>
            pitch {sea.pitch_si == null ? '?' : formatNumber(sea.pitch_si, 'length', view)}
          </text>
          {sea.pitch_wanted_si != null && (
            <text x={cx + 122} y={80} style={{ fill: 'var(--color-muted)' }}>
              wanted {formatNumber(sea.pitch_wanted_si, 'length', view)}
            </text>
          )}
          {sea.speed_si != null && (
            <text x={cx + 122} y={104}>
              {formatNumber(sea.speed_si, 'sea_speed', view)}
            </text>
          )}
        </g>
      )}
      {!sea && d.tip_mach != null && (
        <text x={cx + 122} y={64} style={{ fill: fast ? 'var(--color-stop)' : 'var(--color-ink)' }}>
          Mach {formatNumber(d.tip_mach, 'number', view)}
        </text>
      )}
      {ground !== null && ground < HEIGHT && (
        <g>
          <path d={`M${cx - 190} ${ground}H${WIDTH}`} stroke="var(--color-ink)" />
          <path
            d={`M${cx} ${cy + r}V${ground}`}
            stroke={low ? 'var(--color-stop)' : 'var(--color-watch)'}
            strokeWidth="2"
          />
          {d.clearance_si != null && (
            <text x={cx + 8} y={ground - 8} style={{ fill: low ? 'var(--color-stop)' : 'var(--color-ink)' }}>
              {formatNumber(d.clearance_si, 'length', view)} in the worst attitude
            </text>
          )}
        </g>
      )}
    </g>
  );
}
