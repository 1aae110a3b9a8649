import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { RemoveDialog } from '../parts/dialogs';

const WHY: Record<string, string> = {
  daily: 'the copy of that day',
  'before-restore': 'what a restore replaced',
};

function time(at: string): string {
  return new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'medium' });
}

function reason(why: string): string {
  return WHY[why] ?? (why.startsWith('before-layout') ? 'before a newer version changed its layout' : why);
}

/** The whole databases that are kept beside the projects, and what was put right at the start. */
export function Kept() {
  const queries = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const kept = useQuery({ queryKey: ['kept'], staleTime: 0, queryFn: async () => answer(await api.GET('/api/kept')) });
  if (!kept.data) return null;
  async function putBack(name: string) {
    const made = answer(await api.POST('/api/kept/{name}/put-back', { params: { path: { name } } }));
    setSaid(`${made.projects} projects with ${made.revisions} revisions are back. What was here is in the list.`);
    await queries.invalidateQueries();
  }
  return (
    <>
      {kept.data.notices.map((n) => (
        <p key={n} role="status" className="border-t border-rule bg-sheet px-6 py-3">
          {n}
        </p>
      ))}
      <details className="px-6 py-6">
        <summary className="head cursor-pointer text-muted">
          Kept copies of everything: {kept.data.copies.length || 'none yet'}
        </summary>
        <p className="max-w-[46rem] py-2 text-muted">
          In {kept.data.folder}: one a day while the application is used, and whatever a restore or a newer version
          replaced. Putting one back replaces every project and the library; what is here now is kept too.
        </p>
        {said && (
          <p role="status" className="py-2">
            {said}
          </p>
        )}
        <ul className="max-w-[46rem]">
          {kept.data.copies.map((c) => (
            <li key={c.name} data-kept={c.name} className="flex items-baseline gap-4 border-t border-rule py-1.5">
              <time className="w-44" dateTime={c.at}>
                {time(c.at)}
              </time>
              <span className="flex-1 text-muted">{reason(c.why)}</span>
              <span className="figure text-muted">{Math.max(1, Math.round(c.bytes / 1000))} kB</span>
              <RemoveDialog
                verb="put back"
                name={`the copy of ${time(c.at)}`}
                words="Every project and the library become what they were then. What is here now is kept, and can be put back the same way."
                onRemove={() => putBack(c.name)}
              />
            </li>
          ))}
        </ul>
      </details>
    </>
  );
}
