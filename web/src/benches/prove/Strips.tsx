import type { Prove } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

type Strip = Prove['strips'][number];
const WIDTH = 250;
const HEIGHT = 62;

/** Logged channels, each a strip over its time with its limit; what is simulated is dotted and says so. */
export function Strips(props: { strips: Strip[] }) {
  if (props.strips.length === 0) return null;
  return (
    <div className="max-h-80 overflow-y-auto border-l border-rule py-1">
      {props.strips.map((s) => (
        <One key={`${s.log} ${s.channel}`} strip={s} />
      ))}
    </div>
  );
}

function One(props: { strip: Strip }) {
  const { view } = useProject();
  const s = props.strip;
  const values = s.values;
  if (values.length === 0) return null;
  const near = (limit: number | null | undefined) => limit != null && Number.isFinite(limit);
  const low = Math.min(...values, ...(near(s.low_si) ? [s.low_si as number] : []));
  const high = Math.max(...values, ...(near(s.high_si) ? [s.high_si as number] : []));
  const tall = high - low || 1;
  const end = s.t.at(-1) || 1;
  const x = (t: number) => 6 + (t / end) * (WIDTH - 12);
  const y = (v: number) => HEIGHT - 6 - ((v - low) / tall) * (HEIGHT - 26);
  const path = values
    .map((v, i) => `${i ? 'L' : 'M'}${Math.round(x(s.t[i] ?? 0) * 10) / 10} ${Math.round(y(v) * 10) / 10}`)
    .join('');
  const limit = (si: number | null | undefined) =>
    near(si) ? (
      <path d={`M6 ${y(si as number)}H${WIDTH - 6}`} stroke="var(--color-stop)" strokeDasharray="5 4" />
    ) : null;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`${s.words} in ${s.log}`}
      data-strip={s.channel}
    >
      <text x="6" y="13">
        {s.words} {formatNumber(values.at(-1) ?? 0, s.dimension, view)}
      </text>
      {s.simulated && (
        <text x={WIDTH - 6} y="13" textAnchor="end" style={{ fill: 'var(--color-watch)' }}>
          simulated
        </text>
      )}
      {limit(s.low_si)}
      {limit(s.high_si)}
      <path
        d={path}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth="1.6"
        strokeDasharray={s.simulated ? '2 3' : undefined}
      />
      <title>{`${s.log}, ${s.t.length} readings drawn, ${Math.round(end)} s`}</title>
    </svg>
  );
}
