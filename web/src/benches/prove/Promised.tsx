import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { answer, api, type Finding, type Prove, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useInstallation } from '../../api/useInstallation';
import { between, directed, formatNumber, sentence } from '../../figure/format';
import { COLOURS } from '../../findings/Mark';
import { Table } from '../../parts/Table';
import { useRecords } from '../../records/useRecords';
import { Decide } from './Decide';
import { asOperations } from './operations';

type Row = Prove['promises'][number];

/** What was promised beside what was measured, by the bench that promised it. */
export function Promised(props: { promises: Row[]; simulated: Finding | undefined }) {
  const { view } = useProject();
  const [asked, setAsked] = useState<string | null>(null);
  const number = (si: number | null | undefined, doubt: number | null | undefined, r: Row) =>
    si == null
      ? ''
      : `${directed(si, r.dimension, view, r.ways)}${doubt ? ` ±${formatNumber(doubt, between(r.dimension), view)}` : ''}`;
  return (
    <section aria-label="Promised and measured" className="border-b border-rule px-4 py-1">
      <Table
        rows={props.promises}
        id={(r) => r.id}
        label="promised and measured"
        data={(r) => ({ 'data-promise': r.id })}
        below={(r) => (asked === r.id ? <IntoTheModel what={r.id} onDone={() => setAsked(null)} /> : null)}
        columns={[
          { id: 'by', head: 'promised by', className: 'text-muted', cell: (r) => r.bench },
          {
            id: 'what',
            head: 'what',
            wide: true,
            cell: (r) => (
              <>
                {r.label}
                {r.needs.length > 0 && (
                  <span className="text-xs text-unknown"> · cannot say yet: needs {r.needs.join(', ')}</span>
                )}
                {r.how && r.measured_si != null && <span className="text-xs text-muted"> · {r.how}</span>}
              </>
            ),
          },
          { id: 'promised', head: 'promised', num: true, cell: (r) => number(r.promised_si, r.promised_doubt_si, r) },
          {
            id: 'measured',
            head: 'measured',
            num: true,
            cell: (r) =>
              r.measured_si != null ? (
                <span className="certain">{number(r.measured_si, r.measured_doubt_si, r)}</span>
              ) : (
                <Read row={r} />
              ),
          },
          {
            id: 'off',
            head: 'difference',
            num: true,
            cell: (r) =>
              r.off_si != null ? (
                <span style={{ color: r.level && r.level !== 'ok' ? COLOURS[r.level as Finding['level']] : undefined }}>
                  {formatNumber(Math.abs(r.off_si), between(r.dimension), view)} {r.off_si >= 0 ? 'more' : 'less'}
                </span>
              ) : (
                ''
              ),
          },
          {
            id: 'doubts',
            head: 'in doubts',
            num: true,
            cell: (r) => (r.in_doubts != null ? formatNumber(r.in_doubts, 'number', view) : ''),
          },
          {
            id: 'model',
            head: '',
            cell: (r) =>
              r.off_si != null && r.level !== 'ok' && r.id !== 'unit.rated-speed' ? (
                <button
                  type="button"
                  className="quiet whitespace-nowrap text-xs"
                  aria-expanded={asked === r.id}
                  onClick={() => setAsked(asked === r.id ? null : r.id)}
                >
                  into the model
                </button>
              ) : null,
          },
        ]}
      />
      {props.simulated && props.simulated.level !== 'ok' && (
        <p className="text-muted">{sentence(props.simulated.title, view)} They are shown apart.</p>
      )}
    </section>
  );
}

/** The figure that would make the promise what was measured: shown first, with what it changes. */
function IntoTheModel(props: { what: string; onDone: () => void }) {
  const { id, fit, state } = useProject();
  const { id: unit } = useInstallation();
  const found = useQuery({
    queryKey: ['calibration', id, fit, unit, props.what, state.revision],
    queryFn: async () =>
      answer(
        await api.GET('/api/projects/{project_id}/calibrations/{what}', {
          params: { path: { project_id: id, what: props.what }, query: { fit, unit } },
        }),
      ),
    retry: false,
  });
  if (found.error) return <span role="alert">{String(found.error)}</span>;
  if (!found.data) return <span>Trying values…</span>;
  if (!found.data.message) return <span>{found.data.none}</span>;
  return <Decide message={found.data.message} operations={asOperations(found.data.operations)} onDone={props.onDone} />;
}

/** A figure that was measured, against a promise. */
function Read(props: { row: Row }) {
  const { add } = useRecords();
  const { id: unit } = useInstallation();
  const [wrong, setWrong] = useState('');
  const { row } = props;
  if (row.id === 'unit.rated-speed') return <span className="text-xs text-muted">on its card</span>;
  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const entered = String(new FormData(event.currentTarget).get('value') ?? '').trim();
    if (!entered) return;
    try {
      await add({ kind: 'reading', unit, what: row.id, entered }, `${row.label}: ${entered}`);
      setWrong('');
    } catch (bad) {
      setWrong(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <form onSubmit={(e) => void submit(e)}>
      <input
        name="value"
        aria-label={`${row.label}, measured`}
        placeholder="read"
        autoComplete="off"
        maxLength={60}
        className="figure w-20 min-h-6 border-b border-rule bg-transparent text-right"
      />
      {wrong && (
        <span role="alert" className="block text-xs text-stop">
          {wrong}
        </span>
      )}
    </form>
  );
}
