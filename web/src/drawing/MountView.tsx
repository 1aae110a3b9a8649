import { useProject } from '../api/project';
import { formatNumber } from '../figure/format';

const WIDTH = 400;
const HEIGHT = 300;

/** The points seen from aft looking forward, with the load of the engine on each in the case picked, and their tubes. */
export function MountView(props: { caseId: string }) {
  const { shown, view } = useProject();
  const tubes = (shown.align?.tubes ?? []).filter((t) => t.y_si != null && t.firewall_y_si != null);
  const loads = shown.mount?.cases.find((c) => c.id === props.caseId)?.points ?? [];
  if (tubes.length === 0)
    return (
      <p className="p-4 text-unknown">Cannot draw the mount yet: needs its points, the flange and the thrust line.</p>
    );
  const ys = tubes.flatMap((t) => [t.y_si as number, t.firewall_y_si as number]);
  const zs = tubes.flatMap((t) => [t.z_si as number, t.firewall_z_si as number]);
  const reach = Math.max(0.1, ...ys.map(Math.abs), (Math.max(...zs) - Math.min(...zs)) / 2);
  const mid = (Math.max(...zs) + Math.min(...zs)) / 2;
  const scale = 92 / reach;
  const x = (y: number) => WIDTH / 2 + y * scale;
  const y = (z: number) => HEIGHT / 2 - (z - mid) * scale;
  const largest = Math.max(1, ...loads.map((l) => l.size_si));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label="mount points seen from aft looking forward, with the load on each"
    >
      <text x="10" y="18">
        from aft, looking forward
      </text>
      <rect
        x={x(-reach * 1.08)}
        y={y(Math.max(...zs)) - 12}
        width={2 * reach * 1.08 * scale}
        height={(Math.max(...zs) - Math.min(...zs)) * scale + 24}
        fill="var(--color-tray)"
        stroke="var(--color-rule)"
      />
      {tubes.map((t) => (
        <g key={t.id}>
          <path
            d={`M${x(t.y_si as number)} ${y(t.z_si as number)}L${x(t.firewall_y_si as number)} ${y(t.firewall_z_si as number)}`}
            stroke="var(--color-ink)"
            strokeWidth="4"
          />
          <circle cx={x(t.firewall_y_si as number)} cy={y(t.firewall_z_si as number)} r="5" fill="var(--color-ink)" />
          <circle
            cx={x(t.y_si as number)}
            cy={y(t.z_si as number)}
            r="8"
            fill="var(--color-sheet)"
            stroke="var(--color-act)"
            strokeWidth="2.4"
          />
        </g>
      ))}
      {tubes.map((t) => {
        const load = loads.find((l) => l.point === t.id);
        if (!load) return null;
        const px = x(t.y_si as number);
        const py = y(t.z_si as number);
        const k = 58 / largest;
        const tipX = px + load.y_si * k;
        const tipY = py - load.z_si * k;
        const port = (t.y_si as number) < 0;
        const fore = load.x_si < 0;
        return (
          <g key={t.id} stroke="var(--color-act)" fill="none" strokeWidth="2.2">
            <path d={`M${px} ${py}L${tipX} ${tipY}`} />
            <circle cx={tipX} cy={tipY} r="2.6" fill="var(--color-act)" />
            {/* a load that pulls forward is a dot (arrow head away), one that pushes aft a cross (its feathers) */}
            {fore ? (
              <circle cx={px} cy={py} r="2.6" fill="var(--color-act)" />
            ) : (
              <path d={`M${px - 4} ${py - 4}l8 8m0 -8l-8 8`} strokeWidth="1.6" />
            )}
            <text
              stroke="none"
              x={port ? 12 : WIDTH - 12}
              textAnchor={port ? 'start' : 'end'}
              y={py < HEIGHT / 2 ? 46 : HEIGHT - 30}
            >
              {t.name}
            </text>
            <text
              stroke="none"
              x={port ? 12 : WIDTH - 12}
              textAnchor={port ? 'start' : 'end'}
              y={py < HEIGHT / 2 ? 62 : HEIGHT - 14}
            >
              {formatNumber(load.size_si, 'force', view)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
