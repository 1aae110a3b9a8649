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
}) {
  const { unit, path, sx, sz } = props;
  const stroke = unit.old ? 'var(--color-grey)' : 'var(--color-act)';
  return (
    <g fill={unit.old ? 'none' : 'var(--color-act)'} stroke={stroke} strokeWidth={unit.old ? 1.1 : 1.6}>
      {unit.box.length > 0 && <path d={path(unit.box, true)} fillOpacity="0.2" pointerEvents="all" />}
      {unit.arm.map((line) => (
        <path key={`${line[0]?.x} ${line[1]?.x}`} d={path(line, false)} strokeWidth={unit.old ? 1.1 : 3} fill="none" />
      ))}
      {unit.drive_box.length > 0 && <path d={path(unit.drive_box, true)} fillOpacity="0.35" />}
      {unit.propeller.length > 0 && <path d={path(unit.propeller, false)} strokeWidth={unit.old ? 1.1 : 3} />}
      {!unit.old && unit.thrust_line.length > 0 && (
        <path d={path(unit.thrust_line, false)} strokeDasharray="12 3 2 3" strokeWidth="1" />
      )}
      {!unit.old && unit.cg && <circle cx={sx(unit.cg.x)} cy={sz(unit.cg.z)} r="4.5" />}
      {!unit.old && unit.flange && <path d={`M${sx(unit.flange.x)} ${sz(unit.flange.z) - 9}v18`} strokeWidth="4" />}
    </g>
  );
}
