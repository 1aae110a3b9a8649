import type { First } from '../api/client';

type Line = First['groups'][number]['lines'][number];
type XZ = { x: number; z: number };
const WIDTH = 780;
const HEIGHT = 190;

/** The craft side on, a number where each figure is measured; the one in hand is drawn out. */
export function Sketch(props: { first: First; lit: number | null; onPick: (number: number) => void }) {
  const { first, lit } = props;
  const lines = first.groups.flatMap((g) => g.lines);
  const all: XZ[] = [...first.paths.flatMap((p) => p.points), ...lines.flatMap((l) => l.at), { x: 0, z: 0 }];
  const x0 = Math.min(...all.map((p) => p.x));
  const x1 = Math.max(...all.map((p) => p.x));
  const z0 = Math.min(...all.map((p) => p.z));
  const z1 = Math.max(...all.map((p) => p.z));
  const scale = Math.min((WIDTH - 150) / (x1 - x0), (HEIGHT - 44) / (z1 - z0));
  const left = (WIDTH - scale * (x1 - x0)) / 2;
  const at = (p: XZ): [number, number] => [left + (p.x - x0) * scale, HEIGHT - 24 - (p.z - z0) * scale];
  const [datum, level] = at({ x: 0, z: 0 });
  const marks = placed(lines, at);
  const shown = marks.find((m) => m.line.number === lit);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" role="img" aria-label="where each is measured">
      {first.paths.map((path) => (
        <polygon
          key={path.id}
          points={path.points.map((p) => at(p).join()).join(' ')}
          fill={path.closed ? 'var(--color-ground)' : 'none'}
          stroke="var(--color-muted)"
          strokeWidth="1.2"
        />
      ))}
      {first.wheels.map((w) => {
        const [x, y] = at(w);
        return <circle key={w.id} cx={x} cy={y} r={w.radius * scale} fill="none" stroke="var(--color-muted)" />;
      })}
      <path d={`M${datum} 6V${HEIGHT - 14}`} stroke="var(--color-ink)" strokeDasharray="7 3 1 3" />
      <text x={datum + 4} y={HEIGHT - 6} className="text-[11px]">
        datum
      </text>
      {shown && <Drawn line={shown.line} ends={shown.ends} datum={datum} level={level} />}
      {marks.map(({ line, x, y }) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: the fields themselves are reached by key
        <g key={line.number} className="cursor-pointer" onClick={() => props.onPick(line.number)}>
          <circle
            cx={x}
            cy={y}
            r="8"
            fill={line.number === lit ? 'var(--color-act)' : 'var(--color-sheet)'}
            stroke="var(--color-act)"
          />
          <text
            x={x}
            y={y + 3.5}
            textAnchor="middle"
            className="figure text-[10px]"
            style={{ fill: line.number === lit ? 'var(--color-sheet)' : undefined }}
          >
            {line.number}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** How the figure in hand runs: from the datum, up from the level line, or from end to end. */
function Drawn(props: { line: Line; ends: [number, number][]; datum: number; level: number }) {
  const [a, b] = props.ends;
  if (!a) return null;
  const d =
    props.line.way === 'along'
      ? `M${props.datum} ${a[1]}H${a[0]}`
      : props.line.way === 'up'
        ? `M${a[0]} ${props.level}V${a[1]}`
        : props.line.way === 'size' && b
          ? `M${a[0]} ${a[1]}L${b[0]} ${b[1]}`
          : `M${a[0]} ${a[1] - 14}V${a[1] + 14}`;
  return <path d={d} stroke="var(--color-act)" strokeWidth="2.4" fill="none" />;
}

/** Numbers beside what they measure, none over another. */
export function placed(lines: Line[], at: (p: XZ) => [number, number]) {
  const made: { line: Line; ends: [number, number][]; x: number; y: number }[] = [];
  for (const line of lines) {
    if (line.at.length === 0) continue;
    const ends = line.at.map(at);
    let x = ends.reduce((sum, e) => sum + e[0], 0) / ends.length;
    const y = ends.reduce((sum, e) => sum + e[1], 0) / ends.length;
    while (made.some((m) => Math.abs(m.x - x) < 17 && Math.abs(m.y - y) < 15)) x += 17;
    made.push({ line, ends, x, y });
  }
  return made;
}
