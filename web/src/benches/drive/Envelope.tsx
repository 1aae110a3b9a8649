import { scaleLinear } from 'd3-scale';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useAssessed } from '../../api/useInstallation';
import { Axes } from '../../drawing/Axes';
import { PlotKey } from '../../drawing/PlotKey';
import { Picture } from '../../sheet/Sheet';

type Out = components['schemas']['EnvelopeOut'];

const WIDTH = 828;
const HEIGHT = 262;
const LEFT = 58;
const RIGHT = 20;
const TOP = 26;
const FLOOR = HEIGHT - 46;
const NAMED = '7 4';

/** What a motor gives at every speed, and whether phase current, battery current or voltage ends it there. */
export function Envelope() {
  const envelope = useAssessed()?.drive?.envelope;
  if (!envelope) return null;
  return (
    <Picture title="Torque of the motor by speed, full throttle">
      <Plot envelope={envelope} />
      <Key />
    </Picture>
  );
}

/** Stretches of speed within which one thing ends the torque. */
function stretches(e: Out) {
  const made: { ends: string; from: number; to: number }[] = [];
  e.ends.forEach((ends, i) => {
    const at = e.speeds_si[i] ?? 0;
    const last = made.at(-1);
    if (last && last.ends === ends) last.to = at;
    else made.push({ ends, from: at, to: at });
  });
  return made;
}

function Plot(props: { envelope: Out }) {
  const { view } = useProject();
  const e = props.envelope;
  const fastest = e.speeds_si.at(-1) ?? 1;
  const most = Math.max(...e.full_si, e.lasting_si ?? 0) * 1.15;
  const sx = scaleLinear([0, fastest * 1.02], [LEFT, WIDTH - RIGHT]);
  const sy = scaleLinear([0, most], [FLOOR, TOP]);
  const line = (torques: number[]) =>
    torques.map((t, i) => `${i ? 'L' : 'M'}${sx(e.speeds_si[i] ?? 0)} ${sy(t)}`).join('');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full bg-sheet"
      role="img"
      aria-label="torque by speed, packs full and as they are named; the answers below say the same"
    >
      <Axes
        view={view}
        x={{ scale: sx, dimension: 'rotation', name: 'speed of the motor', ticks: 8 }}
        y={{ scale: sy, dimension: 'torque', name: 'torque', ticks: 4 }}
        named={36}
      />
      {stretches(e).map((s) => (
        <g key={s.from} data-ends={s.ends}>
          {s.from > 0 && <path d={`M${sx(s.from)} ${TOP}V${FLOOR}`} stroke="var(--color-rule)" />}
          {sx(s.to) - sx(s.from) > 60 && (
            <text x={(sx(s.from) + sx(s.to)) / 2} y={TOP - 8} textAnchor="middle">
              {s.ends}
            </text>
          )}
        </g>
      ))}
      {e.lasting_si != null && e.rated_si != null && (
        <path
          data-lasting
          d={`M${sx(0)} ${sy(e.lasting_si)}H${sx(Math.min(e.rated_si, fastest))}`}
          stroke="var(--color-ok)"
          strokeWidth="1.8"
          fill="none"
        />
      )}
      <path data-full d={line(e.full_si)} stroke="var(--color-act)" strokeWidth="2.4" fill="none" />
      <path
        data-named
        d={line(e.named_si)}
        stroke="var(--color-act)"
        strokeWidth="1.6"
        strokeDasharray={NAMED}
        fill="none"
      />
    </svg>
  );
}

function Key() {
  const lines = [
    { name: 'packs full', stroke: 'var(--color-act)' },
    { name: 'packs at their named voltage', stroke: 'var(--color-act)', dash: NAMED },
    { name: 'what lasts, to its rated speed', stroke: 'var(--color-ok)' },
  ];
  return (
    <div className="px-3.5 pb-2">
      <PlotKey lines={lines} />
      <p className="pt-1 text-xs text-muted">
        Written above: what ends it there. An even current stands for the three phases; a weakened field is not in it.
        Heat is not either: above what lasts it gives that for its minutes only.
      </p>
    </div>
  );
}
