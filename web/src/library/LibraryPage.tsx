import { useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { AlertDialog, Dialog } from 'radix-ui';
import { type FormEvent, useRef, useState } from 'react';
import { answer, api, type LibraryItem, Refused } from '../api/client';
import { useReference } from '../api/project';
import { saveText } from '../benches/saveText';
import { fieldAt } from '../figure/fields';
import type { View } from '../figure/format';
import { LibraryHead, useUnits } from './LibraryHead';
import { UnitTable } from './UnitTable';
import { useLibrary } from './useLibrary';

const TYPES = { json: 'application/json', csv: 'text/csv' };

/** Every unit of the library: found, put in order, added, out to a file and in from one. */
export function LibraryPage() {
  const reference = useReference();
  const library = useLibrary();
  const { units } = useUnits();
  const queries = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null);
  const view = reference.data?.views[units] as View | undefined;

  async function take(file: File | undefined) {
    if (!file) return;
    const format = file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv';
    try {
      const taken = answer(await api.POST('/api/library/imports', { body: { format, text: await file.text() } }));
      await queries.invalidateQueries({ queryKey: ['library'] });
      setSaid({ words: `${file.name}: ${taken.added.length} added, ${taken.replaced.length} replaced.`, wrong: false });
    } catch (bad) {
      setSaid({ words: `${file.name}: ${bad instanceof Refused ? bad.words : String(bad)}`, wrong: true });
    }
    if (picker.current) picker.current.value = '';
  }
  async function give(form: 'json' | 'csv') {
    const reply = answer(await api.GET('/api/library/exports/{form}', { params: { path: { form } } }));
    saveText(reply.text, `units.${form}`, TYPES[form]);
  }
  return (
    <div className="min-h-full">
      <LibraryHead />
      <main className="bg-sheet px-6 pb-10">
        <div className="flex flex-wrap items-end justify-between gap-3 pb-2 pt-6">
          <div>
            <h1 className="text-[32px] leading-none">Library of power units</h1>
            <p className="mt-1 max-w-[46rem] text-muted">
              A fit is given a copy: what you change here leaves fits as they are, and what you change in a fit leaves
              this. A figure is as good as its source; hearsay is marked on the unit's sheet.
            </p>
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <button type="button" className="quiet" onClick={() => void give('csv')}>
              all as CSV
            </button>
            <button type="button" className="quiet" onClick={() => void give('json')}>
              all as JSON
            </button>
            <input
              ref={picker}
              type="file"
              accept=".json,.csv,text/csv,application/json"
              className="hidden"
              aria-label="file of units"
              onChange={(e) => void take(e.target.files?.[0])}
            />
            <button type="button" className="btn !px-4 !py-1.5" onClick={() => picker.current?.click()}>
              Read a file
            </button>
            <AddDialog />
          </div>
        </div>
        {said && (
          <p role={said.wrong ? 'alert' : 'status'} className={`py-1 ${said.wrong ? 'text-stop' : ''}`}>
            {said.words}
          </p>
        )}
        {library.error && <p className="text-stop">{String(library.error)}</p>}
        {library.data?.length === 0 && (
          <p className="py-6 text-muted">No unit yet. Add one from its sheet, read a file, or keep one from a fit.</p>
        )}
        {library.data && library.data.length > 0 && view && (
          <UnitTable
            items={library.data}
            view={view}
            needed={null}
            first={(i) => (
              <Link
                to="/library/$key"
                params={{ key: i.id }}
                search={{ units }}
                className="inline-flex min-h-6 items-center text-act"
              >
                {i.name}
              </Link>
            )}
            last={(i) => <Used item={i} />}
          />
        )}
      </main>
    </div>
  );
}

/** Where a unit is used. */
function Used(props: { item: LibraryItem }) {
  const { used } = props.item;
  return (
    <span className="whitespace-nowrap text-xs text-muted" title={used.join('\n')}>
      {used.length === 0 ? '' : used.length === 1 ? '1 place' : `${used.length} places`}
    </span>
  );
}

/** Taking a unit away; refused where it is used, with where. */
export function RemoveUnit(props: { id: string; name: string; onGone: () => void }) {
  const queries = useQueryClient();
  const [refused, setRefused] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  async function remove() {
    const reply = await api.DELETE('/api/library/{key}', { params: { path: { key: props.id } } });
    if (reply.error) {
      try {
        answer(reply);
      } catch (bad) {
        setRefused(bad instanceof Refused ? bad.words : String(bad));
      }
      return;
    }
    setOpen(false);
    // The list alone: the unit itself is not there to be asked for again.
    await queries.invalidateQueries({ queryKey: ['library'], exact: true });
    props.onGone();
  }
  return (
    <AlertDialog.Root
      open={open}
      onOpenChange={(o) => {
        setOpen(o);
        setRefused(null);
      }}
    >
      <AlertDialog.Trigger className="quiet text-muted" aria-label={`remove ${props.name}`}>
        remove
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <AlertDialog.Content className="fixed left-1/2 top-40 z-30 w-96 -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <AlertDialog.Title className="text-[19px]">Remove {props.name}?</AlertDialog.Title>
          <AlertDialog.Description className="my-2">
            It goes from the library; there is no undo. Keep the library as a file first if you may want it again.
          </AlertDialog.Description>
          {refused && (
            <p role="alert" className="mb-2 text-stop">
              {refused}
            </p>
          )}
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel className="btn">Leave it</AlertDialog.Cancel>
            <button type="button" className="btn btn-main" onClick={() => void remove()}>
              Remove
            </button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

function AddDialog() {
  const reference = useReference();
  const go = useNavigate();
  const queries = useQueryClient();
  const { units } = useUnits();
  const [error, setError] = useState<string | null>(null);
  const kinds = reference.data ? (fieldAt(reference.data, '/library/x/unit/kind')?.choices ?? []) : [];
  async function add(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    try {
      const body = { name: String(form.get('name')).trim(), kind: String(form.get('kind')) };
      const made = answer(await api.POST('/api/library', { body }));
      await queries.invalidateQueries({ queryKey: ['library'] });
      await go({ to: '/library/$key', params: { key: made.id }, search: { units } });
    } catch (bad) {
      setError(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <Dialog.Root onOpenChange={() => setError(null)}>
      <Dialog.Trigger className="btn btn-main !px-4 !py-1.5">Add a unit</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed left-1/2 top-24 z-30 w-[26rem] -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <Dialog.Title className="text-[21px]">Add a unit</Dialog.Title>
          <Dialog.Description className="mb-3 text-muted">
            Everything else stands on its sheet, to be filled in from the maker's paper, a dynamometer or the bench.
          </Dialog.Description>
          <form onSubmit={(e) => void add(e)} className="grid gap-3">
            <label className="grid gap-1">
              What is it called?
              <input
                name="name"
                required
                maxLength={120}
                autoComplete="off"
                placeholder="inline-three car engine, 1.2 L"
                className="border border-ink bg-sheet px-2 py-1"
              />
            </label>
            <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
              <legend className="mb-1">What kind is it?</legend>
              {kinds.map((k, i) => (
                <label key={k}>
                  <input type="radio" name="kind" value={k} defaultChecked={i === 0} /> {k}
                </label>
              ))}
            </fieldset>
            {error && (
              <p role="alert" className="text-stop">
                {error}
              </p>
            )}
            <div className="flex justify-end gap-2">
              <Dialog.Close className="btn !py-1.5">Not now</Dialog.Close>
              <button type="submit" className="btn btn-main !py-1.5">
                Add
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
