import { scaleLinear } from 'd3-scale';
import { useProject, useShown } from '../../api/project';
import { roundTicks } from '../../drawing/ticks';
import { directed, formatNumber, STATION } from '../../figure/format';

const WIDTH = 828;
const HEIGHT = 134;
const BEAM = 62;

/** The beam: every ledger item hung at its station, area by mass; removed hollow above, installed filled below. */
export function Steelyard() {
  const { view } = useProject();
  const { shown } = useShown();
  const rows = (shown.balance?.ledger ?? []).filter((r) => r.mass_si != null && r.x_si != null && r.sign !== 0);
  const shapes = shown.shapes;
  const along = [...shapes.outline.flatMap((p) => p.points.map((q) => q.x)), ...rows.map((r) => r.x_si as number)];
  const [nose, tail] = [Math.min(...along), Math.max(...along)];
  const margin = 0.02 * (tail - nose);
  const sx = scaleLinear([nose - margin, tail + margin], [34, WIDTH - 34]);
  const side = (mass: number) => Math.sqrt(mass) * 3.6;
  const after = shapes.cg_after ?? shapes.cg_before;
  const inside =
    after && shapes.limits.length === 2
      ? after.x >= (shapes.limits[0] ?? 0) && after.x <= (shapes.limits[1] ?? 0)
      : undefined;
  const late = (x: number) => sx(x) > WIDTH * 0.6;
  /** Whether something hangs where the number of a tick would stand. */
  const under = (x: number) =>
    rows.some((r) => r.sign > 0 && Math.abs(sx(r.x_si as number) - x) < 26 + side(r.mass_si as number) / 2);
  const named = (sign: number) =>
    rows.filter((r) => r.sign === sign).sort((a, b) => (b.mass_si ?? 0) - (a.mass_si ?? 0))[0];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full bg-sheet"
      role="img"
      aria-label="steelyard: what comes out above the beam, what goes in below"
    >
      {shapes.limits.length === 2 && (
        <rect
          x={sx(shapes.limits[0] ?? 0)}
          width={sx(shapes.limits[1] ?? 0) - sx(shapes.limits[0] ?? 0)}
          y={BEAM - 8}
          height="8"
          fill="var(--color-ok)"
          opacity="0.35"
        />
      )}
      <path d={`M20 ${BEAM}H${WIDTH - 20}`} stroke="var(--color-ink)" strokeWidth="2" />
      {roundTicks(sx, 7, 'length', view).map((t) => (
        <g key={t}>
          <path d={`M${sx(t)} ${BEAM}v5`} stroke="var(--color-ink)" />
          {after && Math.abs(sx(t) - sx(after.x)) > 40 && !under(sx(t)) && (
            <text x={sx(t)} y={BEAM + 18} textAnchor="middle" style={{ fill: 'var(--color-muted)' }}>
              {formatNumber(t, 'length', view)}
            </text>
          )}
        </g>
      ))}
      {rows.map((r) => {
        const s = side(r.mass_si as number);
        const x = sx(r.x_si as number);
        const out = r.sign < 0;
        return (
          <g key={r.id}>
            <path d={`M${x} ${BEAM}v${out ? -6 : 6}`} stroke={out ? 'var(--color-grey)' : 'var(--color-act)'} />
            <rect
              x={x - s / 2}
              y={out ? BEAM - 6 - s : BEAM + 6}
              width={s}
              height={s}
              fill={out ? 'var(--color-sheet)' : 'var(--color-act)'}
              fillOpacity={out ? 1 : 0.85}
              stroke={out ? 'var(--color-grey)' : 'var(--color-sheet)'}
            >
              <title>{`${r.name}: ${formatNumber(r.mass_si as number, 'mass', view)} at ${directed(r.x_si as number, 'length', view, STATION)}`}</title>
            </rect>
          </g>
        );
      })}
      {[-1, 1].map((sign) => {
        const r = named(sign);
        if (!r) return null;
        const s = side(r.mass_si as number);
        return (
          <text
            key={sign}
            x={sx(r.x_si as number) + (late(r.x_si as number) ? -1 : 1) * (s / 2 + 6)}
            textAnchor={late(r.x_si as number) ? 'end' : 'start'}
            y={sign < 0 ? BEAM - 6 - s / 2 : Math.min(HEIGHT - 6, BEAM + 6 + s + 12)}
            style={sign < 0 ? { fill: 'var(--color-muted)' } : undefined}
          >
            {r.name} {sign < 0 ? 'out' : 'in'}, {formatNumber(r.mass_si as number, 'mass', view)}
          </text>
        );
      })}
      {shapes.cg_before && shapes.cg_after && <Fulcrum x={sx(shapes.cg_before.x)} hollow />}
      {after && (
        <g>
          <Fulcrum x={sx(after.x)} colour={inside === false ? 'var(--color-stop)' : 'var(--color-act)'} />
          <text x={sx(after.x) + (late(after.x) ? -14 : 14)} y={BEAM + 34} textAnchor={late(after.x) ? 'end' : 'start'}>
            empty CG {directed(after.x, 'length', view, STATION)}
            {shapes.cg_before && shapes.cg_after
              ? `, was ${directed(shapes.cg_before.x, 'length', view, STATION)}`
              : ''}
          </text>
        </g>
      )}
    </svg>
  );
}

function Fulcrum(props: { x: number; colour?: string; hollow?: boolean }) {
  return (
    <path
      d={`M${props.x} ${BEAM + 2}l9 17h-18z`}
      fill={props.hollow ? 'none' : props.colour}
      stroke={props.hollow ? 'var(--color-grey)' : props.colour}
      strokeWidth="1.2"
    />
  );
}
