import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { useAssessed } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';
import { Wheels } from './Wheels';

const WIDTH = 828;
const HEIGHT = 296;

/** The train as wheels seen from the seat, and the propeller over the ground beside it; each to its own scale. */
export function Train() {
  const d = useAssessed()?.drive;
  if (!d) return null;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="reduction and propeller, seen from the seat looking forward"
    >
      <Wheels shafts={d.shafts} />
      <PropellerDisc />
    </svg>
  );
}

/** A blade of an air propeller, from the hub up: long and slender, widest at a third. */
function slender(r: number): string {
  return `M-3 0C-${r * 0.07} ${-r * 0.3} -${r * 0.06} ${-r * 0.7} -2 ${-r}H2C${r * 0.05} ${-r * 0.7} ${r * 0.03} ${-r * 0.3} 3 0Z`;
}

/** A blade of a boat's propeller: broad, swept back. */
function broad(r: number): string {
  return `M-${r * 0.08} 0C-${r * 0.5} ${-r * 0.35} -${r * 0.4} ${-r * 0.95} ${r * 0.05} ${-r}C${r * 0.36} ${-r * 0.9} ${r * 0.34} ${-r * 0.4} ${r * 0.1} 0Z`;
}

/** The disc with its blades over the ground: the arc is red where tips pass the chosen Mach number. */
function PropellerDisc() {
  const { view } = useProject();
  const d = useAssessed()?.drive;
  const marine = useForms().has('marine propeller');
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
          transform={`translate(${cx} ${cy}) rotate(${(360 * i) / (d.blades ?? 1)})`}
          d={marine ? broad(r) : slender(r)}
          fill="var(--color-act)"
          fillOpacity={marine ? 0.55 : 0.9}
          stroke="var(--color-act)"
        />
      ))}
      <circle cx={cx} cy={cy} r={marine ? r * 0.18 : 9} fill="var(--color-sheet)" stroke="var(--color-act)" />
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
