import type { Shapes } from '../api/client';

const WIDTH = 190;
const HEIGHT = 70;

/** The craft in little, with its unit, for the list. */
export function SmallProfile(props: { shapes: Shapes | null | undefined }) {
  const shapes = props.shapes;
  const points = shapes
    ? [
        ...shapes.outline.flatMap((p) => p.points),
        ...shapes.installations.flatMap((i) => i.propeller),
        ...shapes.wheels.flatMap((w) => [-1, 1].map((way) => ({ x: w.x + way * w.radius, z: w.z + way * w.radius }))),
      ]
    : [];
  if (!shapes || points.length === 0) return <svg width={WIDTH} height={HEIGHT} aria-hidden="true" />;
  const x0 = Math.min(...points.map((p) => p.x));
  const z1 = Math.max(...points.map((p) => p.z));
  const low = Math.min(...points.map((p) => p.z));
  const scale = Math.min((WIDTH - 8) / (Math.max(...points.map((p) => p.x)) - x0), (HEIGHT - 6) / (z1 - low));
  const path = (ps: { x: number; z: number }[], closed: boolean) =>
    ps.map((p, i) => `${i ? 'L' : 'M'}${4 + (p.x - x0) * scale} ${3 + (z1 - p.z) * scale}`).join('') +
    (closed ? 'Z' : '');
  const unit = shapes.installations.find((i) => !i.old);
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden="true" fill="none" stroke="var(--color-ink)" strokeWidth="1.3">
      {shapes.outline.map((p) => (
        <path key={p.id} d={path(p.points, p.closed)} />
      ))}
      {shapes.wheels.map((w) => (
        <circle key={w.id} cx={4 + (w.x - x0) * scale} cy={3 + (z1 - w.z) * scale} r={w.radius * scale} />
      ))}
      {shapes.water.length > 0 && <path d={path(shapes.water, false)} stroke="var(--color-act)" />}
      {unit && unit.box.length > 0 && <path d={path(unit.box, true)} fill="var(--color-act)" stroke="none" />}
      {unit && unit.propeller.length > 0 && (
        <path d={path(unit.propeller, false)} stroke="var(--color-act)" strokeWidth="2.4" />
      )}
    </svg>
  );
}
