import { scaleLinear } from 'd3-scale';
import { useProject } from '../../api/project';
import type { components } from '../../api/schema';
import { useForms } from '../../api/useForms';
import { useAssessed } from '../../api/useInstallation';
import { Axes, type Scale } from '../../drawing/Axes';
import { PlotKey } from '../../drawing/PlotKey';
import { formatNumber } from '../../figure/format';
import { Picture } from '../../sheet/Sheet';

type Matched = components['schemas']['MatchOut'];

const WIDTH = 828;
const HEIGHT = 262;
const LEFT = 58;
const RIGHT = 20;
const TOP = 18;
const FLOOR = HEIGHT - 46;

/** Full throttle through the train against what the air propeller asks for, standing and in the climb. */
export function Match() {
  const match = useAssessed()?.drive?.match;
  if (!match) return null;
  return (
    <Picture title="Unit against propeller, full throttle">
      <Plot match={match} />
      <Key match={match} />
      <Blade match={match} />
    </Picture>
  );
}

const ASKED = { standing: undefined, climbing: '7 4' };
const AIR = {
  wanted: 'standing, wanted',
  standing: 'standing',
  climbing: 'in the climb',
  allowed: 'fastest allowed',
  said: 'Blade by blade element, of a generic blade: good for choosing between propellers, optimistic in what it promises. One static speed that was read, chocked and held, sets it right.',
};
const SEA = {
  wanted: 'loaded, wanted',
  standing: 'made fast',
  climbing: 'at her speed',
  allowed: 'rated speed',
  said: 'By the open-water series, from memory, and a hull that resists as it did before. Full throttle, loaded and clean, read once afloat, sets it right.',
};

function useWords() {
  return useForms().has('marine propeller') ? SEA : AIR;
}

function Plot(props: { match: Matched }) {
  const { view } = useProject();
  const words = useWords();
  const m = props.match;
  const first = m.speeds_si[0] ?? 0;
  const last = Math.max(m.speeds_si.at(-1) ?? 1, m.allowed_si) * 1.02;
  const most = Math.max(...m.unit_si) * 1.35;
  const sx = scaleLinear([first, last], [LEFT, WIDTH - RIGHT]);
  const sy = scaleLinear([0, most], [FLOOR, TOP]);
  const line = (torques: number[]) =>
    m.speeds_si.map((s, i) => `${i ? 'L' : 'M'}${sx(s)} ${sy(torques[i] ?? 0)}`).join('');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full bg-sheet"
      role="img"
      aria-label="torque at the propeller by the speed of the unit; the answers below say the same"
    >
      <clipPath id="match-within">
        <rect x={LEFT} width={WIDTH - RIGHT - LEFT} y={TOP} height={FLOOR - TOP} />
      </clipPath>
      <rect
        x={sx(m.slow_si)}
        width={sx(m.fast_si) - sx(m.slow_si)}
        y={TOP}
        height={FLOOR - TOP}
        fill="var(--color-tray)"
      />
      <text x={(sx(m.slow_si) + sx(m.fast_si)) / 2} y={TOP - 5} textAnchor="middle">
        {words.wanted}
      </text>
      <Axes
        view={view}
        x={{ scale: sx, dimension: 'rotation', name: 'speed of the unit', ticks: 8 }}
        y={{ scale: sy, dimension: 'torque', name: 'torque at the propeller', ticks: 4 }}
        named={36}
      />
      <g clipPath="url(#match-within)" fill="none">
        <path d={`M${sx(m.allowed_si)} ${TOP}V${FLOOR}`} stroke="var(--color-stop)" strokeWidth="1.4" />
        <path d={line(m.unit_si)} stroke="var(--color-act)" strokeWidth="2.4" />
        <path d={line(m.standing_si)} stroke="var(--color-ink)" strokeWidth="1.6" strokeDasharray={ASKED.standing} />
        {m.climbing_si.length > 0 && (
          <path d={line(m.climbing_si)} stroke="var(--color-ink)" strokeWidth="1.6" strokeDasharray={ASKED.climbing} />
        )}
      </g>
      <Meeting at={m.static_si} of="standing" match={m} sx={sx} sy={sy} />
      <Meeting at={m.climb_si} of="climb" match={m} sx={sx} sy={sy} />
    </svg>
  );
}

