import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import type { Bench } from '../api/client';
import { useProject } from '../api/project';
import { BENCHES, type Page } from './benches';

const OFF = 'keel.single-keys-off';

interface Acts {
  go: (page: Page) => void;
  onOpen: (key: string | undefined) => void;
  open: string | undefined;
  bench: Page;
  find: () => void;
  keys: () => void;
  before: () => void;
  print: () => void;
}

/** What a key may act on: what the frame offers, the project, and the findings as they stand on the page. */
interface Hands extends Acts {
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  built: (bench: Bench) => boolean;
}

interface KeyEntry {
  /** As the help shows them. */
  keys: string;
  words: string;
  /** Whether it acts though single letters are switched off. */
  always?: boolean;
  /** The name of the key, with Alt where that is held. */
  when: (key: string) => boolean;
  act: (hands: Hands, key: string) => void;
}

const click = (selector: string) => document.querySelector<HTMLButtonElement>(selector)?.click();
const expanded = () => document.querySelector<HTMLElement>('[data-finding]:has([aria-expanded=true])')?.dataset.finding;

/** The finding after, or before, the one that is open. */
function step(hands: Hands, way: 1 | -1) {
  const all = [...document.querySelectorAll<HTMLElement>('[data-finding]')].map((f) => f.dataset.finding as string);
  const now = all.indexOf(hands.open ?? expanded() ?? '');
  if (all.length) hands.onOpen(all[(now + way + all.length) % all.length]);
}

/** Every key, once: the help is drawn from this table. */
const KEYMAP: KeyEntry[] = [
  { keys: '0', words: 'first figures', when: (k) => k === '0', act: (h) => h.go('first') },
  {
    keys: '1 – 9',
    words: 'benches',
    when: (k) => /^[1-9]$/.test(k),
    act: (h, k) => {
      const bench = BENCHES[Number(k) - 1];
      if (bench && h.built(bench)) h.go(bench);
    },
  },
  { keys: 'f', words: 'next finding', when: (k) => k === 'f', act: (h) => step(h, 1) },
  { keys: 'F', words: 'previous finding', when: (k) => k === 'F', act: (h) => step(h, -1) },
  {
    keys: 'w',
    words: 'open or close the working',
    when: (k) => k === 'w',
    act: () => click(expanded() ? '[data-finding] [aria-expanded=true]' : '[data-finding] button'),
  },
  { keys: 't', words: 'try the first way out', when: (k) => k === 't', act: () => click('[data-try]') },
  { keys: 'b', words: 'show or hide the old unit', when: (k) => k === 'b', act: (h) => h.before() },
  { keys: 'u', words: 'undo', when: (k) => k === 'u', act: (h) => void h.undo() },
  { keys: 'U', words: 'redo', when: (k) => k === 'U', act: (h) => void h.redo() },
  {
    keys: '[  Alt+←',
    words: 'nudge the unit forward',
    always: true,
    when: (k) => k === '[' || k === 'Alt+ArrowLeft',
    act: () => click('[data-nudge="-1"]'),
  },
  {
    keys: ']  Alt+→',
    words: 'nudge the unit aft',
    always: true,
    when: (k) => k === ']' || k === 'Alt+ArrowRight',
    act: () => click('[data-nudge="1"]'),
  },
  { keys: '/', words: 'find or do', when: (k) => k === '/', act: (h) => h.find() },
  { keys: 'Shift+P', words: 'print', when: (k) => k === 'P', act: (h) => h.print() },
  { keys: '?', words: 'this list', when: (k) => k === '?', act: (h) => h.keys() },
];

/** Single keys, never while typing, and only if they are not switched off. */
export function useKeys(acts: Acts) {
  const { state, undo, redo } = useProject();
  useEffect(() => {
    const built = (bench: Bench) => state.assessment.benches.find((b) => b.bench === bench)?.built ?? false;
    function onKey(event: KeyboardEvent) {
      const target = event.target as HTMLElement;
      if (target.closest('input, select, textarea, [role=dialog], [role=menu]')) return;
      if (event.ctrlKey || event.metaKey) return;
      const key = event.altKey ? `Alt+${event.key}` : event.key;
      const entry = KEYMAP.find((e) => e.when(key));
      if (!entry || (!entry.always && localStorage.getItem(OFF) === '1')) return;
      event.preventDefault();
      entry.act({ ...acts, undo, redo, built }, key);
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [acts, state, undo, redo]);
}

export function KeysDialog(props: { open: boolean; onClose: () => void }) {
  const [off, setOff] = useState(() => localStorage.getItem(OFF) === '1');
  return (
    <Dialog.Root open={props.open} onOpenChange={(o) => !o && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed left-1/2 top-24 z-30 w-96 -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <Dialog.Title className="text-[19px]">Keys</Dialog.Title>
          <Dialog.Description className="mb-2 text-muted">
            None of them acts while you type in a field.
          </Dialog.Description>
          <dl className="grid grid-cols-[6rem_1fr] gap-y-1">
            {KEYMAP.map((entry) => (
              <div key={entry.keys} className="contents">
                <dt className="figure">{entry.keys}</dt>
                <dd>{entry.words}</dd>
              </div>
            ))}
          </dl>
          <label className="mt-3 flex gap-2">
            <input
              type="checkbox"
              checked={off}
              onChange={(e) => {
                setOff(e.target.checked);
                localStorage.setItem(OFF, e.target.checked ? '1' : '0');
              }}
            />
            switch single-letter keys off
          </label>
          <div className="mt-3 text-right">
            <Dialog.Close className="btn">Close</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
