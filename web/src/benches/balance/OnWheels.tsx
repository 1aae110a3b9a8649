import { useProject, useShown } from '../../api/project';
import { useInstallation } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';

const WIDTH = 828;
const HIGH = 172;

/** From above, to scale: what each wheel carries before and after, where the CG lies between them, and the packs. Bow to the left. */
export function FromAbove() {
  const { view } = useProject();
  const { shown } = useShown();
  const { supports, cg_before: before, cg_after: after } = shown.shapes;
  const packs = usePacks();
  const wheels = supports.filter((s) => s.y !== null && s.y !== undefined);
  if (wheels.length < 3)
    return <p className="px-4 pb-3 text-unknown">Cannot draw it yet: needs the places of the wheels.</p>;
  const xs = wheels.map((w) => w.x);
  const ys = wheels.map((w) => w.y ?? 0);
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
  const [y0, y1] = [Math.min(...ys), Math.max(...ys)];
  const span = Math.min((WIDTH - 360) / (x1 - x0), (HIGH - 64) / Math.max(y1 - y0, 0.1));
  const sx = (x: number) => WIDTH / 2 + (x - (x0 + x1) / 2) * span;
  const sy = (y: number) => HIGH / 2 + (y - (y0 + y1) / 2) * span;
  const round = hullOf(wheels.map((w) => ({ x: sx(w.x), y: sy(w.y ?? 0) })));
  const mass = (si: number) => formatNumber(si, 'mass', view);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HIGH}`}
      className="block w-full"
      role="img"
      aria-label={`from above: ${wheels.map((w) => `${w.name} ${w.after_si == null ? '?' : mass(w.after_si)}`).join(', ')}`}
    >
      <path
        d={`${round.map((p, i) => `${i ? 'L' : 'M'}${p.x} ${p.y}`).join('')}Z`}
        fill="var(--color-ground)"
        stroke="var(--color-rule)"
      />
      <path d={`M${sx(x0) - 60} ${sy(0)}H${sx(x1) + 60}`} stroke="var(--color-rule)" strokeDasharray="9 3 2 3" />
      {packs.map((p) => (
        <Pack
          key={p.id}
          x={sx(p.x)}
          y={sy(p.y ?? 0)}
          wide={(p.length ?? 0) * span}
          high={(p.width ?? 0) * span}
          name={p.name}
        />
      ))}
      {wheels.map((w) => {
        const right = w.x > (x0 + x1) / 2;
        return (
          <g key={w.id}>
            <rect
              x={sx(w.x) - 13}
              y={sy(w.y ?? 0) - 5}
              width="26"
              height="10"
              fill="var(--color-sheet)"
              stroke="var(--color-ink)"
            />
            <text
              x={sx(w.x) + (right ? 22 : -22)}
              y={sy(w.y ?? 0) - 3}
              textAnchor={right ? 'start' : 'end'}
              style={{ fill: 'var(--color-muted)' }}
            >
              {w.name}
            </text>
            <text x={sx(w.x) + (right ? 22 : -22)} y={sy(w.y ?? 0) + 13} textAnchor={right ? 'start' : 'end'}>
              {w.before_si != null && `${mass(w.before_si)} → `}
              {w.after_si == null ? '?' : mass(w.after_si)}
            </text>
          </g>
        );
      })}
      {before?.y != null && <Spot x={sx(before.x)} y={sy(before.y)} rx={0} ry={0} old />}
      {after?.y != null && (
        <Spot
          x={sx(after.x)}
          y={sy(after.y)}
          rx={(after.plus_minus ?? 0) * span}
          ry={(after.plus_minus_y ?? 0) * span}
        />
      )}
    </svg>
  );
}

/** From behind, to scale: the CG over the line of the wheels, the lean that would balance it, and the packs as wide and high as they are. */
export function FromBehind() {
  const { view } = useProject();
  const { shown } = useShown();
  const { cg_before: before, cg_after: after, ground_z: ground } = shown.shapes;
  const lean = shown.values.find((v) => v.id === 'balance.lean');
  const packs = usePacks();
  const seen = after ?? before;
  if (!seen || seen.y == null || ground == null)
    return <p className="px-4 pb-3 text-unknown">Cannot draw it yet: needs the CG to the side and over the ground.</p>;
  const tops = packs.map((p) => p.z + (p.height ?? 0) / 2);
  const high = Math.max(seen.z, ...tops) - ground + 0.12;
  const span = (HIGH - 26) / high;
  const sx = (y: number) => 300 + y * span;
  const sz = (z: number) => HIGH - 16 - (z - ground) * span;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HIGH}`}
      className="block w-full"
      role="img"
      aria-label="from behind: the CG over the line of the wheels"
    >
      <path d={`M0 ${sz(ground)}H${WIDTH}`} stroke="var(--color-ink)" />
      <path d={`M${sx(0)} 8V${sz(ground)}`} stroke="var(--color-ink)" strokeDasharray="9 3 2 3" />
      <rect
        x={sx(0) - 9}
        y={sz(ground + 0.6)}
        width="18"
        height={0.6 * span}
        rx="9"
        fill="var(--color-ground)"
        stroke="var(--color-ink)"
      />
      {packs.map((p) => (
        <Pack
          key={p.id}
          x={sx(p.y ?? 0)}
          y={sz(p.z)}
          wide={(p.width ?? 0) * span}
          high={(p.height ?? 0) * span}
          name={p.name}
        />
      ))}
      {before?.y != null && <Spot x={sx(before.y)} y={sz(before.z)} rx={0} ry={0} old />}
      {after?.y != null && (
        <>
          <path
            d={`M${sx(0)} ${sz(ground)}L${sx(after.y)} ${sz(after.z)}`}
            stroke="var(--color-act)"
            strokeWidth="1.6"
          />
          <Spot
            x={sx(after.y)}
            y={sz(after.z)}
            rx={(after.plus_minus_y ?? 0) * span}
            ry={(after.plus_minus_z ?? 0) * span}
          />
        </>
      )}
      <text x="450" y="44" style={{ fill: 'var(--color-muted)' }}>
        without rider, seen from behind
      </text>
      <text x="450" y="64">
        CG {formatNumber(Math.abs(seen.y), 'length', view)} to {seen.y >= 0 ? 'starboard' : 'port'}
      </text>
      <text x="450" y="82">
        {formatNumber(seen.z - ground, 'length', view)} over the ground
      </text>
      {lean?.si != null && (
        <text x="450" y="100">
          {lean.before_si != null && `${formatNumber(Math.abs(lean.before_si), 'angle', view)} → `}
          {formatNumber(Math.abs(lean.si), 'angle', view)} of lean balances her
        </text>
      )}
    </svg>
  );
}

