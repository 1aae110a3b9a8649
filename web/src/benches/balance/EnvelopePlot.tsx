import { scaleLinear } from 'd3-scale';
import { useProject, useShown } from '../../api/project';
import { bare, roundTicks } from '../../drawing/ticks';
import { directed, formatNumber, MARGIN, needed, STATION } from '../../figure/format';

const WIDTH = 470;
const HEIGHT = 250;

/** The envelope with every loading in it, and which is which. */
export function Envelope() {
  const { view } = useProject();
  const { shown } = useShown();
  const loadings = shown.balance?.loadings ?? [];
  return (
    <div className="grid gap-x-4 bg-sheet px-3.5 pb-2 min-[700px]:grid-cols-[minmax(0,30rem)_1fr]">
      <EnvelopePlot />
      <ol className="self-center">
        {loadings.map((l, i) => {
          const least = Math.min(
            l.forward_margin_si ?? Number.POSITIVE_INFINITY,
            l.aft_margin_si ?? Number.POSITIVE_INFINITY,
          );
          return (
            <li key={l.id} className="border-b border-rule py-1">
              <span className="figure">{i + 1}</span> {l.name}
              <span className="figure block text-xs text-muted">
                {l.mass_si == null || l.x_si == null ? (
                  `cannot say yet: needs ${needed(l.needs)}`
                ) : (
                  <>
                    {formatNumber(l.mass_si, 'mass', view)} at {directed(l.x_si, 'length', view, STATION)}
                    {Number.isFinite(least) && (
                      <span className={least < 0 ? 'text-stop' : ''}>, {directed(least, 'length', view, MARGIN)}</span>
                    )}
                  </>
                )}
              </span>
            </li>
          );
        })}
        <li className="pt-1 text-xs text-muted">
          Line: as fuel burns. Grey and hollow: as found. Dotted: the edge of every loading that can be. Dashed: gross
          mass.
        </li>
      </ol>
    </div>
  );
}

/** Loadings in the envelope with their burn trails: as found hollow and grey, the fit filled; dotted, the edge of all that can be. */
function EnvelopePlot() {
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
  const sx = scaleLinear([Math.min(...xs) - 0.02, Math.max(...xs) + 0.02], [58, WIDTH - 12]);
  const lowest = cases.length ? Math.min(...cases.map((p) => p.mass_si)) : Math.min(...ms);
  const sm = scaleLinear([Math.max(Math.min(...ms), lowest - 60), Math.max(...ms) * 1.02], [HEIGHT - 44, 10]);
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
        <rect x="56" y="4" width={WIDTH - 58} height={HEIGHT - 46} />
      </clipPath>
      {roundTicks(sx, 5, 'length', view).map((t) => (
        <g key={t}>
          <path d={`M${sx(t)} 6V${HEIGHT - 42}`} stroke="var(--color-rule)" />
          <text x={sx(t)} y={HEIGHT - 28} textAnchor="middle">
            {bare(t, 'length', view)}
          </text>
        </g>
      ))}
      <text x={(58 + WIDTH) / 2} y={HEIGHT - 8} textAnchor="middle" className="head">
        CG, {view.length?.unit} aft of the datum
      </text>
      {roundTicks(sm, 5, 'mass', view).map((t) => (
        <g key={t}>
          <path d={`M56 ${sm(t)}H${WIDTH - 4}`} stroke="var(--color-rule)" />
          <text x="52" y={sm(t) + 4} textAnchor="end">
            {bare(t, 'mass', view)}
          </text>
        </g>
      ))}
      <text
        transform={`rotate(-90 12 ${HEIGHT / 2 - 16})`}
        x="12"
        y={HEIGHT / 2 - 16}
        textAnchor="middle"
        className="head"
      >
        mass, {view.mass?.unit}
      </text>
      <g clipPath="url(#inside-plot)">
        <path d={outline} fill="var(--color-ok)" fillOpacity="0.1" stroke="var(--color-ok)" strokeWidth="1.6" />
        {b.gross_si != null && (
          <path d={`M56 ${sm(b.gross_si)}H${WIDTH}`} stroke="var(--color-ink)" strokeDasharray="4 3" />
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