/** Where both agree: a drop from the curve to the axis, with its speed. */
function Meeting(props: { at: number | null; of: string; match: Matched; sx: Scale; sy: Scale }) {
  const { view } = useProject();
  const { at, match, sx, sy } = props;
  if (at === null) return null;
  const next = match.speeds_si.findIndex((s) => s >= at);
  const [s0 = at, s1 = at] = match.speeds_si.slice(Math.max(next - 1, 0));
  const [t0 = 0, t1 = 0] = match.unit_si.slice(Math.max(next - 1, 0));
  const torque = s1 > s0 ? t0 + ((at - s0) / (s1 - s0)) * (t1 - t0) : t0;
  return (
    <g data-meeting={props.of}>
      <path d={`M${sx(at)} ${sy(torque)}V${FLOOR}`} stroke="var(--color-act)" strokeDasharray="2 3" />
      <circle cx={sx(at)} cy={sy(torque)} r="4.5" fill="var(--color-act)" />
      <text x={sx(at) - 6} y={FLOOR - (props.of === 'climb' ? 8 : 24)} textAnchor="end">
        {formatNumber(at, 'rotation', view)}
      </text>
    </g>
  );
}

const BLADE = { left: 118, right: 808, middle: 46, below: 46, height: 148 };

/** One blade from hub to tip, standing and in the climb, seen square on: what of it is stalled is shaded. */
function Blade(props: { match: Matched }) {
  const { view } = useProject();
  const blade = props.match.blade;
  const first = blade[0];
  const last = blade.at(-1);
  if (!first || !last || blade.length < 2) return null;
  const step = ((blade[1]?.radius_si ?? 0) - first.radius_si) / 2;
  const sx = scaleLinear([0, last.radius_si + step], [BLADE.left, BLADE.right]);
  const wide = (BLADE.right - BLADE.left) / (last.radius_si + step);
  const rows = [
    { name: 'standing', y: BLADE.middle, over: (i: number) => blade[i]?.standing ?? false },
    ...(props.match.climbing_si.length > 0
      ? [{ name: 'in the climb', y: BLADE.middle + BLADE.below, over: (i: number) => blade[i]?.climbing ?? false }]
      : []),
  ];
  const said = rows
    .map((r) => `${r.name} ${blade.filter((_, i) => r.over(i)).length ? 'in part' : 'nowhere'}`)
    .join(', ');
  // Chords are drawn at two fifths of the scale of the radius: two blades find room under each other.
  const half = (chord: number) => (chord * wide * 0.4) / 2;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${BLADE.height}`}
      className="block w-full bg-sheet"
      role="img"
      aria-label={`a blade, hub to the left; stalled: ${said}`}
    >
      <text x="14" y="16" style={{ fill: 'var(--color-muted)' }}>
        a blade from hub to tip; shaded where it is stalled
      </text>
      {rows.map((row) => (
        <g key={row.name} data-blade={row.name}>
          <text x="14" y={row.y + 4}>
            {row.name}
          </text>
          {blade.map((a, i) => (
            <path
              key={a.radius_si}
              data-stalled={row.over(i) || undefined}
              d={`M${sx(a.radius_si - step)} ${row.y - half(a.chord_si)}H${sx(a.radius_si + step)}V${row.y + half(a.chord_si)}H${sx(a.radius_si - step)}Z`}
              fill={row.over(i) ? 'var(--color-stop)' : 'var(--color-act)'}
              fillOpacity={row.over(i) ? 0.75 : 0.3}
              shapeRendering="crispEdges"
            />
          ))}
          <circle cx={sx(0)} cy={row.y} r="9" fill="var(--color-sheet)" stroke="var(--color-act)" />
        </g>
      ))}
      {blade
        .filter((_, i) => i % 8 === 3)
        .map((a) => (
          <text
            key={a.radius_si}
            x={sx(a.radius_si)}
            y={BLADE.height - 6}
            textAnchor="middle"
            style={{ fill: 'var(--color-muted)' }}
          >
            {formatNumber(a.angle_si, 'angle', view)}
          </text>
        ))}
    </svg>
  );
}

function Key(props: { match: Matched }) {
  const words = useWords();
  const lines = [
    { name: 'the unit gives, at the propeller', stroke: 'var(--color-act)' },
    { name: `it asks, ${words.standing}`, stroke: 'var(--color-ink)', dash: ASKED.standing },
    ...(props.match.climbing_si.length > 0
      ? [{ name: `it asks, ${words.climbing}`, stroke: 'var(--color-ink)', dash: ASKED.climbing }]
      : []),
    { name: words.allowed, stroke: 'var(--color-stop)' },
  ];
  return (
    <div className="px-3.5 pb-2">
      <PlotKey lines={lines} />
      <p className="pt-1 text-xs text-muted">{words.said}</p>
    </div>
  );
}
