import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { directed, formatNumber, needed } from '../../figure/format';
import { Table } from '../../parts/Table';
import { Fold } from '../../sheet/Sheet';

/** Every state brought to rest on the sections of her hull, beside the small-change answer, with her body plan at its heel. */
export function AtRest() {
  return (
    <Fold title="At rest by her sections">
      <States />
    </Fold>
  );
}

function States() {
  const { id, fit, state, view } = useProject();
  const [picked, setPicked] = useState(0);
  const found = useQuery({
    queryKey: ['at-rest', id, fit, state.revision],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/at-rest', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none' } },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const m = found.data;
  if (found.isPending) return <p className="text-muted">Bringing her to rest…</p>;
  if (!m) return <p className="text-stop">{String(found.error)}</p>;
  if (m.needs.length > 0) return <p className="text-unknown">Cannot say yet: needs {needed(m.needs)}.</p>;
  const length = (si: number | null) => (si === null ? '?' : formatNumber(si, 'length', view));
  const angle = (si: number | null) =>
    si === null ? '?' : directed(si, 'angle', view, { over: 'stbd', under: 'port' });
  const trim = (si: number | null) =>
    si === null ? '?' : directed(si, 'length', view, { over: 'stern', under: 'bow' });
  const shown = m.states[picked] ?? m.states[0];
  return (
    <>
      <Table
        rows={m.states}
        id={(s) => s.id}
        columns={[
          {
            id: 'state',
            head: 'state',
            cell: (s, i) => (
              <>
                <button type="button" className="quiet" aria-pressed={i === picked} onClick={() => setPicked(i)}>
                  {s.name}
                </button>
                {s.refused && <span className="text-stop"> {s.refused}</span>}
              </>
            ),
          },
          { id: 'trim', head: 'trim', num: true, cell: (s) => trim(s.trim_si) },
          {
            id: 'small trim',
            head: 'small change',
            num: true,
            className: 'text-muted',
            cell: (s) => trim(s.small_trim_si),
          },
          { id: 'heel', head: 'heel', num: true, cell: (s) => angle(s.heel_si) },
          {
            id: 'small heel',
            head: 'small change',
            num: true,
            className: 'text-muted',
            cell: (s) => angle(s.small_heel_si),
          },
          { id: 'gm', head: 'GM', num: true, cell: (s) => length(s.gm_si) },
          {
            id: 'freeboard',
            head: 'least freeboard',
            num: true,
            cell: (s) => (s.freeboard_si === null ? '' : `${length(s.freeboard_si)}, ${s.freeboard_at}`),
          },
        ]}
      />
      {shown && (
        <BodyPlan
          sections={m.sections}
          widest={m.widest}
          draft={shown.draft_si}
          heel={shown.heel_si}
          name={shown.name}
        />
      )}
      <p className="text-xs text-muted">
        Weight and buoyancy in balance on her sections, any trim and heel to 30°. The deck is taken as tight: where its
        edge goes under there is no result. Never shift weight to the high side of a boat that lolls.
      </p>
    </>
  );
}

const SIZE = { width: 360, height: 200 };

/** Her sections seen from aft, turned to the heel she has; fore body to starboard, after body to port, the water level. */
function BodyPlan(props: {
  sections: { y: number; z: number }[][];
  widest: number;
  draft: number | null;
  heel: number | null;
  name: string;
}) {
  const all = props.sections.flat();
  const wide = Math.max(...all.map((p) => Math.abs(p.y))) * 1.25;
  const [low, high] = [Math.min(...all.map((p) => p.z)), Math.max(...all.map((p) => p.z))];
  const scale = Math.min(SIZE.width / (2 * wide), SIZE.height / ((high - low) * 1.5));
  const middle = (low + high) / 2;
  const sx = scaleLinear([-wide, wide], [SIZE.width / 2 - wide * scale, SIZE.width / 2 + wide * scale]);
  const sz = (z: number) => SIZE.height / 2 - (z - middle) * scale;
  const heel = props.heel ?? 0;
  const draft = props.draft ?? middle;
  const turned = (p: { y: number; z: number }) => ({
    y: p.y * Math.cos(heel) + (p.z - draft) * Math.sin(heel),
    z: draft - p.y * Math.sin(heel) + (p.z - draft) * Math.cos(heel),
  });
  const path = (points: { y: number; z: number }[]) =>
    points.map((p, i) => `${i ? 'L' : 'M'}${sx(turned(p).y)} ${sz(turned(p).z)}`).join('');
  const every = Math.max(1, Math.floor(props.sections.length / 12));
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="mt-2 block w-full max-w-[28rem]"
      role="img"
      aria-label={`body plan at rest, ${props.name}; the table above has the same`}
    >
      <path d={`M0 ${sz(draft)}H${SIZE.width}`} stroke="var(--color-act)" strokeWidth="1.4" />
      {props.sections.map((s, i) => {
        if (i % every && i !== props.widest) return null;
        // Outlines run counter-clockwise from the keel: the starboard half is what lies to starboard.
        const half = s.filter((p) => (i <= props.widest ? p.y >= -1e-9 : p.y <= 1e-9));
        const sorted = [...half].sort((a, b) => a.z - b.z || Math.abs(a.y) - Math.abs(b.y));
        return (
          <path
            key={path(sorted)}
            d={path(sorted)}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth={i === props.widest ? 1.6 : 0.9}
          />
        );
      })}
      <path
        d={path([
          { y: 0, z: low },
          { y: 0, z: high },
        ])}
        stroke="var(--color-grey)"
        strokeDasharray="9 3 2 3"
      />
    </svg>
  );
}
