import { useState } from 'react';
import { type Happened, Refused } from '../api/client';
import { useProject } from '../api/project';
import { FORMS, saidOf } from './forms';
import { RecordForm } from './RecordForm';
import { useRecords } from './useRecords';

const TITLES: Record<string, string> = {
  ...Object.fromEntries(FORMS.map((f) => [f.kind, f.title])),
  step: 'Step',
  witness: 'Seen',
  card: 'Card',
  reading: 'Reading',
  log: 'Log',
  photo: 'Photograph',
  'second weighing': 'Second weighing',
  withdrawn: 'Withdrawn',
};

/** Records as they stand, the newest first. One is never changed: another takes its place, and says so. */
export function RecordList(props: { records: Happened[]; most?: number; tight?: boolean }) {
  const [all, setAll] = useState(false);
  const most = all ? props.records.length : (props.most ?? 12);
  if (props.records.length === 0) return <p className="text-muted">Nothing is written down yet.</p>;
  return (
    <>
      <ul className="divide-y divide-rule">
        {props.records.slice(0, most).map((r) => (
          <Row key={r.number} record={r} tight={props.tight} />
        ))}
      </ul>
      {props.records.length > most && (
        <button type="button" className="quiet" onClick={() => setAll(true)}>
          show all {props.records.length}
        </button>
      )}
    </>
  );
}

function Row(props: { record: Happened; tight?: boolean }) {
  const { record: r } = props;
  const { id, at } = useProject();
  const { add } = useRecords();
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState('');
  const data = r.data as Record<string, unknown>;
  const task = data.task ? (at(`/fits/${data.fit}/tasks/${data.task}/name`) as string | undefined) : undefined;
  const day = (data.on as string) || r.at.slice(0, 10);
  async function withdraw() {
    try {
      await add({ kind: 'withdrawn', corrects: r.number, note: 'it did not happen' }, `record ${r.number} withdrawn`);
      setOpen(false);
    } catch (bad) {
      setWrong(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <li className={`py-1 ${r.stands ? '' : 'text-muted line-through'}`} data-record={r.number}>
      <div className="flex items-baseline gap-3">
        <span className="figure w-8 text-right text-xs text-muted">{r.number}</span>
        <span className="figure w-20 shrink-0 text-xs text-muted">{day}</span>
        {!props.tight && <span className="head w-32 shrink-0 truncate">{TITLES[r.kind] ?? r.kind}</span>}
        <span className="flex-1">
          {saidOf(r.kind, data)}
          {task && !props.tight && <span className="text-xs text-muted"> · {task}</span>}
          {data.corrects !== undefined && data.corrects !== null && (
            <span className="text-xs text-watch"> · in the place of {String(data.corrects)}</span>
          )}
          {data.simulated === true && <span className="text-xs text-watch"> · simulated, proves nothing</span>}
        </span>
        <span className="text-xs text-muted">{String(data.by)}</span>
        {r.stands && (
          <button type="button" className="quiet text-xs" aria-expanded={open} onClick={() => setOpen(!open)}>
            correct
          </button>
        )}
      </div>
      {r.kind === 'photo' && (
        <a href={`/api/projects/${id}/photos/${data.file}`} target="_blank" rel="noreferrer">
          <img
            src={`/api/projects/${id}/photos/${data.file}?small=true`}
            alt={String(data.of)}
            className="ml-11 max-h-28 border border-rule"
            loading="lazy"
          />
        </a>
      )}
      {open && (
        <div className="ml-11 border-l-2 border-watch py-1 pl-3 no-underline">
          <p className="text-muted">A record stands. What is wrong in it is corrected by another in its place.</p>
          {FORMS.some((f) => f.kind === r.kind) && (
            <RecordForm
              kinds={[r.kind]}
              given={data}
              corrects={r.number}
              also={data.task ? { task: data.task } : undefined}
              onDone={() => setOpen(false)}
            />
          )}
          <button type="button" className="btn mt-1" onClick={() => void withdraw()}>
            It did not happen
          </button>
          {wrong && (
            <p role="alert" className="text-stop">
              {wrong}
            </p>
          )}
        </div>
      )}
    </li>
  );
}
