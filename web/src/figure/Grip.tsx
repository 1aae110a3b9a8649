import { type PointerEvent, useRef } from 'react';

/** So many pixels are one step of a figure. */
const STEP_PX = 6;

/** A ridged wheel beside a figure: rolled with the pointer it tries the next values, let go it keeps the last. */
export function Grip(props: {
  label: string;
  /** So many steps from where it stood. */
  onTry: (steps: number) => void;
  /** Let go after so many steps; nought leaves it as it was. */
  onLetGo: (steps: number) => void;
}) {
  const from = useRef<number | null>(null);
  const steps = useRef(0);
  function onDown(event: PointerEvent<HTMLSpanElement>) {
    if (event.button !== 0) return;
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = event.clientX;
    steps.current = 0;
  }
  function onMove(event: PointerEvent<HTMLSpanElement>) {
    if (from.current === null) return;
    const now = Math.round((event.clientX - from.current) / STEP_PX);
    if (now === steps.current) return;
    steps.current = now;
    props.onTry(now);
  }
  function letGo(kept: number) {
    if (from.current === null) return;
    from.current = null;
    props.onLetGo(kept);
  }
  return (
    <span
      data-grip={props.label}
      title={`roll to try other values: ${props.label}`}
      className="inline-block h-4 w-4 shrink-0 cursor-ew-resize touch-none self-center"
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={() => letGo(steps.current)}
      onPointerCancel={() => letGo(0)}
    >
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        <path d="M3 4V12M6 3V13M10 3V13M13 4V12" fill="none" stroke="var(--color-muted)" strokeWidth="1.3" />
      </svg>
    </span>
  );
}
