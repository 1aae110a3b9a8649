import { useState } from 'react';
import { useProject } from '../api/project';
import { useMeasureNext } from '../benches/balance/useMeasureNext';
import { between, formatNumber } from '../figure/format';
import { useFocusField } from '../findings/useFocusField';

const FIRST = 6;
const NEXT = 3;

/** The rough figures that stand in for blanks, those on which most hangs first; typing the real one replaces each. */
export function RoughFigures() {
  const { state, view, edit } = useProject();
  const focusField = useFocusField();
  const [all, setAll] = useState(false);
  const rough = state.assessment.rough;
  const on = state.document.rough === 'yes';
  const put = (yes: boolean) =>
    void edit(
      [{ op: state.document.rough ? 'replace' : 'add', path: '/rough', value: yes ? 'yes' : 'no' }],
      yes ? 'rough figures stand in' : 'rough figures left out',
    );
  if (!on)
    return (
      <p className="mt-2 border-t border-rule pt-2 text-muted">
        Blanks stay blank.{' '}
        <button type="button" className="quiet" onClick={() => put(true)}>
          let rough figures stand in
        </button>
      </p>
    );
  return (
    <section aria-label="Rough figures" className="mt-2 border-t border-ink pt-2">
      <h3 className="text-[15px]">
        {rough.length === 0
          ? 'No rough figure stands in'
          : `${rough.length} rough figure${rough.length === 1 ? ' stands' : 's stand'} in`}
      </h3>
      {rough.length > 0 && <Next />}
      <ul>
        {rough.slice(0, all ? undefined : FIRST).map((r) => (
          <li key={r.pointer} className="border-b border-rule py-0.5" data-rough={r.pointer}>
            <button type="button" className="quiet w-full" onClick={() => focusField(r.pointer)}>
              <span className="block leading-tight">{r.what}</span>
              <span className="figure block text-xs leading-tight text-muted">
                ≈ {formatNumber(r.si, r.dimension, view)} ±{formatNumber(r.plus_minus_si, between(r.dimension), view)}
                <span className="font-text"> · {r.how}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="flex gap-3">
        {rough.length > FIRST && (
          <button type="button" className="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'the first of them' : `all ${rough.length}`}
          </button>
        )}
        <button type="button" className="quiet text-muted" onClick={() => put(false)}>
          leave rough figures out
        </button>
      </p>
    </section>
  );
}

/** What takes most off the doubt of the margin that is least sure: rough and typed figures alike. */
function Next() {
  const { view } = useProject();
  const focusField = useFocusField();
  const found = useMeasureNext();
  const rows = found.data?.rows.slice(0, NEXT) ?? [];
  if (rows.length === 0) return <p className="text-xs text-muted">Most hangs on the first of them.</p>;
  const dimension = found.data?.dimension ?? 'length';
  return (
    <div className="mb-1 border-l-[3px] border-act pl-2.5">
      <p className="text-xs text-muted">Measure this next, for the {found.data?.margin}:</p>
      <ol>
        {rows.map((r) => (
          <li key={r.id}>
            <button
              type="button"
              className="quiet"
              disabled={!r.pointer}
              onClick={() => r.pointer && focusField(r.pointer)}
            >
              {r.name}
            </button>{' '}
            <span className="text-xs text-muted">
              takes {formatNumber(r.drop_si, dimension, view)} off the doubt,{' '}
              {formatNumber(r.minutes * 60, 'time', view)}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}
