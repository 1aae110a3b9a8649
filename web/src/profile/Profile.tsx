import { scaleLinear } from 'd3-scale';
import { curveCatmullRomClosed, line } from 'd3-shape';
import { type PointerEvent, useRef, useState } from 'react';
import type { Shapes } from '../api/client';
import { useProject, useShown } from '../api/project';
import { useForms } from '../api/useForms';
import { useInstallation } from '../api/useInstallation';
import { FigureField, type StoredFigure } from '../figure/FigureField';
import { CgLens, LENS } from './CgLens';
import { drawnSpace, type Held, moved, TAPE } from './hand';
import { Cross, gridLines, PackShape, UnitShape } from './parts';
import { roomFor } from './room';
import { Limits, Supports, Water, Wheels } from './scene';

const WIDTH = 828;
const HEIGHT = 254;
type Unit = Shapes['installations'][number];
type XZ = { x: number; z: number };

/** A drag: what is held, or null for a space that is being drawn; where it began and how far it is, m. */
interface Drag {
  held: Held | null;
  from: XZ;
  by: XZ;
}

/** The craft to scale, side on, live. The unit is dragged along its station, packs anywhere; spaces for packs are drawn. */
export function Profile(props: { folded: boolean; onFold: () => void; showOld: boolean }) {
  const { state, view, units, fit, at, edit, follow, leaveAhead, say } = useProject();
  const { shown } = useShown();
  const shapes = shown.shapes;
  const { word, has } = useForms();
  const marine = has('marine propeller');
  const { id: picked } = useInstallation();
  const [drag, setDrag] = useState<Drag | null>(null);
  const [drawing, setDrawing] = useState(false);
  const svg = useRef<SVGSVGElement>(null);
  // Where the drawing lies on the page while something is held: asked once, for asking costs a layout each time.
  const sheet = useRef<DOMRect>(undefined);
  // The unit that is dragged is drawn from the saved state, moved by the hand at once; all else follows the preview.
  const units_here = (drag?.held ? state.assessment.shapes : shapes).installations.filter((i) => !i.old);
  const unit = units_here.find((i) => i.id === picked) ?? units_here[0];
  const pointer = fit && unit ? `/fits/${fit}/installations/${unit.id}/placement/flange_station` : null;
  const placed = (p: string) => {
    const stored = at(p) as StoredFigure | undefined;
    return stored ? { pointer: p, figure: stored } : null;
  };
  const flange: Held | null = pointer ? { id: 'unit', name: word('flange'), along: placed(pointer), up: null } : null;
  const figure = flange?.along?.figure;
  const packOf = (pack: Unit['packs'][number]): Held => {
    const base = `/fits/${fit}/installations/${unit?.id}/packs/${pack.id}`;
    return { id: pack.id, name: pack.name, along: placed(`${base}/station`), up: placed(`${base}/water_line`) };
  };

  const all: XZ[] = [
    ...state.assessment.shapes.outline.flatMap((p) => p.points),
    ...state.assessment.shapes.installations.flatMap((i) => [...i.box, ...i.propeller]),
    ...state.assessment.shapes.wheels.flatMap((w) => [
      { x: w.x - w.radius, z: w.z - w.radius },
      { x: w.x + w.radius, z: w.z + w.radius },
    ]),
  ];
  const ground = shapes.ground_z ?? Math.min(...all.map((p) => p.z));
  const x0 = Math.min(...all.map((p) => p.x)) - 0.15;
  const x1 = Math.max(...all.map((p) => p.x)) + 0.25;
  const z1 = Math.max(...all.map((p) => p.z)) + 0.12;
  const span = Math.min((WIDTH - 30) / (x1 - x0), (HEIGHT - 44) / (z1 - ground));
  const left = (WIDTH - span * (x1 - x0)) / 2;
  const sx = scaleLinear([x0, x1], [left, left + span * (x1 - x0)]);
  const sz = scaleLinear([ground, z1], [HEIGHT - 26, HEIGHT - 26 - span * (z1 - ground)]);
  const drawn = [
    ...state.assessment.shapes.outline.map((p) => p.points),
    ...state.assessment.shapes.installations.flatMap((i) => [i.box, i.propeller]),
    ...state.assessment.shapes.wheels.map((w) => [
      { x: w.x - w.radius, z: w.z - w.radius },
      { x: w.x + w.radius, z: w.z - w.radius },
      { x: w.x + w.radius, z: w.z + w.radius },
      { x: w.x - w.radius, z: w.z + w.radius },
    ]),
  ].map((points) => points.map((p) => ({ x: sx(p.x), y: sz(p.z) })));
  const lens = roomFor(LENS, { width: WIDTH, height: HEIGHT }, drawn);
  const path = (points: XZ[], closed: boolean) =>
    points.map((p, i) => `${i ? 'L' : 'M'}${sx(p.x)} ${sz(p.z)}`).join('') + (closed ? 'Z' : '');
  const smooth = line<XZ>()
    .x((p) => sx(p.x))
    .y((p) => sz(p.z))
    .curve(curveCatmullRomClosed.alpha(0.6));

  function metres(event: PointerEvent): XZ {
    const box = sheet.current;
    if (!box) return { x: 0, z: 0 };
    const scale = WIDTH / box.width;
    return { x: sx.invert((event.clientX - box.left) * scale), z: sz.invert((event.clientY - box.top) * scale) };
  }
  function onDown(event: PointerEvent<SVGElement>, held: Held | null) {
    if (event.button !== 0 || (held && !held.along && !held.up)) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    sheet.current = svg.current?.getBoundingClientRect();
    setDrag({ held, from: metres(event), by: { x: 0, z: 0 } });
  }
  function onMove(event: PointerEvent<SVGElement>) {
    if (!drag) return;
    const now = metres(event);
    const by = { x: now.x - drag.from.x, z: now.z - drag.from.z };
    setDrag({ ...drag, by });
    const step = drag.held && moved(drag.held, by, units);
    if (step) follow(step.operations, step.words);
  }
  async function onUp() {
    if (!drag) return;
    setDrag(null);
    try {
      if (!drag.held) await draw(drag);
      else {
        const step = moved(drag.held, drag.by, units);
        if (step) await edit(step.operations, step.words);
        else leaveAhead();
      }
    } catch (bad) {
      leaveAhead();
      say(String(bad));
    }
  }
  async function draw(done: Drag) {
    setDrawing(false);
    if (!fit || Math.abs(done.by.x) < 0.02 || Math.abs(done.by.z) < 0.02) return;
    const known = (at(`/fits/${fit}/spaces`) ?? {}) as Record<string, unknown>;
    let n = Object.keys(known).length + 1;
    while (known[`space-${n}`]) n += 1;
    const corner = { x: done.from.x + done.by.x, z: done.from.z + done.by.z };
    const value = { name: `space ${n}`, rank: n, ...drawnSpace(done.from, corner, units) };
    await edit([{ op: 'add', path: `/fits/${fit}/spaces/space-${n}`, value }], `space ${n} drawn`);
    say(`Space ${n} is drawn. Say under Packs which of them is to lie in it, and give it sides.`);
  }
  const hand = (held: Held | null) => ({
    onPointerDown: (e: PointerEvent<SVGElement>) => onDown(e, held),
    onPointerMove: onMove,
    onPointerUp: () => void onUp(),
    onPointerCancel: () => setDrag(null),
    onLostPointerCapture: () => setDrag(null),
  });
  const said = drag?.held ? moved(drag.held, drag.by, units) : null;
  const nudge = (way: 1 | -1) => {
    const step = flange && moved(flange, { x: way * TAPE[units], z: 0 }, units);
    if (step) void edit(step.operations, step.words, 'nudge');
  };

  if (props.folded)
    return (
      <div className="flex h-8 items-center gap-3 border-b border-rule px-3.5">
        <b className="head">Profile</b>
        <button type="button" className="quiet text-muted" onClick={props.onFold}>
          unfold
        </button>
      </div>
    );
  const one = units === 'mm-kg' ? 1 : 0.508;
  // A boat lies as she floats: her own lines turned until the water is level.
  const [bow, stern] = shapes.water;
  const level =
    bow && stern
      ? `rotate(${(Math.atan2(stern.z - bow.z, stern.x - bow.x) * 180) / Math.PI} ${sx((bow.x + stern.x) / 2)} ${sz((bow.z + stern.z) / 2)})`
      : undefined;
  return (
    <section aria-label="Profile" className="relative border-b border-rule">
      <div className="flex h-[30px] items-center gap-2 border-b border-rule px-3.5">
        <b className="head">Profile</b>
        {pointer && (
          <>
            <span className="ml-4 inline-flex items-center gap-2 text-act">
              {said ? (
                <span className="figure text-[13px]">{said.words}</span>
              ) : (
                <>
                  {word('flange')} at <FigureField bare pointer={pointer} label={`station of the ${word('flange')}`} />
                </>
              )}
            </span>
            <button
              type="button"
              className="btn !px-2 !py-0"
              data-nudge="-1"
              aria-label="nudge the unit forward"
              disabled={!figure}
              onClick={() => nudge(-1)}
            >
              ←
            </button>
            <button
              type="button"
              className="btn !px-2 !py-0"
              data-nudge="1"
              aria-label="nudge the unit aft"
              disabled={!figure}
              onClick={() => nudge(1)}
            >
              →
            </button>
            {figure && (
              <span className="text-muted">or drag the unit{unit && unit.packs.length > 0 ? ' or a pack' : ''}</span>
            )}
            {unit && unit.packs.length > 0 && (
              <button type="button" className="quiet ml-2" aria-pressed={drawing} onClick={() => setDrawing((d) => !d)}>
                {drawing ? 'drag from corner to corner, or leave it' : 'draw a space for packs'}
              </button>
            )}
          </>
        )}
        <span className="flex-1" />
        <button type="button" className="quiet text-muted" onClick={props.onFold}>
          fold
        </button>
      </div>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full select-none"
        role="img"
        aria-label="side view of the craft, to scale"
      >
        <g transform={level}>
          {gridLines(x0, x1).map((x) => (
            <path key={x} d={`M${sx(x)} 12V${HEIGHT - 26}`} stroke="var(--color-rule)" />
          ))}
          <Limits shapes={shapes} view={view} sx={sx} high={HEIGHT - 26} />
          {shapes.ground_z != null && <path d={`M0 ${HEIGHT - 26}H${WIDTH}`} stroke="var(--color-ink)" />}
          {shapes.outline.map((p) => (
            <path
              key={p.id}
              d={p.smooth && p.closed ? (smooth(p.points) ?? '') : path(p.points, p.closed)}
              fill={p.closed ? 'var(--color-sheet)' : 'none'}
              stroke="var(--color-ink)"
              strokeWidth="1.3"
              strokeDasharray={shapes.to_scale ? undefined : '5 4'}
            />
          ))}
          <Wheels shapes={shapes} sx={sx} sz={sz} span={span} />
          <Water shapes={shapes} view={view} path={path} sx={sx} sz={sz} right={WIDTH - 8} />
          {shapes.stand && (
            <path
              d={`M${sx(shapes.stand.x)} ${sz(shapes.stand.z + 0.16)}l-8 ${0.16 * span}h16z`}
              fill="none"
              stroke="var(--color-muted)"
            />
          )}
          <path d={`M${sx(0)} 10V${HEIGHT - 20}`} stroke="var(--color-ink)" strokeDasharray="9 3 2 3" />
          <text x={sx(0) < 60 ? sx(0) + 5 : sx(0) - 5} y="18" textAnchor={sx(0) < 60 ? 'start' : 'end'}>
            datum
          </text>
          {props.showOld &&
            shapes.installations
              .filter((i) => i.old)
              .map((i) => <UnitShape key={i.id} unit={i} path={path} sx={sx} sz={sz} marine={marine} />)}
          {unit && (
            <g
              data-unit
              style={{ cursor: figure ? 'ew-resize' : 'default', touchAction: 'none' }}
              transform={drag?.held?.id === 'unit' ? `translate(${drag.by.x * span} 0)` : undefined}
              {...(flange ? hand(flange) : {})}
            >
              <UnitShape unit={unit} path={path} sx={sx} sz={sz} marine={marine} />
            </g>
          )}
          {shapes.spaces.map((s) => (
            <g key={s.id} data-space={s.id}>
              <rect
                x={sx(s.x0)}
                y={sz(s.z1)}
                width={(s.x1 - s.x0) * span}
                height={(s.z1 - s.z0) * span}
                fill="none"
                stroke="var(--color-muted)"
                strokeDasharray="2 3"
              />
              <title>{s.name}</title>
            </g>
          ))}
          {unit?.packs.map((p) => {
            const by = drag?.held?.id === p.id ? drag.by : { x: 0, z: 0 };
            return (
              <g
                key={p.id}
                data-pack={p.id}
                style={{ cursor: 'move', touchAction: 'none' }}
                transform={`translate(${by.x * span} ${-by.z * span})`}
                {...hand(packOf(p))}
              >
                <PackShape pack={p} sx={sx} sz={sz} span={span} />
              </g>
            );
          })}
          {shapes.installations
            .filter((i) => !i.old && i.id !== unit?.id)
            .map((i) => (
              <UnitShape key={i.id} unit={i} path={path} sx={sx} sz={sz} marine={marine} />
            ))}
          {unit?.tubes.map((t) => (
            <g key={`${t[1]?.z}-${t[0]?.z}-${t[0]?.x}`}>
              <path d={path(t, false)} stroke="var(--color-ink)" strokeWidth="2.2" />
              {t[1] && <circle cx={sx(t[1].x)} cy={sz(t[1].z)} r="3.2" />}
            </g>
          ))}
          {shapes.tanks.map((t) => (
            <path
              key={`${t.x} ${t.z}`}
              d={`M${sx(t.x) - 5} ${sz(t.z) - 4}h10v8h-10z`}
              fill="none"
              stroke="var(--color-muted)"
            />
          ))}
          {shapes.cg_before && (
            <Cross x={sx(shapes.cg_before.x)} y={sz(shapes.cg_before.z)} colour="var(--color-grey)" size={8} />
          )}
          {shapes.cg_after && (
            <Cross x={sx(shapes.cg_after.x)} y={sz(shapes.cg_after.z)} colour="var(--color-act)" size={10} bold />
          )}
        </g>
        {lens && <CgLens shapes={shapes} span={span} x={lens.x} y={lens.y} />}
        <Supports shapes={shapes} view={view} sx={sx} foot={HEIGHT} middle={(x0 + x1) / 2} />
        <path
          d={`M${WIDTH - 30 - one * span} 22h${one * span}m0 -4v8m${-one * span} -8v8`}
          stroke="var(--color-ink)"
          fill="none"
        />
        <text x={WIDTH - 30 - (one * span) / 2} y="16" textAnchor="middle">
          {units === 'mm-kg' ? '1 m' : '20 in'}
        </text>
        {drawing && (
          <g style={{ cursor: 'crosshair', touchAction: 'none' }} {...hand(null)} data-draw>
            <rect width={WIDTH} height={HEIGHT} fill="transparent" />
            {drag && !drag.held && (
              <rect
                x={sx(Math.min(drag.from.x, drag.from.x + drag.by.x))}
                y={sz(Math.max(drag.from.z, drag.from.z + drag.by.z))}
                width={Math.abs(drag.by.x) * span}
                height={Math.abs(drag.by.z) * span}
                fill="var(--color-act)"
                fillOpacity="0.1"
                stroke="var(--color-act)"
                strokeDasharray="2 3"
              />
            )}
          </g>
        )}
        {!shapes.to_scale && (
          <text x={WIDTH - 12} y={HEIGHT - 32} textAnchor="end" style={{ fill: 'var(--color-muted)' }}>
            sketch: outline not measured
          </text>
        )}
      </svg>
    </section>
  );
}
