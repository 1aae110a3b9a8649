import type { Drive } from '../../api/client';
import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { formatNumber } from '../../figure/format';

type Shaft = Drive['shafts'][number];
type XY = { x: number; y: number };
type Sort = NonNullable<Shaft['stage']>;
/** One stage, m: its two wheels where their shafts are, or a train of planets about one axis. */
interface Pair {
  sort: Sort;
  inner: boolean;
  idlers: number;
  a: XY & { r: number };
  b: XY & { r: number };
}
const ROOM = { x: 14, y: 14, width: 190, height: 256 };
/** Of two wheels whose distance is not known, m. */
const SKETCH = 0.12;
/** Of the distance of two gears, what idlers between them take. */
const IDLED = 0.4;
/** Stages whose wheels touch. */
const MESHED: Sort[] = ['gear', 'internal gear', 'bevel', 'V-drive', 'down-angle gear'];

/** The stages as they are: gears as pitch circles that touch, internal gears within their ring, planets about the sun, belts
 * and chains about their wheels; true to the offsets of the shafts where those are known. */
export function Wheels(props: { shafts: Shaft[] }) {
  const { view } = useProject();
  const turned = useForms().word('turns');
  const { shafts } = props;
  const { at, pairs, sketched } = laidOut(shafts);
  const circles = [...pairs.flatMap((p) => [p.a, p.b]), ...at.map((p) => ({ ...p, r: pairs.length ? 0.01 : 0.05 }))];
  const x0 = Math.min(...circles.map((c) => c.x - c.r));
  const x1 = Math.max(...circles.map((c) => c.x + c.r));
  const y0 = Math.min(...circles.map((c) => c.y - c.r));
  const y1 = Math.max(...circles.map((c) => c.y + c.r));
  const scale = Math.min(ROOM.width / (x1 - x0), ROOM.height / (y1 - y0));
  const sx = (x: number) => ROOM.x + ROOM.width / 2 + (x - (x0 + x1) / 2) * scale;
  const sy = (y: number) => ROOM.y + ROOM.height / 2 - (y - (y0 + y1) / 2) * scale;
  const rows = spread(at.map((p) => sy(p.y)));
  return (
    <g>
      {pairs.map((p, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a stage has its place in the train and no other name here
        <Stage key={i} pair={p} sx={sx} sy={sy} scale={scale} sketched={sketched} />
      ))}
      {shafts.map((s, i) => {
        const p = at[i] as XY;
        const row = rows[i] ?? 0;
        return (
          <g key={s.name}>
            {pairs.length === 0 && (
              <circle cx={sx(p.x)} cy={sy(p.y)} r="34" fill="none" stroke="var(--color-ink)" strokeDasharray="4 3" />
            )}
            <path d={`M${sx(p.x)} ${sy(p.y)}L212 ${row}H218`} stroke="var(--color-rule)" fill="none" />
            <circle cx={sx(p.x)} cy={sy(p.y)} r="4" fill="var(--color-act)" />
            {s.turns && <TurnArrow x={sx(p.x)} y={sy(p.y)} r={16} clockwise={s.turns === 'clockwise'} />}
            <text x={222} y={row - 6} style={{ fontWeight: 600 }}>
              {shafts.length === 1 ? `crank and ${turned}` : s.name}{' '}
              {s.speed_si != null && formatNumber(s.speed_si, 'rotation', view)}
            </text>
            <text x={222} y={row + 10} style={{ fill: 'var(--color-muted)' }}>
              {[
                s.torque_si != null && formatNumber(s.torque_si, 'torque', view),
                s.power_si != null && formatNumber(s.power_si, 'power', view),
                s.teeth != null && `${s.teeth} teeth`,
                s.loss_si != null && `${formatNumber(s.loss_si, 'small_power', view)} into heat`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </text>
            {s.turns && (
              <text x={222} y={row + 26} style={{ fill: 'var(--color-muted)' }}>
                turns {s.turns}
              </text>
            )}
          </g>
        );
      })}
      {sketched && pairs.length > 0 && (
        <text x={ROOM.x} y={290} style={{ fill: 'var(--color-muted)' }}>
          distances not measured: a sketch
        </text>
      )}
    </g>
  );
}

/** Where shafts lie and how large wheels are: by the offsets and the ratio of each stage. */
export function laidOut(shafts: Shaft[]): { at: XY[]; pairs: Pair[]; sketched: boolean } {
  const known = shafts.every((s) => s.offset_up_si != null && s.offset_starboard_si != null);
  const at: XY[] = [];
  const pairs: Pair[] = [];
  let sketched = false;
  shafts.forEach((s, i) => {
    if (i === 0 || !s.stage) {
      at.push({ x: 0, y: 0 });
      return;
    }
    const before = at[i - 1] as XY;
    const real = known
      ? { x: s.offset_starboard_si ?? 0, y: s.offset_up_si ?? 0 }
      : { x: before.x + (s.stage === 'planetary' ? 0 : SKETCH), y: before.y };
    const step = s.step && s.step > 0 ? s.step : 1;
    let here = real;
    let apart = Math.hypot(real.x - before.x, real.y - before.y);
    if (s.stage !== 'planetary' && apart < 1e-4) {
      here = { x: before.x + SKETCH, y: before.y };
      apart = SKETCH;
      sketched = true;
    }
    if (!known) sketched = true;
    at.push(here);
    const idlers = s.stage === 'gear' ? s.idlers : 0;
    const ringed = s.stage === 'internal gear' || (s.stage === 'gear' && s.keeps === true && idlers === 0);
    const inner = ringed && Math.abs(step - 1) > 0.02;
    // Idlers take their part of the distance; how large each is nobody said.
    const [a, b] = radii(s.stage, inner, step, apart * (idlers > 0 ? 1 - IDLED : 1));
    pairs.push({ sort: s.stage, inner, idlers, a: { ...before, r: a }, b: { ...here, r: b } });
  });
  return { at, pairs, sketched };
}

/** Radii of the two wheels of a stage from its ratio and the distance of their shafts, m. */
export function radii(sort: Sort, inner: boolean, step: number, apart: number): [number, number] {
  if (sort === 'planetary') return [0.03, 0.08];
  if (inner) {
    const small = apart / Math.abs(step - 1);
    return step > 1 ? [small, small * step] : [small, small * step];
  }
  const share = MESHED.includes(sort) ? 1 : 0.8;
  return [(share * apart) / (1 + step), (share * apart * step) / (1 + step)];
}

function Stage(props: {
  pair: Pair;
  sx: (x: number) => number;
  sy: (y: number) => number;
  scale: number;
  sketched: boolean;
}) {
  const { pair: p, sx, sy, scale, sketched } = props;
  const a = { x: sx(p.a.x), y: sy(p.a.y), r: p.a.r * scale };
  const b = { x: sx(p.b.x), y: sy(p.b.y), r: p.b.r * scale };
  const wheel = (c: XY & { r: number }, ring = false) => (
    <circle
      cx={c.x}
      cy={c.y}
      r={c.r}
      fill={ring ? 'none' : 'var(--color-sheet)'}
      fillOpacity="0.6"
      stroke="var(--color-ink)"
      strokeWidth={ring ? 4 : 1.4}
      strokeDasharray={sketched ? '6 3' : undefined}
    />
  );
  if (p.sort === 'planetary') {
    const middle = (a.r + b.r) / 2;
    return (
      <g data-stage="planetary">
        {wheel(b, true)}
        {[0, 120, 240].map((turn) => {
          const t = (turn * Math.PI) / 180;
          const planet = { x: a.x + middle * Math.sin(t), y: a.y - middle * Math.cos(t), r: (b.r - a.r) / 2 };
          return <g key={turn}>{wheel(planet)}</g>;
        })}
        {wheel(a)}
      </g>
    );
  }
  if (MESHED.includes(p.sort)) {
    const ring = p.inner ? (a.r > b.r ? a : b) : null;
    return (
      <g data-stage={p.inner ? 'internal gear' : p.sort}>
        {wheel(a, ring === a)}
        {wheel(b, ring === b)}
        {between(a, b, p.idlers).map((idler) => (
          <g key={idler.x + idler.y}>{wheel(idler)}</g>
        ))}
      </g>
    );
  }
  return (
    <g data-stage={p.sort}>
      {wheel(a)}
      {wheel(b)}
      <Round a={a} b={b} chain={p.sort === 'chain'} crossed={p.sort === 'crossed belt'} />
    </g>
  );
}

/** Idlers of one size in a row between two gears. */
export function between(a: XY & { r: number }, b: XY & { r: number }, count: number): (XY & { r: number })[] {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const r = (length - a.r - b.r) / (2 * count);
  return Array.from({ length: count }, (_, i) => {
    const t = (a.r + (2 * i + 1) * r) / length;
    return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y), r };
  });
}

