import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { useAssessed } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';

const WIDTH = 400;
const HEIGHT = 300;
type Axis = 'x' | 'y' | 'z';

/** The two axes that a view shows, and the one toward the eye; up the page and to its right are positive. */
const VIEWS: Record<string, { words: string; across: Axis; up: Axis; upSign: 1 | -1; eye: Axis }> = {
  aft: { words: 'from aft, looking forward', across: 'y', up: 'z', upSign: 1, eye: 'x' },
  above: {
    words: 'from above, bow to the left; up and down in words',
    across: 'x',
    up: 'y',
    upSign: 1,
    eye: 'z',
  },
  side: { words: 'from port, front to the left', across: 'x', up: 'z', upSign: 1, eye: 'y' },
};

/** The points with the load of the unit on each in the case picked: from aft, from above or from the side, as the structure lies. */
export function MountView(props: { caseId: string }) {
  const { view } = useProject();
  const out = useAssessed();
  const { has, word } = useForms();
  const look = VIEWS[has('firewall') ? 'aft' : has('bed') ? 'above' : 'side'] as (typeof VIEWS)[string];
  const mount = out?.mount;
  const points = (mount?.points ?? []).filter((p) => p.x_si != null && p.y_si != null && p.z_si != null);
  const loads = mount?.cases.find((c) => c.id === props.caseId)?.points ?? [];
  if (points.length === 0)
    return (
      <p className="p-4 text-unknown">
        Cannot draw the mount yet: needs its {word('point')}s and where the {word('flange')} sits.
      </p>
    );
  const of = (p: (typeof points)[number], axis: Axis) => p[`${axis}_si`] as number;
  const side = (v: number) => v * look.upSign;
  const held = (p: (typeof points)[number]) =>
    has('firewall') && p.structure_y_si != null && p.structure_z_si != null
      ? [p.structure_y_si, p.structure_z_si]
      : null;
  const us = points.flatMap((p) => [of(p, look.across), ...(held(p) ? [held(p)?.[0] as number] : [])]);
  const vs = points.flatMap((p) => [side(of(p, look.up)), ...(held(p) ? [held(p)?.[1] as number] : [])]);
  const [u0, u1, v0, v1] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const scale = Math.min(200 / Math.max(0.1, u1 - u0), 150 / Math.max(0.1, v1 - v0));
  const x = (u: number) => WIDTH / 2 + (u - (u0 + u1) / 2) * scale;
  const y = (v: number) => HEIGHT / 2 - (v - (v0 + v1) / 2) * scale;
  const largest = Math.max(1, ...loads.map((l) => l.size_si));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`mount points ${look.words}, with the load on each`}
    >
      <text x="10" y="18">
        {look.words}
      </text>
      <rect
        x={x(u0) - 14}
        y={y(v1) - 14}
        width={(u1 - u0) * scale + 28}
        height={(v1 - v0) * scale + 28}
        fill="var(--color-tray)"
        stroke="var(--color-rule)"
      />
      {points.map((p) => {
        const at = held(p);
        const px = x(of(p, look.across));
        const py = y(side(of(p, look.up)));
        return (
          <g key={p.id}>
            {at && (
              <>
                <path
                  d={`M${px} ${py}L${x(at[0] as number)} ${y(at[1] as number)}`}
                  stroke="var(--color-ink)"
                  strokeWidth="4"
                />
                <circle cx={x(at[0] as number)} cy={y(at[1] as number)} r="5" fill="var(--color-ink)" />
              </>
            )}
            <circle cx={px} cy={py} r="8" fill="var(--color-sheet)" stroke="var(--color-act)" strokeWidth="2.4" />
          </g>
        );
      })}
      {points.map((p) => {
        const load = loads.find((l) => l.point === p.id);
        if (!load) return null;
        const px = x(of(p, look.across));
        const py = y(side(of(p, look.up)));
        const k = 58 / largest;
        const tipX = px + load[`${look.across}_si`] * k;
        const tipY = py - load[`${look.up}_si`] * look.upSign * k;
        const left = of(p, look.across) < (u0 + u1) / 2;
        const high = py < HEIGHT / 2;
        const toward = load[`${look.eye}_si`] * (look.eye === 'x' ? -1 : 1) > 0;
        return (
          <g key={p.id} stroke="var(--color-act)" fill="none" strokeWidth="2.2">
            <path d={`M${px} ${py}L${tipX} ${tipY}`} />
            <circle cx={tipX} cy={tipY} r="2.6" fill="var(--color-act)" />
            {/* a load away from the eye is a dot (arrow head leaving), one toward it a cross (its feathers) */}
            {toward ? (
              <circle cx={px} cy={py} r="2.6" fill="var(--color-act)" />
            ) : (
              <path d={`M${px - 4} ${py - 4}l8 8m0 -8l-8 8`} strokeWidth="1.6" />
            )}
            <text
              stroke="none"
              x={left ? 12 : WIDTH - 12}
              textAnchor={left ? 'start' : 'end'}
              y={labelY(points, p.id, left, high, look)}
            >
              {p.name}{' '}
              {look.eye === 'z'
                ? `${load.z_si > 0 ? 'up' : 'down'} ${formatNumber(Math.abs(load.z_si), 'force', view)}`
                : formatNumber(load.size_si, 'force', view)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Labels stack in the corner that their point is nearest to. */
function labelY(
  points: { id: string; x_si: number | null; y_si: number | null; z_si: number | null }[],
  id: string,
  left: boolean,
  high: boolean,
  look: { across: Axis; up: Axis },
): number {
  const us = points.map((p) => p[`${look.across}_si`] as number);
  const mid = (Math.min(...us) + Math.max(...us)) / 2;
  const vs = points.map((p) => p[`${look.up}_si`] as number);
  const half = (Math.min(...vs) + Math.max(...vs)) / 2;
  const same = points.filter(
    (p) => (p[`${look.across}_si`] as number) < mid === left && (p[`${look.up}_si`] as number) > half === high,
  );
  const at = same.findIndex((p) => p.id === id);
  return high ? 40 + 16 * at : HEIGHT - 12 - 16 * (same.length - 1 - at);
}
