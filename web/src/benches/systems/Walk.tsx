import type { Installation } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

type Systems = NonNullable<Installation['systems']>;
export type Point = Systems['exhaust'][number];
export interface Level {
  name: string;
  height: number;
  /** Water is filled below its line. */
  water?: boolean;
  dashed?: boolean;
}
export interface Measure {
  /** The part at whose end it is taken, from and to in metres of height. */
  at: number;
  from: number;
  to: number;
  words: string;
  tone: string;
}

const WIDTH = 828;
const HEIGHT = 268;
const LEFT = 40;
const RIGHT = 36;
const TOP = 52;
const FOOT = 40;

/** A walk along a lane: order left to right, heights true to one scale, width the bore. Where a height is not said the
 * line is dotted. */
export function Walk(props: { points: Point[]; levels?: Level[]; measure?: Measure | null; label: string }) {
  const { view } = useProject();
  const { points, levels = [] } = props;
  if (points.length === 0)
    return <p className="px-4 pb-3 text-muted">No parts entered yet: add them below, in the order of the flow.</p>;
  const heights = [
    ...points.map((p) => p.height_si).filter((h): h is number => h != null),
    ...levels.map((l) => l.height),
    ...(props.measure ? [props.measure.from, props.measure.to] : []),
  ];
  const low = Math.min(...heights, 0);
  const high = Math.max(...heights, 0.1);
  const tall = Math.max(high - low, 0.1);
  const scale = (HEIGHT - TOP - FOOT) / tall;
  const y = (h: number) => HEIGHT - FOOT - (h - low) * scale;
  const x = (i: number) => LEFT + (i * (WIDTH - LEFT - RIGHT)) / Math.max(1, points.length - 1);
  const known = points.map((p) => p.height_si ?? null);
  const at = (i: number) => y(known[i] ?? levels[0]?.height ?? low);
  /** The name of a level stands at the end of the walk that is further from it. */
  const onLeft = (h: number) => Math.abs(at(0) - y(h)) >= Math.abs(at(points.length - 1) - y(h));
  const thick = (bore: number | null | undefined) => Math.min(22, Math.max(4, (bore ?? 0) * scale * 1.6));
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" role="img" aria-label={props.label}>
      <text x="14" y="18" style={{ fill: 'var(--color-muted)' }}>
        in the order of the flow, left to right · heights true · width is the bore
      </text>
      {levels.map((l) => (
        <g key={l.name}>
          {l.water && (
            <rect
              x="0"
              width={WIDTH}
              y={y(l.height)}
              height={HEIGHT - y(l.height)}
              fill="var(--color-act)"
              opacity="0.08"
            />
          )}
          <path
            d={`M0 ${y(l.height)}H${WIDTH}`}
            stroke="var(--color-act)"
            strokeWidth={l.water ? 2 : 1.4}
            strokeDasharray={l.dashed ? '7 5' : undefined}
          />
          <text
            x={onLeft(l.height) ? 8 : WIDTH - 8}
            textAnchor={onLeft(l.height) ? 'start' : 'end'}
            y={l.dashed ? y(l.height) - 5 : y(l.height) + 14}
            paintOrder="stroke"
            stroke="var(--color-sheet)"
            strokeWidth="3"
            style={{ fill: 'var(--color-act)' }}
          >
            {l.name}
          </text>
        </g>
      ))}
      {points.slice(1).map((p, i) => {
        const sure = known[i] != null && known[i + 1] != null;
        const d = `M${x(i)} ${at(i)}L${x(i + 1)} ${at(i + 1)}`;
        const wide = thick(p.bore_si);
        if (!sure)
          return (
            <path
              key={p.id}
              d={d}
              stroke="var(--color-unknown)"
              strokeWidth="3"
              strokeDasharray="0.5 8"
              strokeLinecap="round"
            />
          );
        return (
          <g key={p.id} strokeLinecap="round">
            <path d={d} stroke="var(--color-ink)" strokeWidth={wide + 2.6} />
            <path d={d} stroke="var(--color-sheet)" strokeWidth={wide} />
          </g>
        );
      })}
      {points.map((p, i) => {
        const box = ['unit', 'tank', 'pump', 'filter', 'cooler', 'valve'].includes(p.kind ?? '');
        return box ? (
          <rect
            key={p.id}
            x={x(i) - 9}
            y={at(i) - 9}
            width="18"
            height="18"
            fill="var(--color-tray)"
            stroke="var(--color-ink)"
            strokeWidth="1.4"
          />
        ) : null;
      })}
      {points.map((p, i) => {
        const above = i % 2 === 0;
        const ty = above ? Math.max(32, at(i) - 18) : Math.min(HEIGHT - 18, at(i) + 30);
        const anchor = i === 0 ? 'start' : i === points.length - 1 ? 'end' : 'middle';
        const tx = i === 0 ? x(i) - 24 : i === points.length - 1 ? x(i) + 24 : x(i);
        return (
          <g key={p.id}>
            <text x={tx} y={ty} textAnchor={anchor} paintOrder="stroke" stroke="var(--color-sheet)" strokeWidth="3">
              {p.name}
            </text>
            {p.bore_si != null && (i === 0 || p.bore_si !== points[i - 1]?.bore_si) && (
              <text
                x={tx}
                y={ty + 13}
                textAnchor={anchor}
                paintOrder="stroke"
                stroke="var(--color-sheet)"
                strokeWidth="3"
                style={{ fill: 'var(--color-muted)' }}
              >
                {formatNumber(p.bore_si, 'bore', view)}
              </text>
            )}
          </g>
        );
      })}
      {props.measure && <Gap measure={props.measure} x={x(props.measure.at)} y={y} />}
    </svg>
  );
}

/** A height that matters, as an arrow between two. */
function Gap(props: { measure: Measure; x: number; y: (h: number) => number }) {
  const { from, to, words, tone } = props.measure;
  const [a, b] = [props.y(from), props.y(to)];
  return (
    <g stroke={tone} fill={tone}>
      <path d={`M${props.x + 16} ${a}V${b}`} strokeWidth="1.8" />
      <path d={`M${props.x + 11} ${a}h10M${props.x + 11} ${b}h10`} strokeWidth="1.8" />
      <text x={props.x + 24} y={(a + b) / 2 + 4} stroke="none" style={{ fill: tone, fontWeight: 600 }}>
        {words}
      </text>
    </g>
  );
}
