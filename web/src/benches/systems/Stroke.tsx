import type { Level } from '../../api/client';
import { COLOURS } from '../../findings/Mark';

const LONG = 410;

function path(level: Level | null): string {
  const mid = LONG * 0.55;
  if (level === 'stop') return `M2 11H${mid - 20}L${mid - 8} 5M${mid + 4} 17L${mid + 16} 11H${LONG}`;
  if (level === 'watch')
    return `M2 13H${mid - 46}C${mid - 26} 13 ${mid - 26} 4 ${mid} 4S${mid + 26} 13 ${mid + 46} 13H${LONG}`;
  return `M2 11H${LONG}`;
}

/** A lane lying down, from its source to its end, in the four strokes of the keel. */
export function Stroke(props: { level: Level | null }) {
  const open = props.level === 'unknown' || props.level === null;
  return (
    <svg viewBox={`0 0 ${LONG + 4} 22`} className="block h-[22px] w-full" preserveAspectRatio="none" aria-hidden="true">
      <path
        d={path(props.level)}
        fill="none"
        strokeWidth="3.4"
        stroke={props.level ? COLOURS[props.level] : 'var(--color-grey)'}
        strokeLinecap={open ? 'round' : 'butt'}
        strokeDasharray={open ? '0.5 8' : undefined}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
