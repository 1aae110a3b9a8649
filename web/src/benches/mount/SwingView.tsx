import type { Installation } from '../../api/client';
import { useProject } from '../../api/project';
import { directed, formatNumber } from '../../figure/format';

type Mount = NonNullable<Installation['mount']>;
/** What the sign of a shock's load is called. */
export const PRESSED = { over: 'pressed', under: 'pulled' };
const WIDTH = 400;
const HEIGHT = 280;

/** A swinging unit side on: arm, shock and wheel, with what pivot and shock take in the case picked. */
export function SwingView(props: { arm: Mount['arm']; load: Mount['swing'][number] | null }) {
  const { view } = useProject();
  const arm = props.arm;
  if (!arm) return <p className="p-4 text-unknown">Cannot draw the arm yet: needs pivot, shock and rear wheel.</p>;
  const radius = arm.axle.z - arm.contact.z;
  const all = [arm.pivot, arm.shock_lower, arm.shock_upper, arm.contact];
  const x0 = Math.min(...all.map((p) => p.x)) - 0.08;
  const x1 = arm.axle.x + radius + 0.04;
  const z1 = Math.max(...all.map((p) => p.z)) + 0.08;
  const scale = Math.min((WIDTH - 30) / (x1 - x0), (HEIGHT - 44) / (z1 - arm.contact.z));
  const x = (v: number) => 18 + (v - x0) * scale;
  const y = (v: number) => HEIGHT - 18 - (v - arm.contact.z) * scale;
  const size = props.load ? Math.max(1, props.load.pivot_si, Math.abs(props.load.shock_si)) : 1;
  const k = 62 / size;
  const said = (n: number) => formatNumber(n, 'force', view);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="swinging unit from the side, with the loads on pivot and shock"
    >
      <path d={`M0 ${y(arm.contact.z)}H${WIDTH}`} stroke="var(--color-ink)" />
      <circle
        cx={x(arm.axle.x)}
        cy={y(arm.axle.z)}
        r={radius * scale}
        fill="var(--color-ground)"
        stroke="var(--color-ink)"
      />
      <path
        d={`M${x(arm.pivot.x)} ${y(arm.pivot.z)}L${x(arm.axle.x)} ${y(arm.axle.z)}`}
        stroke="var(--color-act)"
        strokeWidth="7"
        strokeLinecap="round"
      />
      <path
        d={`M${x(arm.shock_lower.x)} ${y(arm.shock_lower.z)}L${x(arm.shock_upper.x)} ${y(arm.shock_upper.z)}`}
        stroke="var(--color-ink)"
        strokeWidth="5"
        strokeDasharray="6 3"
      />
      <path
        d={`M${x(arm.axle.x)} ${y(arm.axle.z)}L${x(arm.shock_lower.x)} ${y(arm.shock_lower.z)}`}
        stroke="var(--color-act)"
        strokeWidth="4"
      />
      <circle cx={x(arm.cg.x)} cy={y(arm.cg.z)} r="4.5" fill="var(--color-act)" />
      <circle
        cx={x(arm.pivot.x)}
        cy={y(arm.pivot.z)}
        r="7"
        fill="var(--color-sheet)"
        stroke="var(--color-ink)"
        strokeWidth="2.4"
      />
      {props.load && (
        <g stroke="var(--color-act)" fill="none" strokeWidth="2.2">
          <path d={`M${x(arm.pivot.x)} ${y(arm.pivot.z)}l${props.load.pivot_x_si * k} ${-props.load.pivot_z_si * k}`} />
          <circle
            cx={x(arm.pivot.x) + props.load.pivot_x_si * k}
            cy={y(arm.pivot.z) - props.load.pivot_z_si * k}
            r="3"
            fill="var(--color-act)"
          />
          <text stroke="none" x="12" y="20" style={{ fontWeight: 600 }}>
            pivot {said(props.load.pivot_si)}
          </text>
          <text stroke="none" x="12" y="36">
            {directed(props.load.pivot_x_si, 'force', view, { over: 'aft', under: 'forward' })},{' '}
            {directed(props.load.pivot_z_si, 'force', view, { over: 'up', under: 'down' })}
          </text>
          <text stroke="none" x={WIDTH - 12} y="20" textAnchor="end">
            shock {directed(props.load.shock_si, 'force', view, PRESSED)}
          </text>
        </g>
      )}
    </svg>
  );
}
