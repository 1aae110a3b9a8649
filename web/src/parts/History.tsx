import * as Popover from '@radix-ui/react-popover';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Revision } from '../api/client';

const PLACES: Record<string, string> = {
  here: 'now',
  before: '',
  ahead: 'undone; redo leads there',
  aside: 'left behind; only from here',
};

/** What was done, the newest first; any of it can be gone back to, as a new step. */
export function History(props: {
  busy: boolean;
  /** What the history is of, and its newest revision. */
  of: readonly [string, string, number];
  load: () => Promise<Revision[]>;
  backTo: (number: number) => Promise<unknown>;
  /** Lays a state beside what is now, where there is something to show it with. */
  compare?: (number: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const history = useQuery({ queryKey: ['history', ...props.of], enabled: open, queryFn: props.load });
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className="quiet head w-12 text-left text-[13px] text-muted"
        title="history: what was done, and back to it"
      >
        <span role="status">{props.busy ? 'saving' : 'saved'}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popup w-[38rem] max-w-[94vw] p-3" align="end" aria-label="History">
          <h2 className="text-[17px]">What was done, the newest first</h2>
          <p className="pb-2 text-muted">Going back is a step of its own: nothing is lost by it.</p>
          <ol className="max-h-[60vh] overflow-y-auto">
            {history.data?.map((r) => (
              <li
                key={r.number}
                data-revision={r.number}
                className="grid grid-cols-[3rem_8.5rem_1fr_auto] items-baseline gap-2 border-t border-rule py-1"
              >
                <span className="figure text-muted">{r.number}</span>
                <time className="text-muted" dateTime={r.at}>
                  {new Date(r.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
                </time>
                <span>
                  {r.summary || 'an edit'}
                  {PLACES[r.place] && <span className="block text-muted">{PLACES[r.place]}</span>}
                </span>
                {r.place !== 'here' && (
                  <span className="flex gap-3">
                    {props.compare && (
                      <button
                        type="button"
                        className="quiet head"
                        onClick={() => {
                          setOpen(false);
                          props.compare?.(r.number);
                        }}
                      >
                        beside now
                      </button>
                    )}
                    <button
                      type="button"
                      className="quiet head text-act"
                      onClick={() => {
                        setOpen(false);
                        void props.backTo(r.number);
                      }}
                    >
                      back to this
                    </button>
                  </span>
                )}
              </li>
            ))}
          </ol>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
