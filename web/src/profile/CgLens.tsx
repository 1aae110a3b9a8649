import { scaleLinear } from 'd3-scale';
import type { Shapes } from '../api/client';
import { useProject } from '../api/project';
import { formatNumber } from '../figure/format';

export const LENS = { width: 112, height: 72 };

/** The empty CG seen close: the limits, where it was and where it is, each with what is doubtful about it, once and twice over. */
export function CgLens(props: { shapes: Shapes; span: number; x: number; y: number }) {
  const { view } = useProject();
  const { cg_before: before, cg_after: after, limits } = props.shapes;
  const seen = after ?? before;
  if (!seen || limits.length < 2) return null;
  const cgs = [before, after].filter((c) => c !== null && c !== undefined);
  const reach = Math.max(...cgs.map((c) => Math.max(c.plus_minus ?? 0, c.plus_minus_z ?? 0)), 0.01);
  const xs = [...limits, ...cgs.flatMap((c) => [c.x - reach, c.x + reach])];
  const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
  const wide = (Math.max(...xs) - Math.min(...xs)) * 1.12;
  const scale = LENS.width / wide;
  const sx = scaleLinear([middle - wide / 2, middle + wide / 2], [props.x, props.x + LENS.width]);
  const sz = (z: number) => props.y + LENS.height / 2 - (z - seen.z) * scale;
  const [forward = 0, aft = 0] = limits;
  const times = Math.round(scale / props.span);
  return (
    <g data-lens>
      <title>
        {`The empty CG seen ${formatNumber(times, 'count', view)} times as close: grey where it was, with its doubt of two standard deviations; filled, one.`}
      </title>
      <clipPath id="cg-lens">
        <rect x={props.x} y={props.y} {...LENS} />
      </clipPath>
      <rect x={props.x} y={props.y} {...LENS} fill="var(--color-sheet)" stroke="var(--color-rule)" />
      <g clipPath="url(#cg-lens)">
        <rect
          x={sx(forward)}
          y={props.y}
          width={sx(aft) - sx(forward)}
          height={LENS.height}
          fill="var(--color-ok)"
          fillOpacity="0.14"
        />
        {[forward, aft].map((l) => (
          <path key={l} d={`M${sx(l)} ${props.y}v${LENS.height}`} stroke="var(--color-ok)" />
        ))}
        {before && (
          <ellipse
            cx={sx(before.x)}
            cy={sz(before.z)}
            rx={Math.max(1, (before.plus_minus ?? 0) * scale)}
            ry={Math.max(1, (before.plus_minus_z ?? 0) * scale)}
            fill="none"
            stroke="var(--color-grey)"
          />
        )}
        {after &&
          [0.5, 1].map((k) => (
            <ellipse
              key={k}
              cx={sx(after.x)}
              cy={sz(after.z)}
              rx={Math.max(1, k * (after.plus_minus ?? 0) * scale)}
              ry={Math.max(1, k * (after.plus_minus_z ?? 0) * scale)}
              fill={k < 1 ? 'var(--color-act)' : 'none'}
              fillOpacity="0.25"
              stroke="var(--color-act)"
            />
          ))}
        {before && <circle cx={sx(before.x)} cy={sz(before.z)} r="2" fill="var(--color-grey)" />}
        {after && <circle cx={sx(after.x)} cy={sz(after.z)} r="2" fill="var(--color-act)" />}
      </g>
      <text x={props.x + LENS.width - 4} y={props.y + LENS.height - 5} textAnchor="end">
        ×{formatNumber(times, 'count', view)}
      </text>
    </g>
  );
}
