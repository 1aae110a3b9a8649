import { scaleLinear } from 'd3-scale';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useAssessed } from '../../api/useInstallation';
import { Axes } from '../../drawing/Axes';
import { PlotKey } from '../../drawing/PlotKey';
import { formatNumber } from '../../figure/format';
import { Picture } from '../../sheet/Sheet';

type Saw = components['schemas']['SawOut'];

const WIDTH = 828;
const HEIGHT = 262;
const LEFT = 58;
const RIGHT = 20;
const TOP = 18;
const FLOOR = HEIGHT - 46;
const HILL = '7 4';

/** Force at the road over road speed: every gear, and what the road asks on the level and on the steepest hill. */
export function SawTooth() {
  const saw = useAssessed()?.drive?.saw;
  if (!saw) return null;
  return (
    <Picture title="Force at the road, gear by gear, full throttle">
      <Plot saw={saw} />
      <Key saw={saw} />
    </Picture>
  );
}

/** The force to which the plot is drawn. */
function mostOf(s: Saw) {
  return Math.max(...s.gears.flatMap((g) => g.forces_si)) * 1.12;
}

function Plot(props: { saw: Saw }) {
  const { view } = useProject();
  const s = props.saw;
  const fastest = s.speeds_si.at(-1) ?? 1;
  const most = mostOf(s);
  const sx = scaleLinear([0, fastest], [LEFT, WIDTH - RIGHT]);
  const sy = scaleLinear([0, most], [FLOOR, TOP]);
  const line = (speeds: number[], forces: number[]) =>
    speeds.map((v, i) => `${i ? 'L' : 'M'}${sx(v)} ${sy(forces[i] ?? 0)}`).join('');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full bg-sheet"
      role="img"
      aria-label="force at the road over road speed in each gear; the table below says where each ends"
    >
      <clipPath id="saw-within">
        <rect x={LEFT} width={WIDTH - RIGHT - LEFT} y={TOP} height={FLOOR - TOP} />
      </clipPath>
      <Axes
        view={view}
        x={{ scale: sx, dimension: 'road_speed', name: 'road speed', ticks: 8 }}
        y={{ scale: sy, dimension: 'force', name: 'force at the road', ticks: 4 }}
        named={36}
      />
      <g clipPath="url(#saw-within)" fill="none">
        {s.most_si != null && s.most_si < most && (
          <path
            data-most
            d={`M${LEFT} ${sy(s.most_si)}H${WIDTH - RIGHT}`}
            stroke="var(--color-stop)"
            strokeWidth="1.4"
          />
        )}
        <path d={line(s.speeds_si, s.level_si)} stroke="var(--color-ink)" strokeWidth="1.6" />
        {s.hill_si.length > 0 && (
          <path d={line(s.speeds_si, s.hill_si)} stroke="var(--color-ink)" strokeWidth="1.6" strokeDasharray={HILL} />
        )}
        {s.held_si.length > 0 && (
          <path
            data-held
            d={line(s.speeds_si, s.held_si)}
            stroke="var(--color-act)"
            strokeWidth="1.4"
            strokeDasharray="2 3"
          />
        )}
        {s.gears.map((g) => (
          <path
            key={g.name}
            data-gear={g.name}
            d={line(g.speeds_si, g.forces_si)}
            stroke="var(--color-act)"
            strokeWidth="2.2"
          />
        ))}
      </g>
      {s.gears.map((g, i) => {
        const last = g.speeds_si.at(-1) ?? 0;
        const force = g.forces_si.at(-1) ?? 0;
        return (
          <text
            key={g.name}
            x={Math.min(sx(last) + 4, WIDTH - RIGHT - 2)}
            y={Math.max(sy(force) - (sx(last) > WIDTH - RIGHT - 90 ? 24 : 4) - (i % 2) * 11, TOP + 10)}
            textAnchor={sx(last) > WIDTH - RIGHT - 90 ? 'end' : 'start'}
          >
            {g.name}
          </text>
        );
      })}
    </svg>
  );
}

function Key(props: { saw: Saw }) {
  const { view } = useProject();
  const s = props.saw;
  const lines = [
    {
      name: s.held_si.length > 0 ? 'the unit gives, at both ends of its variator' : 'the unit gives, in each gear',
      stroke: 'var(--color-act)',
    },
    ...(s.held_si.length > 0 ? [{ name: 'between them', stroke: 'var(--color-act)', dash: '2 3' }] : []),
    { name: 'the road asks, on the level', stroke: 'var(--color-ink)' },
    ...(s.hill_si.length > 0 ? [{ name: 'on the steepest hill', stroke: 'var(--color-ink)', dash: HILL }] : []),
    ...(s.most_si != null && s.most_si < mostOf(s)
      ? [{ name: 'grip or tipping ends it', stroke: 'var(--color-stop)' }]
      : []),
  ];
  const shifts = s.gears.filter((g) => g.lands_si != null);
  return (
    <div className="px-3.5 pb-2">
      <PlotKey lines={lines} />
      {shifts.length > 0 && (
        <p className="pt-1 text-xs text-muted">
          Shifted up at its fastest the unit falls to{' '}
          {shifts.map((g, i) => (
            <span key={g.name}>
              {i > 0 && ', '}
              <span className="figure">{formatNumber(g.lands_si ?? 0, 'rotation', view)}</span> out of {g.name}
            </span>
          ))}
          .
        </p>
      )}
      <p className="pt-1 text-xs text-muted">
        {s.by_curve
          ? 'By the curve of its sheet; a motor’s peak lasts as long as its maker says.'
          : 'Without a curve: peak torque, and above that its power at every speed. A real engine gives less between.'}
      </p>
    </div>
  );
}
