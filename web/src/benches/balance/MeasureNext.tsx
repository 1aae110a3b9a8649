import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { formatNumber, needed } from '../../figure/format';
import { useFocusField } from '../../findings/useFocusField';
import { Table } from '../../parts/Table';
import { Fold } from '../../sheet/Sheet';
import { useMeasureNext } from './useMeasureNext';

/** What to measure next: what takes most off the doubt of the margin that is least sure. Worked out when it is opened. */
export function MeasureNext() {
  const { has } = useForms();
  return (
    <Fold title="Measure this next">
      <Ranking />
      {has('cg limits') && <Drawn />}
    </Fold>
  );
}

/** Many crafts drawn at random, each figure within its doubt: the check on the closed form. Done when asked for. */
function Drawn() {
  const { id, fit, state, view } = useProject();
  const [asked, setAsked] = useState<number | null>(null);
  const found = useQuery({
    queryKey: ['monte-carlo', id, fit, asked],
    enabled: asked !== null,
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/monte-carlo', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none' } },
        }),
      ),
  });
  const percent = (share: number) => formatNumber(share, 'percent', view);
  const m = found.data;
  const stale = asked !== null && asked !== state.revision;
  return (
    <div className="mt-2">
      <button type="button" className="btn" onClick={() => setAsked(state.revision)}>
        Draw 20 000 crafts at random
      </button>{' '}
      {found.isFetching && <span className="text-muted">drawing…</span>}
      {m && m.inside != null && !found.isFetching && (
        <span className={stale ? 'text-muted' : ''} role="status">
          {stale && 'before the last edit: '}
          <b className="num">{percent(m.inside)}</b> keep every limit in every loading
          {m.closed != null && (
            <>
              ; by the closed form, at the worst point alone, <b className="num">{percent(m.closed)}</b>
            </>
          )}
          . {m.differs && 'They differ: judge by the lower. '}
          {m.loadings.map((l) => `${l.name} ${percent(l.inside)}`).join(', ')}.
        </span>
      )}
      {m && m.needs.length > 0 && <span className="text-unknown">Cannot say yet: needs {needed(m.needs)}.</span>}
    </div>
  );
}

function Ranking() {
  const { view } = useProject();
  const focusField = useFocusField();
  const found = useMeasureNext();
  const mass = (si: number) => formatNumber(si, 'mass', view);
  const dimension = found.data?.dimension ?? 'length';
  const length = (si: number) => formatNumber(si, dimension, view);
  if (found.isPending) return <p className="py-1 text-muted">Working it out…</p>;
  const m = found.data;
  if (!m) return <p className="py-1 text-stop">{String(found.error)}</p>;
  if (m.needs.length > 0) return <p className="py-1 text-unknown">Cannot say yet: needs {needed(m.needs)}.</p>;
  return (
    <>
      <p className="py-1">
        Least sure: {m.margin}, margin <b className="num">{length(m.margin_si ?? 0)}</b> with a doubt of{' '}
        <b className="num">{length(2 * (m.sigma_si ?? 0))}</b>, two standard deviations.{' '}
        {m.settled
          ? 'It is settled: no measurement is needed for this verdict.'
          : m.plan.length > 0
            ? `In order: ${m.plan.join('; ')}. ${m.plan_settles ? 'Together they settle it, if the figures stand.' : 'They do not settle it: weigh the finished craft.'}`
            : 'Nothing that can be measured now takes much off it: weigh the finished craft.'}
      </p>
      {!m.settled && m.quickest && <p className="pb-1">Most for each minute of work: {m.quickest}.</p>}
      <Table
        rows={m.rows}
        id={(r) => r.id}
        columns={[
          {
            id: 'measure',
            head: 'measure',
            cell: (r) =>
              r.pointer ? (
                <button type="button" className="quiet text-left" onClick={() => focusField(r.pointer ?? '')}>
                  {r.name}
                </button>
              ) : (
                r.name
              ),
          },
          { id: 'left', head: 'doubt left', num: true, cell: (r) => length(2 * r.left_si) },
          {
            id: 'less',
            head: 'less by',
            num: true,
            cell: (r) => formatNumber(2 * r.drop_si, dimension === 'length' ? 'fine_length' : dimension, view),
          },
          {
            id: 'share',
            head: 'of the doubt',
            num: true,
            cell: (r) => (r.share == null ? '' : formatNumber(r.share, 'percent', view)),
          },
          { id: 'settles', head: 'settles it', num: true, cell: (r) => formatNumber(r.settles, 'percent', view) },
          {
            id: 'within',
            head: 'within ±',
            num: true,
            cell: (r) =>
              r.plus_minus_wanted_si == null || !r.dimension
                ? ''
                : formatNumber(r.plus_minus_wanted_si, r.dimension, view),
          },
          { id: 'minutes', head: 'minutes', num: true, cell: (r) => formatNumber(r.minutes, 'count', view) },
        ]}
      />
      {m.break_even.length > 0 && (
        <ul className="mt-2">
          {m.break_even.map((b) => (
            <li key={`${b.name} ${b.installed}`}>
              {b.name}, {b.installed ? 'put in' : 'taken out'}: <b className="num">{mass(b.mass_si)}</b>; at{' '}
              <b className="num">{mass(b.at_si)}</b> this margin is just gone, {mass(Math.abs(b.at_si - b.mass_si))}{' '}
              {b.at_si > b.mass_si ? 'more' : 'less'}.
            </li>
          ))}
        </ul>
      )}
      <p className="mt-1 text-xs text-muted">
        Normal doubts, figures independent of each other, instruments as measured figures are taken here. Minutes are
        common practice, no source. Read again when a figure has come in.
      </p>
    </>
  );
}
