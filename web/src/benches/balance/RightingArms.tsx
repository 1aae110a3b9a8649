import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { bare, roundTicks } from '../../drawing/ticks';
import { formatNumber, needed } from '../../figure/format';
import { Picture } from '../../sheet/Sheet';

const WIDTH = 470;
const HEIGHT = 220;
const DASHES = ['', '9 3', '3 3', '9 3 2 3', '1.5 3'];

/** The curve of righting arms, where her sections are known. */
export function RightingArms() {
  const { at } = useProject();
  if (!at('/craft/flotation/sections')) return null;
  return (
    <Picture title="Righting arms">
      <Curves />
    </Picture>
  );
}

function Curves() {
  const { id, fit, state, view } = useProject();
  const found = useQuery({
    queryKey: ['righting-arms', id, fit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/righting-arms', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none' } },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const m = found.data;
  if (found.isPending) return <p className="px-3.5 pb-2 text-muted">Heeling her…</p>;
  if (!m) return <p className="px-3.5 pb-2 text-stop">{String(found.error)}</p>;
  if (m.needs.length > 0) return <p className="px-3.5 pb-2 text-unknown">Cannot say yet: needs {needed(m.needs)}.</p>;
  const all = m.curves.flatMap((c) => c.arms);
  const most = Math.max(...all.map((a) => a.heel_si), 0.1);
  const arms = all.map((a) => a.gz_si);
  const sx = scaleLinear([0, most], [58, WIDTH - 12]);
  const sy = scaleLinear([Math.min(0, ...arms), Math.max(0.01, ...arms) * 1.06], [HEIGHT - 44, 10]);
  const stroke = (id: string) =>
    id.endsWith('-before')
      ? { stroke: 'var(--color-grey)' }
      : {
          stroke: 'var(--color-act)',
          strokeDasharray: DASHES[m.curves.filter((c) => !c.id.endsWith('-before')).findIndex((c) => c.id === id)],
        };
  return (
    <div className="grid gap-x-4 bg-sheet px-3.5 pb-2 min-[700px]:grid-cols-[minmax(0,30rem)_1fr]">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label="righting arm by heel; the list beside it says the same"
      >
        {roundTicks(sx, 6, 'angle', view).map((t) => (
          <g key={t}>
            <path d={`M${sx(t)} 6V${HEIGHT - 42}`} stroke="var(--color-rule)" />
            <text x={sx(t)} y={HEIGHT - 28} textAnchor="middle">
              {bare(t, 'angle', view)}
            </text>
          </g>
        ))}
        <text x={(58 + WIDTH) / 2} y={HEIGHT - 8} textAnchor="middle" className="head">
          heel to {m.toward}, °
        </text>
        {roundTicks(sy, 4, 'length', view).map((t) => (
          <g key={t}>
            <path d={`M56 ${sy(t)}H${WIDTH - 4}`} stroke="var(--color-rule)" />
            <text x="52" y={sy(t) + 4} textAnchor="end">
              {bare(t, 'length', view)}
            </text>
          </g>
        ))}
        <text
          transform={`rotate(-90 12 ${HEIGHT / 2 - 16})`}
          x="12"
          y={HEIGHT / 2 - 16}
          textAnchor="middle"
          className="head"
        >
          righting arm, {view.length?.unit}
        </text>
        <path d={`M56 ${sy(0)}H${WIDTH - 4}`} stroke="var(--color-ink)" />
        {m.curves.map((c) => (
          <g key={c.id} fill="none" strokeWidth="1.8" {...stroke(c.id)}>
            <path d={c.arms.map((a, i) => `${i ? 'L' : 'M'}${sx(a.heel_si)} ${sy(a.gz_si)}`).join('')} />
            {c.arms
              .filter((a, i) => a.deck_under && !c.arms[i - 1]?.deck_under)
              .map((a) => (
                <path key={a.heel_si} d={`M${sx(a.heel_si)} ${sy(a.gz_si) - 6}v12`} strokeDasharray="none" />
              ))}
          </g>
        ))}
      </svg>
      <div className="self-center">
        <ul>
          {m.curves.map((c) => (
            <li key={c.id} className="border-b border-rule py-0.5">
              <svg width="34" height="8" aria-hidden="true" className="mr-1.5 inline-block">
                <path d="M0 4H34" strokeWidth="1.8" {...stroke(c.id)} />
              </svg>
              {c.name}
              <span className="figure block text-xs text-muted">
                {c.greatest_at_si != null &&
                  `greatest ${formatNumber(Math.max(...c.arms.map((a) => a.gz_si)), 'length', view)} at ${formatNumber(c.greatest_at_si, 'angle', view)}`}
                {c.gone_at_si != null ? (
                  <span className="text-stop">, gone at {formatNumber(c.gone_at_si, 'angle', view)}</span>
                ) : (
                  ', still there at the end'
                )}
                {c.refused && ` · ends there: ${c.refused}`}
              </span>
            </li>
          ))}
        </ul>
        <p className="pt-1 text-xs text-muted">
          By her sections, the deck taken as tight; a stroke across a curve is where its edge goes under. No openings,
          no waves, no wind: it is no stability book.
          {m.rough > 0 && ` Rests on ${m.rough} rough figures.`}
        </p>
      </div>
    </div>
  );
}
