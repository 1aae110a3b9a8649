import type { Installation } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

type Tank = NonNullable<Installation['systems']>['tanks'][number];
const WIDTH = 828;
const HEIGHT = 214;

/** The tank or sump at its lower mark, level, in the steepest attitudes and over to a side, with the pickup under the oil or bare. */
export function OilTanks(props: { tanks: Tank[] }) {
  const { view } = useProject();
  if (props.tanks.length === 0)
    return (
      <p className="px-4 pb-3 text-muted">Draw the tank below: its corners, its width and where it is drawn from.</p>
    );
  const all = props.tanks.flatMap((t) => t.outline);
  const reach = Math.max(0.05, ...all.map((p) => Math.abs(p.aft_si)), ...all.map((p) => Math.abs(p.up_si)));
  const scale = Math.min(190 / reach, 600);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" role="img" aria-label="oil in its tank as it lies">
      <text x="14" y="18" style={{ fill: 'var(--color-muted)' }}>
        {`from port, forward is left${props.tanks.length > 3 ? '; the last from behind' : ''}; oil at the lower mark`}
      </text>
      {props.tanks.map((t, i) => {
        const xs = t.outline.map((p) => p.aft_si);
        const zs = t.outline.map((p) => p.up_si);
        const mid = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...zs) + Math.max(...zs)) / 2];
        const cx = WIDTH * ((i + 0.5) / props.tanks.length);
        const px = (v: number) => cx + (v - (mid[0] ?? 0)) * scale;
        const pz = (v: number) => 112 - (v - (mid[1] ?? 0)) * scale;
        const d = `M${t.outline.map((p) => `${px(p.aft_si)} ${pz(p.up_si)}`).join('L')}Z`;
        const bare = (t.depth_si ?? 0) < 0;
        return (
          <g key={t.words}>
            <clipPath id={`oil-${i}`}>
              <path d={d} />
            </clipPath>
            {t.level_si != null && (
              <rect
                x={cx - 140}
                width="280"
                y={pz(t.level_si)}
                height="240"
                clipPath={`url(#oil-${i})`}
                fill="var(--color-watch)"
                opacity="0.28"
              />
            )}
            <path d={d} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
            {t.pickup && (
              <circle
                cx={px(t.pickup.aft_si)}
                cy={pz(t.pickup.up_si)}
                r="5"
                fill={bare ? 'var(--color-stop)' : 'var(--color-ink)'}
              />
            )}
            <text x={cx} y={HEIGHT - 20} textAnchor="middle">
              {t.words}
              {t.nose_up !== 0 && ` ${formatNumber(Math.abs(t.nose_up), 'angle', view)}`}
            </text>
            {t.depth_si != null && (
              <text
                x={cx}
                y={HEIGHT - 5}
                textAnchor="middle"
                style={{ fill: bare ? 'var(--color-stop)' : 'var(--color-muted)' }}
              >
                {bare ? 'bare by ' : 'pickup under '}
                {formatNumber(Math.abs(t.depth_si), 'length', view)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
