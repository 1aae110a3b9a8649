import type { Level } from '../api/client';

export const WORDS: Record<Level, string> = { ok: 'ok', watch: 'watch', stop: 'stop', unknown: 'cannot say' };
export const COLOURS: Record<Level, string> = {
  ok: 'var(--color-ok)',
  watch: 'var(--color-watch)',
  stop: 'var(--color-stop)',
  unknown: 'var(--color-unknown)',
};
const PATHS: Record<Level, string> = {
  ok: 'M1 6H27',
  watch: 'M1 9C9 2 19 2 27 9',
  stop: 'M1 3H13M15 9H27',
  unknown: 'M2 6H27',
};

/** The four strokes, lying down: straight, bowed, broken, dotted. The word goes with it for those who cannot see it. */
export function Mark(props: { level: Level; silent?: boolean }) {
  return (
    <svg
      width="28"
      height="12"
      viewBox="0 0 28 12"
      role="img"
      aria-label={props.silent ? undefined : WORDS[props.level]}
      aria-hidden={props.silent}
    >
      <path
        d={PATHS[props.level]}
        fill="none"
        stroke={COLOURS[props.level]}
        strokeWidth="3"
        strokeLinecap="round"
        strokeDasharray={props.level === 'unknown' ? '0.5 6' : undefined}
      />
    </svg>
  );
}
