import { useState } from 'react';
import { Refused } from '../../api/client';
import { useProject } from '../../api/project';

interface Stored {
  name: string;
  rank: number;
  after?: string[];
  seals?: string[];
}

/** What a task waits for, and what would shut it in: taken from the tasks of the plan. */
export function Waits(props: { task: string }) {
  const { at, fit, edit } = useProject();
  const [wrong, setWrong] = useState('');
  const tasks = (at(`/fits/${fit}/tasks`) ?? {}) as Record<string, Stored>;
  const own = tasks[props.task];
  if (!own) return null;
  const sorted = Object.entries(tasks).sort(([, a], [, b]) => a.rank - b.rank);
  async function put(part: 'after' | 'seals', next: string[], said: string) {
    try {
      await edit(
        [{ op: own?.[part] ? 'replace' : 'add', path: `/fits/${fit}/tasks/${props.task}/${part}`, value: next }],
        said,
      );
      setWrong('');
    } catch (bad) {
      setWrong(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  const list = (part: 'after' | 'seals', label: string, none: string) => {
    const named = own[part] ?? [];
    return (
      <div className="flex flex-wrap items-baseline gap-x-2 text-xs">
        <span className="text-muted">{label}</span>
        {named.length === 0 && <span className="text-muted">{none}</span>}
        {named.map((k) => (
          <span key={k} className="border border-rule px-1">
            {tasks[k]?.name.slice(0, 44) ?? `${k}, which is not there`}
            <button
              type="button"
              className="quiet ml-1 !min-h-0 !min-w-0"
              aria-label={`no longer: ${tasks[k]?.name ?? k}`}
              onClick={() =>
                void put(
                  part,
                  named.filter((n) => n !== k),
                  `${own.name}: wait taken out`,
                )
              }
            >
              ×
            </button>
          </span>
        ))}
        <select
          aria-label={`${label} another`}
          data-pointer={`/fits/${fit}/tasks/${props.task}/${part}`}
          value=""
          className="max-w-40 border-b border-rule bg-transparent text-muted"
          onChange={(e) => void put(part, [...named, e.target.value], `${own.name}: ${label} one more`)}
        >
          <option value="">another…</option>
          {sorted
            .filter(([k]) => k !== props.task && !named.includes(k))
            .map(([k, t]) => (
              <option key={k} value={k}>
                {t.name}
              </option>
            ))}
        </select>
      </div>
    );
  };
  return (
    <div className="mt-1.5 grid gap-1">
      {list('after', 'waits for', 'nothing')}
      {list('seals', 'would be shut in by', 'nothing')}
      {wrong && (
        <p role="alert" className="text-stop">
          {wrong}
        </p>
      )}
    </div>
  );
}
