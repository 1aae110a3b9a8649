import { type ScaleLinear, scaleLinear } from 'd3-scale';
import type { View } from '../api/client';
import { formatNumber } from '../figure/format';

/** Ticks of an axis in SI at round numbers of the view: 40 in, not 39.37 in. */
export function roundTicks(scale: ScaleLinear<number, number>, count: number, dimension: string, view: View): number[] {
  const unit = view[dimension];
  if (!unit) return scale.ticks(count);
  const [from = 0, to = 1] = scale.domain().map((si) => (si - unit.offset) / unit.factor);
  return scaleLinear([from, to], [0, 1])
    .ticks(count)
    .map((t) => t * unit.factor + unit.offset);
}

/** A number of an axis, whose unit stands in the name of the axis; no zeros behind the point. */
export function bare(si: number, dimension: string, view: View): string {
  return formatNumber(si, dimension, view).replace(/(\.0+)?(\u00a0.*|°)?$/, '');
}
