import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import type { Bench } from '../api/client';
import { useProject } from '../api/project';
import { BENCHES } from './Keel';

const OFF = 'keel.single-keys-off';
const LIST: [string, string][] = [
  ['1 – 9', 'benches'],
  ['f  F', 'next, previous finding'],
  ['w', 'open or close the working'],
  ['t', 'try the first way out'],
  ['b', 'show or hide the old unit'],
  ['u  U', 'undo, redo'],
  ['[  ]', 'nudge the unit forward, aft'],
  ['Alt+← →', 'the same'],
  ['/', 'find or do'],
  ['Shift+P', 'print'],
  ['?', 'this list'],
];

interface Acts {
  go: (bench: Bench) => void;
  onOpen: (key: string | undefined) => void;
  open: string | undefined;
  bench: Bench;
  find: () => void;
  keys: () => void;
  before: () => void;
  print: () => void;
}

/** Single keys, never while typing, and only if they are not switched off. */
export function useKeys(acts: Acts) {
  const { shown, undo, redo } = useProject();
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const target = event.target as HTMLElement;
      if (target.closest('input, select, textarea, [role=dialog], [role=menu]')) return;
      if (event.ctrlKey || event.metaKey) return;
      const nudge =
        event.key === '[' || (event.altKey && event.key === 'ArrowLeft')
          ? -1
          : event.key === ']' || (event.altKey && event.key === 'ArrowRight')
            ? 1
            : 0;
      if (nudge) {
        event.preventDefault();
        document.querySelector<HTMLButtonElement>(`[data-nudge="${nudge}"]`)?.click();
        return;
      }
      if (event.altKey || localStorage.getItem(OFF) === '1') return;
      const findings = [...document.querySelectorAll<HTMLElement>('[data-finding]')].map(
        (f) => f.dataset.finding as string,
      );
      const expanded = document.querySelector<HTMLElement>('[data-finding]:has([aria-expanded=true])')?.dataset.finding;
      const now = findings.indexOf(acts.open ?? expanded ?? '');
      const digit = Number(event.key);
      if (digit >= 1 && digit <= 9) {
        const bench = BENCHES[digit - 1];
        if (bench && shown.benches.find((b) => b.bench === bench)?.built) acts.go(bench);
      } else if (event.key === 'f') acts.onOpen(findings[(now + 1) % findings.length]);
      else if (event.key === 'F') acts.onOpen(findings[(now - 1 + findings.length) % findings.length]);
      else if (event.key === 'w')
        document
          .querySelector<HTMLButtonElement>(expanded ? '[data-finding] [aria-expanded=true]' : '[data-finding] button')
          ?.click();
      else if (event.key === 't') document.querySelector<HTMLButtonElement>('[data-try]')?.click();
      else if (event.key === 'b') acts.before();
      else if (event.key === 'u') void undo();
      else if (event.key === 'U') void redo();
      else if (event.key === '/') {
        event.preventDefault();
        acts.find();
      } else if (event.key === '?') acts.keys();
      else if (event.key === 'P') acts.print();
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [acts, shown, undo, redo]);
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
            {LIST.map(([key, words]) => (
              <div key={key} className="contents">
                <dt className="figure">{key}</dt>
                <dd>{words}</dd>
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
