import type { Shapes } from '../api/client';

type Unit = Shapes['installations'][number];
type XZ = { x: number; z: number };

export function gridLines(x0: number, x1: number): number[] {
  const made = [];
  for (let x = Math.ceil(x0); x <= x1; x += 1) made.push(x);
  return made;
}

export function Cross(props: { x: number; y: number; colour: string; size: number; bold?: boolean }) {
  const { x, y, size } = props;
  return (
    <path
      d={`M${x - size} ${y}h${2 * size}M${x} ${y - size}v${2 * size}`}
      stroke={props.colour}
      strokeWidth={props.bold ? 2 : 1.2}
    />
  );
}

/** A pack as large as it is; where its size is not known, a mark of no scale. */
export function PackShape(props: {
  pack: Unit['packs'][number];
  sx: (v: number) => number;
  sz: (v: number) => number;
  span: number;
}) {
  const { pack: p, sx, sz, span } = props;
  const sized = p.length != null && p.height != null;
  const wide = sized ? (p.length ?? 0) * span : 18;
  const high = sized ? (p.height ?? 0) * span : 12;
  return (
    <g fill="var(--color-act)" stroke="var(--color-act)" strokeWidth="1.6">
      <title>{sized ? p.name : `${p.name}: its size is not known`}</title>
      <rect
        x={sx(p.x) - wide / 2}
        y={sz(p.z) - high / 2}
        width={wide}
        height={high}
        fillOpacity="0.35"
        strokeDasharray={sized ? undefined : '3 2'}
      />
      <path d={`M${sx(p.x) - 4} ${sz(p.z) - high / 2}v-3h8v3`} fillOpacity="0.35" />
    </g>
  );
}

export function UnitShape(props: {
  unit: Unit;
  path: (p: XZ[], closed: boolean) => string;
  sx: (v: number) => number;
  sz: (v: number) => number;
  marine: boolean;
}) {
  const { unit, path, sx, sz } = props;
  const stroke = unit.old ? 'var(--color-grey)' : 'var(--color-act)';
  return (
    <g fill={unit.old ? 'none' : 'var(--color-act)'} stroke={stroke} strokeWidth={unit.old ? 1.1 : 1.6}>
      {unit.box.length > 0 && <path d={path(unit.box, true)} fillOpacity="0.08" stroke="none" pointerEvents="all" />}
      <path
        d={unit.silhouette.map((line) => path(line, false)).join('')}
        fillOpacity="0.14"
        strokeWidth={unit.old ? 0.8 : 1.3}
        pointerEvents="none"
      />
      {unit.arm.map((line) => (
        <path key={`${line[0]?.x} ${line[1]?.x}`} d={path(line, false)} strokeWidth={unit.old ? 1.1 : 3} fill="none" />
      ))}
      {unit.drive_box.length > 0 && <path d={path(unit.drive_box, true)} fillOpacity="0.35" />}
      {unit.propeller.length === 2 &&
        (props.marine ? (
          <Screw ends={unit.propeller} sx={sx} sz={sz} old={unit.old} />
        ) : (
          <path d={path(unit.propeller, false)} strokeWidth={unit.old ? 1.1 : 3} />
        ))}
      {!unit.old && unit.thrust_line.length > 0 && (
        <path d={path(unit.thrust_line, false)} strokeDasharray="12 3 2 3" strokeWidth="1" />
      )}
      {!unit.old && unit.cg && <circle cx={sx(unit.cg.x)} cy={sz(unit.cg.z)} r="4.5" />}
      {!unit.old && unit.flange && <path d={`M${sx(unit.flange.x)} ${sz(unit.flange.z) - 9}v18`} strokeWidth="4" />}
    </g>
  );
}

/** A boat's propeller from the side: two broad blades on a hub. */
function Screw(props: { ends: XZ[]; sx: (v: number) => number; sz: (v: number) => number; old: boolean }) {
  const [a, b] = props.ends.map((p) => [props.sx(p.x), props.sz(p.z)] as [number, number]);
  if (!a || !b) return null;
  const half = Math.hypot(b[0] - a[0], b[1] - a[1]) / 2;
  const turn = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
  return (
    <g
      transform={`translate(${(a[0] + b[0]) / 2} ${(a[1] + b[1]) / 2}) rotate(${turn})`}
      fillOpacity={props.old ? 0 : 0.5}
      strokeWidth={props.old ? 1.1 : 1.4}
    >
      {[1, -1].map((way) => (
        <path
          key={way}
          d={`M0 0C${way * half * 0.3} ${-half * 0.42} ${way * half} ${-half * 0.36} ${way * half} 0C${way * half} ${half * 0.2} ${way * half * 0.4} ${half * 0.24} 0 0Z`}
        />
      ))}
      <ellipse rx={half * 0.14} ry={half * 0.26} fillOpacity={props.old ? 0 : 1} />
    </g>
  );
}
