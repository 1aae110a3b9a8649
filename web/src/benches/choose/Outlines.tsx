import type { Candidate } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';

const WIDTH = 210;
const HEIGHT = 120;
type XZ = { x: number; z: number };

/** Every candidate side on, to one scale, its output flange over that of the old unit, which is grey. */
export function Outlines(props: { of: Candidate[] }) {
  const { view } = useProject();
  const drawn = props.of.filter((c) => c.silhouette.length > 0);
  const old = props.of.find((c) => c.id === 'none');
  const all = drawn.flatMap((c) => c.silhouette.flat());
  if (all.length === 0) return null;
  const x0 = Math.min(0, ...all.map((p) => p.x));
  const x1 = Math.max(0, ...all.map((p) => p.x));
  const z0 = Math.min(...all.map((p) => p.z));
  const z1 = Math.max(...all.map((p) => p.z));
  const scale = Math.min((WIDTH - 16) / (x1 - x0), (HEIGHT - 16) / (z1 - z0));
  const sx = (x: number) => WIDTH / 2 + (x - (x0 + x1) / 2) * scale;
  const sz = (z: number) => HEIGHT / 2 - (z - (z0 + z1) / 2) * scale;
  const path = (lines: XZ[][]) =>
    lines.map((l) => l.map((p, i) => `${i ? 'L' : 'M'}${sx(p.x)} ${sz(p.z)}`).join('')).join('');
  const size = (c: Candidate) =>
    [c.size_si[0], c.size_si[2]].map((si) => (si == null ? '?' : formatNumber(si, 'length', view))).join(' × ');
  return (
    <ul aria-label="Outlines, to one scale" className="mb-2 flex flex-wrap gap-x-4 gap-y-2 border-b border-rule pb-2">
      {props.of
        .filter((c) => c.id !== 'none')
        .map((c) => (
          <li key={c.id}>
            <svg
              width={WIDTH}
              height={HEIGHT}
              role="img"
              aria-label={`${c.name}, ${size(c)}, over the old unit`}
              className="block bg-ground"
            >
              {old && <path d={path(old.silhouette)} fill="none" stroke="var(--color-grey)" />}
              {c.silhouette.length > 0 ? (
                <path
                  d={path(c.silhouette)}
                  fill="var(--color-act)"
                  fillOpacity="0.14"
                  stroke="var(--color-act)"
                  strokeWidth="1.4"
                />
              ) : (
                <text x="8" y="20" style={{ fill: 'var(--color-unknown)' }}>
                  needs length, height, middle
                </text>
              )}
              <path d={`M${sx(0)} ${sz(0) - 9}v18`} stroke="var(--color-ink)" strokeWidth="3" />
            </svg>
            <span className="block">{c.name}</span>
            <span className="figure block text-xs text-muted">{size(c)}, long × high</span>
          </li>
        ))}
      {old && (
        <li className="self-end text-xs text-muted">
          grey: {old.name}, {size(old)}
        </li>
      )}
    </ul>
  );
}
