import { useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import type { View } from '../api/client';
import { answer, api, type LibraryItem } from '../api/client';
import { useReference } from '../api/project';
import { useLibrary } from '../api/useLibrary';
import { fieldAt } from '../figure/fields';
import { Asked, FileButton, FormDialog, RemoveDialog, wordsOf } from '../parts/dialogs';
import { saveText } from '../sheet/saveText';
import { UnitTable } from '../sheet/UnitTable';
import { LibraryHead, useUnits } from './LibraryHead';

const TYPES = { json: 'application/json', csv: 'text/csv' };

/** Every unit of the library: found, put in order, added, out to a file and in from one. */
export function LibraryPage() {
  const reference = useReference();
  const library = useLibrary();
  const { units } = useUnits();
  const queries = useQueryClient();
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null);
  const view = reference.data?.views[units] as View | undefined;

  async function take(file: File) {
    const format = file.name.toLowerCase().endsWith('.json') ? 'json' : 'csv';
    try {
      const taken = answer(await api.POST('/api/library/imports', { body: { format, text: await file.text() } }));
      await queries.invalidateQueries({ queryKey: ['library'] });
      setSaid({ words: `${file.name}: ${taken.added.length} added, ${taken.replaced.length} replaced.`, wrong: false });
    } catch (bad) {
      setSaid({ words: `${file.name}: ${wordsOf(bad)}`, wrong: true });
    }
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
            <FileButton
              label="file of units"
              accept=".json,.csv,text/csv,application/json"
              className="btn !px-4 !py-1.5"
              onFile={(file) => void take(file)}
            >
              Read a file
            </FileButton>
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
  async function remove() {
    const reply = await api.DELETE('/api/library/{key}', { params: { path: { key: props.id } } });
    if (reply.error) answer(reply);
    // The list alone: the unit itself is not there to be asked for again.
    await queries.invalidateQueries({ queryKey: ['library'], exact: true });
    props.onGone();
  }
  return (
    <RemoveDialog
      name={props.name}
      words="It goes from the library; there is no undo. Keep the library as a file first if you may want it again."
      onRemove={remove}
    />
  );
}

function AddDialog() {
  const reference = useReference();
  const go = useNavigate();
  const queries = useQueryClient();
  const { units } = useUnits();
  const kinds = reference.data ? (fieldAt(reference.data, '/library/x/unit/kind')?.choices ?? []) : [];
  async function add(form: FormData) {
    const body = { name: String(form.get('name')).trim(), kind: String(form.get('kind')) };
    const made = answer(await api.POST('/api/library', { body }));
    await queries.invalidateQueries({ queryKey: ['library'] });
    await go({ to: '/library/$key', params: { key: made.id }, search: { units } });
  }
  return (
    <FormDialog
      title="Add a unit"
      hint="Everything else stands on its sheet, to be filled in from the maker's paper, a dynamometer or the bench."
      submit="Add"
      onSubmit={add}
    >
      <Asked label="What is it called?" name="name" required placeholder="inline-three car engine, 1.2 L" />
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="mb-1">What kind is it?</legend>
        {kinds.map((k, i) => (
          <label key={k}>
            <input type="radio" name="kind" value={k} defaultChecked={i === 0} /> {k}
          </label>
        ))}
      </fieldset>
    </FormDialog>
  );
}
