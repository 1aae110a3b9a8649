import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

const WIDTH = 828;
const HEIGHT = 132;

/** The two sprockets from above: out of parallel and apart, both drawn larger than they are. */
export function SprocketView(props: { angle: number; offset: number }) {
  const { view } = useProject();
  const lean = Math.max(-0.2, Math.min(0.2, props.angle * 25));
  const apart = Math.max(-34, Math.min(34, props.offset * 9000));
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" role="img" aria-label="sprockets from above">
      <text x="14" y="18" style={{ fill: 'var(--color-muted)' }}>
        from above, lean × 25
      </text>
      <path d={`M90 66H720`} stroke="var(--color-rule)" strokeDasharray="12 4 2 4" />
      <g transform={`translate(600 66)`}>
        <path d="M-84 0H84" stroke="var(--color-ink)" strokeWidth="6" />
        <text x="0" y="26" textAnchor="middle">
          wheel
        </text>
      </g>
      <g transform={`translate(210 ${66 + apart}) rotate(${(lean * 180) / Math.PI})`}>
        <path d="M-46 0H46" stroke="var(--color-act)" strokeWidth="6" />
      </g>
      <text x="210" y={66 + apart + 28} textAnchor="middle" style={{ fill: 'var(--color-act)' }}>
        output
      </text>
      <path d={`M330 66V${66 + apart}`} stroke="var(--color-ink)" />
      <text x="330" y="18" textAnchor="middle">
        {formatNumber(Math.abs(props.offset), 'fine_length', view)} apart,{' '}
        {formatNumber(Math.abs(props.angle), 'angle', view)} out of parallel
      </text>
    </svg>
  );
}
