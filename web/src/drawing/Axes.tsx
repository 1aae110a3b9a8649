import type { ScaleLinear } from 'd3-scale';
import type { View } from '../api/client';
import { bare, roundTicks } from './ticks';

export type Scale = ScaleLinear<number, number>;

interface Axis {
  scale: Scale;
  dimension: string;
  name: string;
  ticks: number;
}

/** Two axes with ticks at round numbers of the view, each with its name and unit. named: how far under the floor the
 * name of the lower one stands. */
export function Axes(props: { x: Axis; y: Axis; view: View; named: number }) {
  const { x, y, view } = props;
  const [left = 0, right = 0] = x.scale.range();
  const [floor = 0, top = 0] = y.scale.range();
  const middle = (top + floor) / 2;
  return (
    <g>
      {roundTicks(y.scale, y.ticks, y.dimension, view).map((t) => (
        <g key={t}>
          <path d={`M${left} ${y.scale(t)}H${right}`} stroke="var(--color-rule)" />
          <text x={left - 4} y={y.scale(t) + 4} textAnchor="end">
            {bare(t, y.dimension, view)}
          </text>
        </g>
      ))}
      <text transform={`rotate(-90 12 ${middle})`} x="12" y={middle} textAnchor="middle" className="head">
        {y.name}, {view[y.dimension]?.unit}
      </text>
      <path d={`M${left} ${floor}H${right}`} stroke="var(--color-ink)" />
      {roundTicks(x.scale, x.ticks, x.dimension, view).map((t) => (
        <g key={t}>
          <path d={`M${x.scale(t)} ${floor}v4`} stroke="var(--color-ink)" />
          <text x={x.scale(t)} y={floor + 16} textAnchor="middle">
            {bare(t, x.dimension, view)}
          </text>
        </g>
      ))}
      <text x={(left + right) / 2} y={floor + props.named} textAnchor="middle" className="head">
        {x.name}, {view[x.dimension]?.unit}
      </text>
    </g>
  );
}
