import { useProject } from '../../api/project';
import { directed } from '../../figure/format';

const WIDTH = 414;
const HEIGHT = 190;
const TIMES = 5;

interface Props {
  plan: boolean;
  angle: number | null;
  /** How the far end of the unit moves: up on the side, to port on the plan. */
  shift: number | null;
  /** +1 where the unit lies aft of its flange, −1 ahead of it. */
  side: number | null;
}

/** The unit held at its flange: side view for down thrust, plan for right thrust. Turns are drawn five times too large. */
export function ThrustView({ plan, angle, shift, side }: Props) {
  const { view } = useProject();
  if (angle === null || side === null)
    return (
      <p className="p-4 text-unknown">
        Cannot draw the {plan ? 'plan' : 'side'} yet: needs the {plan ? 'right' : 'down'} thrust
        {side === null && ', and on which side of its flange the unit lies'}.
      </p>
    );
  // Aft is to the right. Down thrust lifts what lies aft on the side view; right thrust swings it to port, up on the plan.
  const degrees = (-angle * TIMES * 180) / Math.PI;
  const fx = side > 0 ? 110 : WIDTH - 110;
  const wall = fx + side * 238;
  const fy = 104;
  const unit = (
    <>
      <path d={`M${fx} ${fy - 26}h${side * 30}V${fy - 40}h${side * 150}V${fy + 36}h${side * -150}V${fy + 24}H${fx}Z`} />
      <path d={`M${fx - side * 62} ${fy}h${side * 286}`} strokeDasharray="12 3 2 3" />
      <path d={`M${fx - side * 26} ${fy - 54}V${fy + 54}`} strokeWidth="3" />
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
      <path d={`M${wall} 44V${HEIGHT - 12}`} stroke="var(--color-ink)" strokeWidth="2" />
      <text
        x={wall + side * -6}
        y={HEIGHT - 14}
        textAnchor={side > 0 ? 'end' : 'start'}
        style={{ fill: 'var(--color-muted)' }}
      >
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
      <text x={fx} y={HEIGHT - 14} textAnchor="middle">
        flange held
      </text>
      <text x={WIDTH - 10} y="18" textAnchor="end">
        {directed(angle, 'angle', view, plan ? { over: 'right', under: 'left' } : { over: 'down', under: 'up' })}
      </text>
      {shift !== null && (
        <text x={WIDTH - 10} y="36" textAnchor="end">
          far end{' '}
          {directed(
            shift,
            'length',
            view,
            plan ? { over: 'to port', under: 'to starboard' } : { over: 'up', under: 'down' },
          )}
        </text>
      )}
    </svg>
  );
}
