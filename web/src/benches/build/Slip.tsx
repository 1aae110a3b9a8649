import { scaleTime } from 'd3-scale';
import { type PointerEvent, useLayoutEffect, useRef, useState } from 'react';
import type { Build, Task } from '../../api/client';

const WIDTH = 828;
const NAMES = 292;
const ROW = 23;
const HEAD = 26;
const DAY = 86_400_000;

const noon = (day: string) => new Date(`${day}T12:00:00Z`);

/** The work as it lies on its slip: what is done thin, what is in hand thick in colour, what is to come black, what others
 * do dashed; a gate is a wall through all of it, a hold a square that another person fills. */
export function Slip(props: {
  build: Build;
  open: string;
  onOpen: (task: string) => void;
  /** A task is to begin not before a day. */
  onMove: (task: string, day: string) => void;
}) {
  const { build } = props;
  const box = useRef<HTMLDivElement>(null);
  const rows = build.tasks;
  const first = build.first ? noon(build.first) : new Date();
  const last = build.last ? noon(build.last) : first;
  const x = scaleTime()
    .domain([
      new Date(first.getTime() - 2 * DAY),
      new Date(Math.max(last.getTime(), first.getTime() + 20 * DAY) + 4 * DAY),
    ])
    .range([NAMES, WIDTH - 10]);
  const y = (i: number) => i * ROW + ROW / 2 + 2;
  const now = rows.findIndex((t) => t.id === (build.now[0] ?? ''));
  // Opened at what is in hand.
  useLayoutEffect(() => {
    if (box.current && now > 6) box.current.scrollTop = (now - 5) * ROW;
  }, [now]);
  const height = rows.length * ROW + 16;
  const monday = (at: Date) => new Date(at.getTime() - ((at.getUTCDay() + 6) % 7) * DAY);
  const weeks: Date[] = [];
  for (let at = monday(x.domain()[0] as Date); at < (x.domain()[1] as Date); at = new Date(at.getTime() + 7 * DAY))
    if (x(at) > NAMES) weeks.push(at);
  const every = Math.max(1, Math.ceil(weeks.length / 10));
  return (
    <div ref={box} className="max-h-[23.5rem] overflow-y-auto">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEAD}`}
        className="sticky top-0 z-10 block w-full border-b border-rule bg-sheet"
        aria-hidden="true"
      >
        {weeks.map((w, i) =>
          i % every === 0 && x(w) < WIDTH - 48 ? (
            <text key={w.toISOString()} x={x(w) + 3} y="16" style={{ fill: 'var(--color-muted)', fontSize: '11px' }}>
              {w.toISOString().slice(5, 10)}
            </text>
          ) : null,
        )}
      </svg>
      <svg viewBox={`0 0 ${WIDTH} ${height}`} className="block w-full" aria-labelledby="slip-title">
        <title id="slip-title">The slip: tasks on the calendar</title>
        {weeks.map((w) => (
          <path key={w.toISOString()} d={`M${x(w)} 0V${height}`} stroke="var(--color-rule)" />
        ))}
        {rows.map((t, i) => (
          <Row
            key={t.id}
            task={t}
            y={y(i)}
            x={x}
            open={t.id === props.open}
            now={t.id === build.now[0]}
            onOpen={props.onOpen}
            onMove={(at) => props.onMove(t.id, at.toISOString().slice(0, 10))}
            invert={(at) => x.invert(at)}
          />
        ))}
        {rows.map((t) =>
          t.gate && t.begins ? (
            <path key={t.id} d={`M${x(noon(t.begins))} 0V${height}`} stroke="var(--color-ink)" strokeWidth="2.5">
              <title>{t.gate}</title>
            </path>
          ) : null,
        )}
        {build.today && (
          <g>
            <path d={`M${x(noon(build.today))} 0V${height}`} stroke="var(--color-act)" strokeWidth="1.6" />
            <text x={x(noon(build.today)) - 4} y={height - 4} textAnchor="end" style={{ fill: 'var(--color-act)' }}>
              today
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

const STANDS: Record<string, string> = { open: 'to do', begun: 'begun', done: 'done' };

function Row(props: {
  task: Task;
  y: number;
  x: (at: Date) => number;
  open: boolean;
  now: boolean;
  onOpen: (task: string) => void;
  onMove: (at: Date) => void;
  invert: (at: number) => Date;
}) {
  const [by, setBy] = useState<number | null>(null);
  const grip = useRef<{ x: number; scale: number } | null>(null);
  const { task: t, y, x } = props;
  const from = t.begins ? x(noon(t.begins)) : null;
  const to = t.ends && from !== null ? Math.max(x(noon(t.ends)), from + 5) : null;
  const here = t.here ? x(noon(t.here)) : null;
  const done = t.standing === 'done';
  const tone = done
    ? 'var(--color-grey)'
    : props.now || t.standing === 'begun'
      ? 'var(--color-act)'
      : 'var(--color-ink)';
  const end = here ?? to ?? from;
  const says = [
    t.gate ?? '',
    t.hold === 'waits for a witness' ? `waits for ${t.role}` : t.hold && t.hold !== 'open' ? t.hold : '',
  ].filter(Boolean);
  return (
    <g>
      <foreignObject x="0" y={y - ROW / 2} width={NAMES - 8} height={ROW}>
        <button
          type="button"
          data-task={t.id}
          aria-pressed={props.open}
          title={t.name}
          aria-label={`${t.name}: ${STANDS[t.standing]}${t.hold ? `, hold ${t.hold}` : ''}`}
          className={`h-full w-full truncate pl-3.5 text-left text-[13px] hover:bg-tray ${
            props.open ? 'font-bold text-act' : done ? 'text-muted' : ''
          }`}
          onClick={() => props.onOpen(t.id)}
        >
          {t.name}
        </button>
      </foreignObject>
      {from !== null && to !== null && (
        <path
          d={`M${from} ${y}H${to}`}
          transform={by ? `translate(${by} 0)` : undefined}
          stroke={tone}
          strokeWidth={done ? 2.5 : 6}
        />
      )}
      {from !== null && to !== null && t.standing === 'open' && (
        <rect
          x={from - 3}
          y={y - 8}
          width={to - from + 6}
          height="16"
          fill="transparent"
          className="cursor-ew-resize touch-none"
          data-grip={t.id}
          onPointerDown={(e) => {
            const svg = e.currentTarget.ownerSVGElement as SVGSVGElement;
            grip.current = { x: e.clientX, scale: WIDTH / svg.getBoundingClientRect().width };
            e.currentTarget.setPointerCapture(e.pointerId);
          }}
          onPointerMove={(e) => {
            if (grip.current) setBy((e.clientX - grip.current.x) * grip.current.scale);
          }}
          onPointerUp={(e: PointerEvent) => {
            const moved = grip.current ? (e.clientX - grip.current.x) * grip.current.scale : 0;
            grip.current = null;
            setBy(null);
            if (Math.abs(moved) > 3) props.onMove(props.invert(from + moved));
          }}
        />
      )}
      {to !== null && here !== null && here > to && (
        <path d={`M${to} ${y}H${here}`} stroke="var(--color-watch)" strokeWidth="3" strokeDasharray="6 4" />
      )}
      {t.role && end !== null && (
        <rect
          x={end}
          y={y - 6}
          width="12"
          height="12"
          fill={t.hold === 'released' ? 'var(--color-ok)' : 'var(--color-sheet)'}
          stroke={
            t.hold === 'released'
              ? 'var(--color-ok)'
              : t.hold === 'waits for a witness'
                ? 'var(--color-watch)'
                : 'var(--color-ink)'
          }
          strokeWidth="2"
        />
      )}
      {says.length > 0 && end !== null && (
        <text
          x={end > WIDTH - 190 ? (from ?? end) - 8 : end + (t.role ? 18 : 8)}
          textAnchor={end > WIDTH - 190 ? 'end' : 'start'}
          y={y + 4}
          paintOrder="stroke"
          stroke="var(--color-sheet)"
          strokeWidth="4"
          style={{ fill: 'var(--color-muted)', fontSize: '11.5px' }}
        >
          {says.join(' · ')}
        </text>
      )}
    </g>
  );
}
