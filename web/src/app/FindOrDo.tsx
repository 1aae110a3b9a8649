import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Block } from '../api/client';
import { useProject, useShown } from '../api/project';
import { workshop } from '../api/route';
import { useInstallation } from '../api/useInstallation';
import { sentence } from '../figure/format';
import { useFocusField } from '../findings/useFocusField';

interface Entry {
  words: string;
  hint: string;
  run: () => void;
}

/** The fields of every bench, those of tables left out: where each stands in the document, and its bench. */
function ofTheSheets(blocks: Block[], unit: string | null, fit: string | null) {
  return blocks.flatMap((b) =>
    b.table
      ? []
      : b.entries
          .filter((e) => (unit !== null || !e.pointer.startsWith('~')) && (fit !== null || !e.pointer.startsWith('^')))
          .map((e) => ({
            pointer: e.pointer.replace('~', unit ?? '').replace('^', `/fits/${fit}`),
            label: e.label,
            bench: b.bench,
          })),
  );
}

/** One line to find a bench, a finding, a value or a field, or to do something. */
export function FindOrDo(props: { open: boolean; onClose: () => void }) {
  return (
    <Dialog.Root open={props.open} onOpenChange={(o) => !o && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/20" />
        <Dialog.Content
          className="fixed right-4 top-14 z-30 w-96 border border-ink bg-sheet p-3 shadow-lg"
          onCloseAutoFocus={(e) => e.preventDefault()}
        >
          <Dialog.Title className="sr-only">Find or do</Dialog.Title>
          <Dialog.Description className="sr-only">Type a word; Enter takes the first line.</Dialog.Description>
          <Finder onClose={props.onClose} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Finder(props: { onClose: () => void }) {
  const { id } = workshop.useParams();
  const { view, units, undo, redo, reference, state, fit } = useProject();
  const { pointer } = useInstallation();
  const { shown } = useShown();
  const go = workshop.useNavigate();
  const focusField = useFocusField();
  const [text, setText] = useState('');
  const to = (bench: (typeof shown.benches)[number]['bench'], finding?: string) => () =>
    void go({ to: '/p/$id/$bench', params: { id, bench }, search: (s) => ({ ...s, finding }) });
  const listed = ofTheSheets(reference.sheets[state.document.kind as string] ?? [], pointer, fit);
  const known = new Set(listed.map((f) => f.pointer));
  // Rows of the tables of this bench, and what else is drawn on it.
  const drawn = [...document.querySelectorAll<HTMLElement>('main [data-pointer]')].filter(
    (f) => !known.has(f.dataset.pointer ?? ''),
  );
  const find = (at: string) => () => void setTimeout(() => focusField(at));
  const entries: Entry[] = [
    ...shown.benches.filter((b) => b.built).map((b) => ({ words: b.bench, hint: 'bench', run: to(b.bench) })),
    ...shown.findings.map((f) => ({ words: sentence(f.title, view), hint: f.bench, run: to(f.bench, f.key) })),
    ...shown.values.map((v) => ({ words: v.label, hint: v.bench, run: to(v.bench) })),
    ...listed.map((f) => ({ words: f.label, hint: `${f.bench}, field`, run: find(f.pointer) })),
    ...drawn.map((f) => ({
      words: f.getAttribute('aria-label') ?? document.querySelector(`label[for="${f.id}"]`)?.textContent ?? '',
      hint: 'field here',
      run: find(f.dataset.pointer as string),
    })),
    { words: 'library of power units', hint: 'go', run: () => void go({ to: '/library', search: { units } }) },
    { words: 'undo', hint: 'do', run: () => void undo() },
    { words: 'redo', hint: 'do', run: () => void redo() },
    { words: 'print', hint: 'do', run: () => window.print() },
  ];
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (e: Entry) => wanted.length > 0 && wanted.every((w) => e.words.toLowerCase().includes(w));
  const found = entries.filter(holds).slice(0, 9);
  return (
    <>
      <input
        aria-label="find or do"
        className="w-full border border-ink px-2 py-1"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && found[0]) {
            props.onClose();
            found[0].run();
          }
        }}
      />
      <ul className="mt-2">
        {found.map((e) => (
          <li key={`${e.hint} ${e.words}`}>
            <button
              type="button"
              className="flex w-full justify-between gap-3 px-1 py-1 text-left hover:bg-tray"
              onClick={() => {
                props.onClose();
                e.run();
              }}
            >
              <span>{e.words}</span>
              <span className="text-muted">{e.hint}</span>
            </button>
          </li>
        ))}
        {wanted.length > 0 && found.length === 0 && <li className="text-muted">Nothing by that word.</li>}
      </ul>
    </>
  );
}
