import type { Shapes, View } from '../api/client';
import { directed, formatNumber, STATION } from '../figure/format';

type XZ = { x: number; z: number };
type Scale = (v: number) => number;

/** The CG limits at their stations, as a band behind the craft. */
export function Limits(props: { shapes: Shapes; view: View; sx: Scale; high: number }) {
  const { shapes, view, sx } = props;
  if (shapes.limits.length !== 2) return null;
  // The datum is drawn beside them: aft of it goes without saying.
  const said = (x: number) => (x < 0 ? directed(x, 'length', view, STATION) : formatNumber(x, 'length', view));
  return (
    <g>
      <rect
        x={sx(shapes.limits[0] ?? 0)}
        width={sx(shapes.limits[1] ?? 0) - sx(shapes.limits[0] ?? 0)}
        y={28}
        height={props.high - 28}
        fill="var(--color-ok)"
        opacity="0.1"
      />
      {shapes.limits.map((x) => (
        <path key={x} d={`M${sx(x)} 28V${props.high}`} stroke="var(--color-ok)" />
      ))}
      <text
        x={sx(shapes.limits[0] ?? 0) - 4}
        y={Math.abs(sx(shapes.limits[0] ?? 0) - sx(0)) < 80 ? 38 : 24}
        textAnchor="end"
        style={{ fill: 'var(--color-ok)' }}
      >
        {said(shapes.limits[0] ?? 0)}
      </text>
      <text x={sx(shapes.limits[1] ?? 0) + 4} y={24} style={{ fill: 'var(--color-ok)' }}>
        {said(shapes.limits[1] ?? 0)} limits
      </text>
    </g>
  );
}

export function Wheels(props: { shapes: Shapes; sx: Scale; sz: Scale; span: number }) {
  const { shapes, sx, sz, span } = props;
  return (
    <>
      {shapes.wheels.map((w) => (
        <g key={w.id}>
          <circle
            cx={sx(w.x)}
            cy={sz(w.z)}
            r={w.radius * span}
            fill="var(--color-ground)"
            stroke="var(--color-ink)"
            strokeWidth="1.3"
          />
          <circle
            cx={sx(w.x)}
            cy={sz(w.z)}
            r={Math.max(2, w.radius * span * 0.2)}
            fill="none"
            stroke="var(--color-ink)"
          />
        </g>
      ))}
    </>
  );
}

/** The water she floats on before and after, empty, and the freeboards that it leaves. */
export function Water(props: {
  shapes: Shapes;
  view: View;
  path: (points: XZ[], closed: boolean) => string;
  sx: Scale;
  sz: Scale;
  right: number;
}) {
  const { shapes, view, path, sx, sz } = props;
  return (
    <>
      {shapes.water.length > 0 && (
        <g fill="none">
          <path d={path(shapes.water_before, false)} stroke="var(--color-grey)" />
          <path d={path(shapes.water, false)} stroke="var(--color-act)" strokeWidth="1.8" />
          <text
            x={props.right}
            y={sz(shapes.water[1]?.z ?? 0) - 6}
            textAnchor="end"
            style={{ fill: 'var(--color-act)' }}
          >
            water, empty
          </text>
        </g>
      )}
      {shapes.freeboards.map((f, i) => (
        <g key={f.x}>
          <path
            d={`M${sx(f.x)} ${sz(f.z)}V${sz(f.z - f.after_si)}m-4 -5l4 5l4 -5`}
            fill="none"
            stroke="var(--color-act)"
          />
          <text x={sx(f.x) + (i === 0 ? 6 : -6)} y={sz(f.z - f.after_si * 0.55)} textAnchor={i === 0 ? 'start' : 'end'}>
            {formatNumber(f.before_si, 'length', view)} →
          </text>
          <text
            x={sx(f.x) + (i === 0 ? 6 : -6)}
            y={sz(f.z - f.after_si * 0.55) + 14}
            textAnchor={i === 0 ? 'start' : 'end'}
          >
            {formatNumber(f.after_si, 'length', view)}
          </text>
        </g>
      ))}
    </>
  );
}

/** What each wheel or support carries, as arrows from below. */
export function Supports(props: { shapes: Shapes; view: View; sx: Scale; foot: number; middle: number }) {
  const { view, sx } = props;
  const arrows = mergeSupports(props.shapes);
  // On a short craft there is no room between the arrows for what they carry.
  const close = arrows.length > 1 && sx(arrows[arrows.length - 1]?.x ?? 0) - sx(arrows[0]?.x ?? 0) < 420;
  return (
    <>
      {arrows.map((s) => (
        <g key={s.id}>
          <path
            d={`M${sx(s.x)} ${props.foot}v-22m-4 7l4 -7l4 7`}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth="1.6"
          />
          {s.after !== null && (
            <text
              x={sx(s.x) + (close !== s.x > props.middle ? -8 : 8)}
              y={props.foot - 6}
              textAnchor={close !== s.x > props.middle ? 'end' : 'start'}
            >
              {s.name} {s.before !== null && `${formatNumber(s.before, 'mass', view)} → `}
              {formatNumber(s.after, 'mass', view)}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

/** Wheels at one station share one arrow. */
function mergeSupports(shapes: Shapes) {
  const made: { id: string; name: string; x: number; before: number | null; after: number | null }[] = [];
  for (const s of shapes.supports) {
    const twin = made.find((m) => Math.abs(m.x - s.x) < 0.05);
    const before = s.before_si ?? null;
    const after = s.after_si ?? null;
    if (twin) {
      twin.name = `${twin.name.replace(/^(port|starboard) /, '').replace(/ wheel$/, '')}${/wheel$/.test(twin.name) ? ' wheels' : 's'}`;
      twin.before = twin.before !== null && before !== null ? twin.before + before : null;
      twin.after = twin.after !== null && after !== null ? twin.after + after : null;
    } else made.push({ id: s.id, name: s.name, x: s.x, before, after });
  }
  return made;
}