/** The two straight runs of a belt or of a chain; of a crossed belt they leave on one side and come on at the other. */
function Round(props: { a: XY & { r: number }; b: XY & { r: number }; chain: boolean; crossed: boolean }) {
  const { a, b } = props;
  const far = props.crossed ? -b.r : b.r;
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const along = Math.atan2(b.y - a.y, b.x - a.x);
  const lean = Math.acos(Math.max(-1, Math.min(1, (a.r - far) / length)));
  return (
    <g
      stroke="var(--color-ink)"
      strokeWidth={props.chain ? 4 : 2.6}
      strokeDasharray={props.chain ? '1.5 4.5' : undefined}
      strokeLinecap={props.chain ? 'round' : 'butt'}
      fill="none"
    >
      {[1, -1].map((side) => {
        const t = along + side * lean;
        return (
          <path
            key={side}
            d={`M${a.x + a.r * Math.cos(t)} ${a.y + a.r * Math.sin(t)}L${b.x + far * Math.cos(t)} ${b.y + far * Math.sin(t)}`}
          />
        );
      })}
    </g>
  );
}

/** Heights of the captions, none over another. */
function spread(ys: number[]): number[] {
  const order = ys.map((y, i) => ({ y, i })).sort((p, q) => p.y - q.y);
  let last = Number.NEGATIVE_INFINITY;
  const made: number[] = [];
  for (const o of order) {
    last = Math.max(o.y, last + 54, 22);
    made[o.i] = last;
  }
  return made;
}

function TurnArrow(props: { x: number; y: number; r: number; clockwise: boolean }) {
  const { x, y, r } = props;
  const s = props.clockwise ? 1 : -1;
  return (
    <g fill="none" stroke="var(--color-act)" strokeWidth="2">
      <path
        d={`M${x - s * r * 0.77} ${y - r * 0.64}A${r} ${r} 0 0 ${props.clockwise ? 1 : 0} ${x + s * r * 0.77} ${y - r * 0.64}`}
      />
      <path
        d={`M${x + s * (r * 0.77 - 9)} ${y - r * 0.64 - 3}L${x + s * r * 0.77} ${y - r * 0.64}L${x + s * (r * 0.77 + 1)} ${y - r * 0.64 - 10}`}
      />
    </g>
  );
}
