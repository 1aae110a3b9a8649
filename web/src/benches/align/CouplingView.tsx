import type { Installation } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

type Coupling = NonNullable<NonNullable<Installation['align']>['coupling']>;
const WIDTH = 828;
const HEIGHT = 232;
const CLOCKS = [12, 3, 6, 9];

/** The unrolled rim with its gaps, the two faces leaning, and the four feet from above with what each must do. */
export function CouplingView(props: { coupling: Coupling }) {
  const { view } = useProject();
  const c = props.coupling;
  const fine = (si: number | null | undefined) => (si == null ? '?' : formatNumber(si, 'fine_length', view));
  const known = c.gaps.filter((g): g is number => g != null);
  const most = Math.max(1e-4, ...known, ...c.after, (c.ok_si ?? 0) * 2);
  const base = 150;
  const h = (gap: number) => (gap / most) * 96;
  const x = (i: number) => 56 + i * 62;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="coupling gaps round the rim, faces leaning, and the moves of the four feet"
    >
      <text x="14" y="18" style={{ fill: 'var(--color-muted)' }}>
        the rim unrolled, seen from aft
      </text>
      <path d={`M30 ${base}H312`} stroke="var(--color-ink)" strokeWidth="2" />
      {c.ok_si != null && known.length > 0 && (
        <rect
          x="30"
          width="282"
          y={base - h(Math.min(...known) + c.ok_si)}
          height={h(c.ok_si)}
          fill="var(--color-ok)"
          opacity="0.18"
        />
      )}
      {CLOCKS.map((clock, i) => {
        const gap = c.gaps[i];
        const after = c.after[i];
        return (
          <g key={clock}>
            {gap != null ? (
              <rect
                x={x(i) - 15}
                width="30"
                y={base - h(gap)}
                height={h(gap)}
                fill="var(--color-act)"
                fillOpacity="0.28"
                stroke="var(--color-act)"
              />
            ) : (
              <text x={x(i)} y={base - 8} textAnchor="middle" style={{ fill: 'var(--color-unknown)' }}>
                ?
              </text>
            )}
            {after != null && (
              <path
                d={`M${x(i) - 20} ${base - h(after)}h40`}
                stroke="var(--color-ok)"
                strokeWidth="2"
                strokeDasharray="5 3"
              />
            )}
            <text x={x(i)} y={base + 16} textAnchor="middle">
              {clock}
            </text>
            <text x={x(i)} y={base + 32} textAnchor="middle" style={{ fill: 'var(--color-muted)' }}>
              {fine(gap)}
            </text>
          </g>
        );
      })}
      <text x="30" y={base + 54} style={{ fill: 'var(--color-muted)' }}>
        {c.after.length > 0 ? 'dashes: what you should read after the flats' : ''}
      </text>
      <Faces coupling={c} />
      <FeetPlan coupling={c} fine={fine} />
    </svg>
  );
}

/** Side view of the two faces; the lean is drawn much too large, and says so. */
function Faces(props: { coupling: Coupling }) {
  const lean = props.coupling.angle_v;
  const shown = lean == null ? 0 : Math.max(-0.22, Math.min(0.22, lean * 90));
  const lift = Math.max(-26, Math.min(26, -(props.coupling.offset_v_si ?? 0) * 120000));
  return (
    <g transform="translate(420 106)">
      <text x="-62" y="-88" style={{ fill: 'var(--color-muted)' }}>
        side view, lean × 90
      </text>
      <path d="M6 -46V46M6 0H70" stroke="var(--color-ink)" strokeWidth="5" />
      <text x="30" y="-10" style={{ fill: 'var(--color-muted)' }}>
        shaft
      </text>
      {lean == null ? (
        <text x="-66" y="4" style={{ fill: 'var(--color-unknown)' }}>
          needs gaps
        </text>
      ) : (
        <g transform={`translate(-8 ${lift}) rotate(${(shown * 180) / Math.PI})`}>
          <path d="M0 -46V46M0 0H-64" stroke="var(--color-act)" strokeWidth="5" />
          <text x="-60" y="-10" style={{ fill: 'var(--color-act)' }}>
            unit
          </text>
        </g>
      )}
    </g>
  );
}

/** The feet from above, the coupling to the right: flats up or down at each, and which ones are soft. */
function FeetPlan(props: { coupling: Coupling; fine: (si: number | null | undefined) => string }) {
  const at: Record<string, [number, number]> = {
    front_port: [588, 152],
    front_starboard: [588, 62],
    rear_port: [700, 152],
    rear_starboard: [700, 62],
  };
  const flats = (n: number | null | undefined) =>
    n == null ? 'flats ?' : n === 0 ? 'leave' : `${Math.abs(n)} flats ${n > 0 ? 'up' : 'down'}`;
  return (
    <g>
      <text x="530" y="18" style={{ fill: 'var(--color-muted)' }}>
        the feet from above, bow to the left
      </text>
      <rect x="566" y="50" width="158" height="116" fill="var(--color-tray)" stroke="var(--color-rule)" />
      <path d="M724 110h74" stroke="var(--color-ink)" strokeWidth="5" />
      <path d="M752 98v24" stroke="var(--color-act)" strokeWidth="5" />
      {props.coupling.feet.map((f) => {
        const [x, y] = at[f.id] ?? [0, 0];
        const low = y > 100;
        return (
          <g key={f.id}>
            <circle
              cx={x}
              cy={y}
              r="10"
              fill="var(--color-sheet)"
              stroke={f.soft ? 'var(--color-watch)' : 'var(--color-act)'}
              strokeWidth={f.soft ? 4 : 2.2}
            />
            <text x={x} y={low ? y + 30 : y - 18} textAnchor="middle" style={{ fontWeight: 600 }}>
              {flats(f.flats)}
            </text>
            <text x={x} y={low ? y + 45 : y + 28} textAnchor="middle" style={{ fill: 'var(--color-muted)' }}>
              {f.soft ? `soft, shim ${props.fine(f.shim_si)}` : props.fine(f.up_si)}
            </text>
          </g>
        );
      })}
    </g>
  );
}
