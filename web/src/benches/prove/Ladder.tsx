import { scaleLinear } from 'd3-scale';
import type { Prove } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';
import { COLOURS } from '../../findings/Mark';

const WIDTH = 560;
const HEIGHT = 300;
const LEFT = 56;
const FOOT = 36;

/** Speed of the craft over speed of the unit: what was read as solid dots, both ways; what was promised at full power as a
 * dashed line in a band of its doubt. Without speeds, promises lie side by side: the promise nought, its doubt a band. */
export function Ladder(props: { prove: Prove; card: string }) {
  const { view } = useProject();
  const strips = props.prove.strips.filter((s) => !s.simulated);
  const rpm = strips.find((s) => s.channel === 'rpm');
  const speed = rpm && strips.find((s) => s.channel === 'speed' && s.log === rpm.log);
  if (!rpm || !speed) return <Sides promises={props.prove.promises} />;
  const at = new Map(rpm.t.map((t, i) => [t, rpm.values[i] ?? 0]));
  const dots = speed.t.flatMap((t, i) => {
    const n = at.get(t);
    const v = speed.values[i];
    return n !== undefined && v !== undefined ? [{ n, v }] : [];
  });
  const promised = props.prove.promises.find((p) => p.id === 'drive.speed' || p.id === 'drive.top-speed');
  const rated = props.prove.promises.find((p) => p.id === 'unit.rated-speed');
  const most = Math.max(...dots.map((d) => d.v), (promised?.promised_si ?? 0) + (promised?.promised_doubt_si ?? 0));
  const fast = Math.max(...dots.map((d) => d.n), rated?.promised_si ?? 0);
  const x = scaleLinear([0, fast * 1.05], [LEFT, WIDTH - 12]);
  const y = scaleLinear([0, most * 1.12], [HEIGHT - FOOT, 14]);
  const dimension = speed.dimension;
  // Round numbers of the units shown.
  const unit = view[dimension]?.factor ?? 1;
  const rounds = scaleLinear([0, (most * 1.12) / unit], [0, 1])
    .ticks(5)
    .map((t) => t * unit);
  const turns = view.rotation?.factor ?? 1;
  const speeds = scaleLinear([0, (fast * 1.05) / turns], [0, 1])
    .ticks(6)
    .map((t) => t * turns);
  const full = dots.reduce((a, b) => (b.n > a.n ? b : a), dots[0] ?? { n: 0, v: 0 });
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="speed over speed of the unit"
    >
      {rounds.map((t) => (
        <g key={t}>
          <path d={`M${LEFT} ${y(t)}H${WIDTH - 12}`} stroke="var(--color-rule)" />
          <text x={LEFT - 6} y={y(t) + 4} textAnchor="end">
            {formatNumber(t, dimension, view)}
          </text>
        </g>
      ))}
      {speeds.map((t) => (
        <text key={t} x={x(t)} y={HEIGHT - FOOT + 16} textAnchor="middle">
          {formatNumber(t, 'rotation', view).replace(/\s.*/, '')}
        </text>
      ))}
      <text x={WIDTH - 12} y={HEIGHT - 4} textAnchor="end" style={{ fill: 'var(--color-muted)' }}>
        rpm of the unit
      </text>
      {promised?.promised_si != null && rated?.promised_si != null && (
        <g>
          {promised.promised_doubt_si != null && (
            <rect
              x={LEFT}
              width={x(rated.promised_si) - LEFT}
              y={y(promised.promised_si + promised.promised_doubt_si)}
              height={
                y(promised.promised_si - promised.promised_doubt_si) -
                y(promised.promised_si + promised.promised_doubt_si)
              }
              fill="var(--color-act)"
              opacity="0.12"
            />
          )}
          <path
            d={`M${LEFT} ${y(promised.promised_si)}H${x(rated.promised_si)}`}
            stroke="var(--color-act)"
            strokeWidth="2"
            strokeDasharray="8 6"
          />
          <text x={LEFT + 6} y={y(promised.promised_si) - 6} style={{ fill: 'var(--color-act)' }}>
            promised at full power
          </text>
        </g>
      )}
      {dots.map((d) => (
        <circle key={`${d.n} ${d.v}`} cx={x(d.n)} cy={y(d.v)} r="3.4" fill="var(--color-ink)" />
      ))}
      {rated?.promised_si != null && (
        <g>
          <path
            d={`M${x(full.n)} 14V${HEIGHT - FOOT}`}
            stroke={COLOURS[full.n < rated.promised_si * 0.97 ? 'stop' : 'ok']}
          />
          <text
            x={x(full.n) - 6}
            y="24"
            textAnchor="end"
            style={{ fill: COLOURS[full.n < rated.promised_si * 0.97 ? 'stop' : 'ok'] }}
          >
            full: {formatNumber(full.n, 'rotation', view)}, rated {formatNumber(rated.promised_si, 'rotation', view)}
          </text>
        </g>
      )}
    </svg>
  );
}

/** Every promise that was measured, in shares of it: the dashed middle is the promise, the band its doubt. */
function Sides(props: { promises: Prove['promises'] }) {
  const rows = props.promises.filter(
    (p) => p.measured_si != null && p.promised_si != null && p.dimension !== 'temperature' && p.promised_si !== 0,
  );
  if (rows.length === 0) return <p className="px-4 py-3 text-muted">Nothing that was promised is measured yet.</p>;
  const share = (p: (typeof rows)[number]) => (p.off_si ?? 0) / Math.abs(p.promised_si ?? 1);
  const most = Math.max(0.15, ...rows.map((p) => Math.abs(share(p)))) * 1.15;
  const x = scaleLinear([-most, most], [190, WIDTH - 20]);
  const height = 40 + rows.length * 34;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full"
      role="img"
      aria-label="measured beside promised, in shares"
    >
      <path d={`M${x(0)} 24V${height}`} stroke="var(--color-act)" strokeWidth="2" strokeDasharray="8 6" />
      {[-0.1, 0.1].map((s) => (
        <g key={s}>
          <path d={`M${x(s)} 24V${height}`} stroke="var(--color-rule)" />
          <text x={x(s)} y="16" textAnchor="middle" style={{ fill: 'var(--color-muted)' }}>
            10 % {s < 0 ? 'less' : 'more'}
          </text>
        </g>
      ))}
      <text x={x(0)} y="16" textAnchor="middle" style={{ fill: 'var(--color-act)' }}>
        promised
      </text>
      {rows.map((p, i) => {
        const y = 44 + i * 34;
        const doubt = (p.promised_doubt_si ?? 0) / Math.abs(p.promised_si ?? 1);
        return (
          <g key={p.id}>
            {doubt > 0 && (
              <rect
                x={x(-doubt)}
                width={x(doubt) - x(-doubt)}
                y={y - 9}
                height="18"
                fill="var(--color-act)"
                opacity="0.12"
              />
            )}
            <text x="180" y={y + 4} textAnchor="end">
              {p.label.length > 22 ? `${p.label.slice(0, 21)}…` : p.label}
            </text>
            <circle
              cx={x(share(p))}
              cy={y}
              r="4.5"
              fill={p.level && p.level !== 'ok' ? COLOURS[p.level as 'stop'] : 'var(--color-ink)'}
            />
          </g>
        );
      })}
    </svg>
  );
}
