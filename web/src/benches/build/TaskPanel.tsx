import { type FormEvent, useState } from 'react';
import { Refused, type Task } from '../../api/client';
import { useProject } from '../../api/project';
import { PhotoButton } from '../../records/PhotoButton';
import { RecordForm } from '../../records/RecordForm';
import { RecordList } from '../../records/RecordList';
import { usePerson, useRecords } from '../../records/useRecords';
import { Waits } from './Waits';

const ROLES = ['second person', 'inspector', 'yard', 'surveyor', 'electrician'];

/** The task that is open: begin it, finish it, have it seen, and what is written down of it. */
export function TaskPanel(props: { task: Task | undefined }) {
  const { at, fit } = useProject();
  const { all, add } = useRecords();
  const [person] = usePerson();
  const [wrong, setWrong] = useState('');
  const [writing, setWriting] = useState(false);
  const t = props.task;
  if (!t) return null;
  const caution = at(`/fits/${fit}/tasks/${t.id}/caution`) as string | undefined;
  const evidence = at(`/fits/${fit}/tasks/${t.id}/evidence`) as string | undefined;
  const own = all.filter((r) => (r.data as Record<string, unknown>).task === t.id);
  async function step(word: string) {
    try {
      await add({ kind: 'step', task: t?.id, step: word }, `${t?.name}: ${word}`);
      setWrong('');
    } catch (bad) {
      setWrong(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <section aria-label="Task" className="px-4 py-2" data-open-task={t.id}>
      <h2 className="text-[15px]">{t.name}</h2>
      {caution && <p className="text-stop">{caution}.</p>}
      <p className="text-xs text-muted">
        {t.work ? `${t.work} · ` : ''}
        {t.begins ? `${t.standing === 'open' ? 'planned ' : 'begun '}${t.begins}` : 'no day yet'}
        {t.ends ? `, ${t.standing === 'done' ? 'done' : 'to'} ${t.ends}` : ''}
        {t.here ? `, here ${t.here}` : ''}
        {t.by ? ` · ${t.by}` : ''}
        {t.critical
          ? ' · on the longest way'
          : t.slack_days != null && t.standing !== 'done'
            ? ` · ${Math.floor(t.slack_days)} days to spare`
            : ''}
      </p>
      {t.shut.length > 0 && (
        <details className="text-xs text-watch">
          <summary className="cursor-pointer">
            Waits for {t.shut.length}: {t.shut[0]}
          </summary>
          {t.shut.length > 1 && (
            <ul className="pl-3">
              {t.shut.slice(1).map((what) => (
                <li key={what}>{what}</li>
              ))}
            </ul>
          )}
        </details>
      )}
      <div className="my-1.5 flex flex-wrap items-center gap-2">
        {t.standing === 'open' && (
          <button type="button" className="btn" disabled={!person} onClick={() => void step('begun')}>
            Begin
          </button>
        )}
        {t.standing !== 'done' && (
          <button type="button" className="btn btn-main" disabled={!person} onClick={() => void step('done')}>
            Done
          </button>
        )}
        {t.standing === 'done' && (
          <button type="button" className="btn" disabled={!person} onClick={() => void step('opened again')}>
            Open again
          </button>
        )}
        <PhotoButton of={t.name} task={t.id} />
        <button type="button" className="btn" aria-expanded={writing} onClick={() => setWriting(!writing)}>
          Write down for it
        </button>
        {!person && <span className="text-xs text-watch">say who you are, below</span>}
      </div>
      {wrong && (
        <p role="alert" className="text-stop">
          {wrong}
        </p>
      )}
      {t.role && (
        <div className="mb-1.5 border-l-2 border-ink pl-2.5">
          <p>
            <b className="head">Hold: {t.role}</b>, with {evidence || 'what shows it'}.{' '}
            {t.hold === 'released' ? (
              <span className="text-ok">Released.</span>
            ) : (
              <span>{t.hold_why || (t.hold === 'open' ? 'Seen when it is done.' : 'Not seen yet.')}</span>
            )}
          </p>
          {t.standing === 'done' && t.hold !== 'released' && <Seen task={t} evidence={evidence ?? ''} />}
        </div>
      )}
      {writing && <RecordForm also={{ task: t.id }} onDone={() => setWriting(false)} />}
      {own.length > 0 && <RecordList records={own} most={4} tight />}
      <Waits task={t.id} />
    </section>
  );
}

/** Another person says that it was seen. */
function Seen(props: { task: Task; evidence: string }) {
  const { add } = useRecords();
  const [wrong, setWrong] = useState<{ at: string; words: string } | null>(null);
  const { task } = props;
  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const typed = new FormData(event.currentTarget);
    try {
      await add(
        {
          kind: 'witness',
          task: task.id,
          by: typed.get('by'),
          role: typed.get('role'),
          evidence: typed.get('evidence'),
        },
        `${task.name} seen`,
      );
      setWrong(null);
    } catch (bad) {
      setWrong({
        at: bad instanceof Refused ? (bad.problem.pointer ?? '') : '',
        words: bad instanceof Refused ? bad.words : String(bad),
      });
    }
  }
  const field = 'border-b border-ink bg-transparent py-0.5';
  return (
    <form onSubmit={(e) => void submit(e)} aria-label="have it seen" className="flex flex-wrap items-end gap-3">
      <label className="grid">
        <span className="text-xs text-muted">seen by</span>
        <input name="by" required maxLength={80} autoComplete="off" className={`${field} w-28`} />
      </label>
      <label className="grid">
        <span className="text-xs text-muted">as</span>
        <select name="role" defaultValue={task.role ?? ROLES[0]} className={field}>
          {ROLES.map((r) => (
            <option key={r}>{r}</option>
          ))}
        </select>
      </label>
      <label className="grid flex-1">
        <span className="text-xs text-muted">what shows it</span>
        <input name="evidence" required maxLength={400} placeholder={props.evidence} className={field} />
      </label>
      <button type="submit" className="btn">
        Seen
      </button>
      {wrong && (
        <p role="alert" className="w-full text-stop">
          {wrong.words}
        </p>
      )}
    </form>
  );
}
