import { scaleLinear } from 'd3-scale';
import { useProject, useShown } from '../../api/project';
import { formatNumber } from '../../figure/format';

const WIDTH = 400;
const HEIGHT = 230;

/** Loadings in the envelope with their burn trails: as found hollow and grey, the fit filled; dotted, the edge of all that can be. */
export function EnvelopePlot() {
  const { view } = useProject();
  const { shown } = useShown();
  const b = shown.balance;
  if (!b || b.envelope.length === 0)
    return <p className="py-2 text-unknown">Cannot draw the envelope yet: needs the limits.</p>;
  const cases = [
    ...[...b.loadings, ...b.before_loadings].flatMap((l) => l.trail),
    ...b.frontier.flatMap((f) => f.points),
  ];
  const xs = [...b.envelope.map((p) => p.x_si), ...cases.map((p) => p.x_si)];
  const ms = [...b.envelope.map((p) => p.mass_si), ...cases.map((p) => p.mass_si)];
  const sx = scaleLinear([Math.min(...xs) - 0.02, Math.max(...xs) + 0.02], [52, WIDTH - 12]);
  const lowest = cases.length ? Math.min(...cases.map((p) => p.mass_si)) : Math.min(...ms);
  const sm = scaleLinear([Math.max(Math.min(...ms), lowest - 60), Math.max(...ms) * 1.02], [HEIGHT - 30, 10]);
  const outline = `${b.envelope.map((p, i) => `${i ? 'L' : 'M'}${sx(p.x_si)} ${sm(p.mass_si)}`).join('')}Z`;
  const trail = (points: { x_si: number; mass_si: number }[]) =>
    points.map((p, i) => `${i ? 'L' : 'M'}${sx(p.x_si)} ${sm(p.mass_si)}`).join('');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="loadings in the envelope; the table beside it has the same"
    >
      <clipPath id="inside-plot">
        <rect x="50" y="4" width={WIDTH - 52} height={HEIGHT - 34} />
      </clipPath>
      {sx.ticks(4).map((t) => (
        <g key={t}>
          <path d={`M${sx(t)} 6V${HEIGHT - 28}`} stroke="var(--color-rule)" />
          <text x={sx(t)} y={HEIGHT - 14} textAnchor="middle">
            {formatNumber(t, 'length', view)}
          </text>
        </g>
      ))}
      {sm.ticks(5).map((t) => (
        <g key={t}>
          <path d={`M50 ${sm(t)}H${WIDTH - 4}`} stroke="var(--color-rule)" />
          <text x="46" y={sm(t) + 4} textAnchor="end">
            {formatNumber(t, 'mass', view).split('.')[0]}
          </text>
        </g>
      ))}
      <g clipPath="url(#inside-plot)">
        <path d={outline} fill="var(--color-ok)" fillOpacity="0.1" stroke="var(--color-ok)" strokeWidth="1.6" />
        {b.gross_si != null && (
          <path d={`M50 ${sm(b.gross_si)}H${WIDTH}`} stroke="var(--color-ink)" strokeDasharray="4 3" />
        )}
        {b.frontier.map((f) => (
          <path key={f.side} d={trail(f.points)} fill="none" stroke="var(--color-ink)" strokeDasharray="1.5 3" />
        ))}
        {b.before_loadings.map((l) => (
          <g key={l.id} fill="none" stroke="var(--color-grey)">
            <path d={trail(l.trail)} />
            {l.trail.at(-1) && (
              <circle cx={sx(l.trail.at(-1)?.x_si ?? 0)} cy={sm(l.trail.at(-1)?.mass_si ?? 0)} r="3.5" />
            )}
          </g>
        ))}
        {b.loadings.map((l, i) => {
          const outside = Math.min(l.forward_margin_si ?? 0, l.aft_margin_si ?? 0) < 0;
          const colour = outside ? 'var(--color-stop)' : 'var(--color-act)';
          const top = l.trail.at(-1);
          return (
            <g key={l.id} fill={colour} stroke={colour}>
              <path d={trail(l.trail)} fill="none" strokeWidth="2" />
              {top && <circle cx={sx(top.x_si)} cy={sm(top.mass_si)} r="4" />}
              {top && (
                <text x={sx(top.x_si) + 7} y={sm(top.mass_si) + 4} stroke="none">
                  {i + 1}
                </text>
              )}
            </g>
          );
        })}
      </g>
    </svg>
  );
}