function usePacks() {
  const { shown } = useShown();
  const { id } = useInstallation();
  return (shown.shapes.installations.find((i) => !i.old && i.id === id)?.packs ?? []).filter((p) => p.y !== null);
}

function Pack(props: { x: number; y: number; wide: number; high: number; name: string }) {
  const wide = props.wide || 12;
  const high = props.high || 12;
  return (
    <rect
      x={props.x - wide / 2}
      y={props.y - high / 2}
      width={wide}
      height={high}
      fill="var(--color-act)"
      fillOpacity="0.2"
      stroke="var(--color-act)"
    >
      <title>{props.name}</title>
    </rect>
  );
}

/** A CG as a cross, with its doubt of two standard deviations round it. */
function Spot(props: { x: number; y: number; rx: number; ry: number; old?: boolean }) {
  const { x, y } = props;
  const colour = props.old ? 'var(--color-grey)' : 'var(--color-act)';
  const arm = props.old ? 7 : 9;
  return (
    <g stroke={colour} fill="none" strokeWidth={props.old ? 1.2 : 2}>
      {props.rx > 1 && props.ry > 1 && <ellipse cx={x} cy={y} rx={props.rx} ry={props.ry} strokeWidth="1" />}
      <path d={`M${x - arm} ${y}h${2 * arm}M${x} ${y - arm}v${2 * arm}`} />
    </g>
  );
}

interface At {
  x: number;
  y: number;
}

/** The corners in order round their middle. */
function hullOf(points: At[]): At[] {
  const cx = points.reduce((s, p) => s + p.x, 0) / points.length;
  const cy = points.reduce((s, p) => s + p.y, 0) / points.length;
  return [...points].sort((a, b) => Math.atan2(a.y - cy, a.x - cx) - Math.atan2(b.y - cy, b.x - cx));
}
