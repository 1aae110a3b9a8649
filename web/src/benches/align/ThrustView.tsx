import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

const WIDTH = 414;
const HEIGHT = 190;
const TIMES = 5;

/** The unit held at its flange: side view for down thrust, plan for right thrust. Turns are drawn five times too large. */
export function ThrustView(props: { plan: boolean; angle: number | null; shift: number | null }) {
  const { view } = useProject();
  const { plan, angle, shift } = props;
  if (angle === null)
    return (
      <p className="p-4 text-unknown">
        Cannot draw the {plan ? 'plan' : 'side'} yet: needs the {plan ? 'right' : 'down'} thrust.
      </p>
    );
  // Aft is to the right. Down thrust lifts the rear on the side view; right thrust swings it to port, up on the plan.
  const degrees = (-angle * TIMES * 180) / Math.PI;
  const fx = 110;
  const fy = 104;
  const unit = (
    <>
      <path d={`M${fx} ${fy - 26}H${fx + 30}V${fy - 40}H${fx + 180}V${fy + 36}H${fx + 30}V${fy + 24}H${fx}Z`} />
      <path d={`M${fx - 62} ${fy}H${fx + 224}`} strokeDasharray="12 3 2 3" />
      <path d={`M${fx - 26} ${fy - 54}V${fy + 54}`} strokeWidth="3" />
    </>
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={plan ? 'plan view of the turned unit' : 'side view of the turned unit'}
    >
      <text x="10" y="18">
        {plan ? 'plan, port is up' : 'from port'}; turn drawn ×{TIMES}
      </text>
      <path d={`M${fx + 238} 44V${HEIGHT - 12}`} stroke="var(--color-ink)" strokeWidth="2" />
      <text x={fx + 244} y={HEIGHT - 14} style={{ fill: 'var(--color-muted)' }}>
        firewall
      </text>
      <g fill="none" stroke="var(--color-grey)">
        {unit}
      </g>
      <g
        transform={`rotate(${degrees} ${fx} ${fy})`}
        fill="var(--color-act)"
        fillOpacity="0.14"
        stroke="var(--color-act)"
        strokeWidth="1.6"
      >
        {unit}
      </g>
      <circle cx={fx} cy={fy} r="5" fill="var(--color-ink)" />
      <text x={10} y={HEIGHT - 14}>
        flange held
      </text>
      <text x={WIDTH - 10} y="18" textAnchor="end">
        {formatNumber(angle, 'angle', view)} {plan ? 'right' : 'down'}
      </text>
      {shift !== null && (
        <text x={WIDTH - 10} y="36" textAnchor="end">
          rear {formatNumber(shift, 'length', view)} {plan ? 'to port' : 'up'}
        </text>
      )}
    </svg>
  );
}
