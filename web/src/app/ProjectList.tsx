import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import type { View } from '../api/client';
import { answer, api, type LibraryItem, type Operation, Refused, type State, type Units } from '../api/client';
import { useReference } from '../api/project';
import { LIBRARY, useLibrary } from '../api/useLibrary';
import { sentence } from '../figure/format';
import { Mark } from '../findings/Mark';
import { Brand } from '../parts/Brand';
import { Asked, FileButton, FormDialog, RemoveDialog } from '../parts/dialogs';
import { SmallProfile } from '../profile/SmallProfile';
import { SmallKeel } from './Keel';
import { Kept } from './Kept';

const DAY = 86_400_000;

function when(at: string | null | undefined): string {
  if (!at) return '';
  const then = new Date(at);
  const days = Math.floor((Date.now() - then.getTime()) / DAY);
  if (days < 1) return 'today';
  if (days < 7) return then.toLocaleDateString('en-GB', { weekday: 'short' });
  return then.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
}

/** The start: every repower with its small keel. */
export function ProjectList() {
  const go = useNavigate();
  const queries = useQueryClient();
  const reference = useReference();
  const [units, setUnits] = useState<Units>('mm-kg');
  const [error, setError] = useState<string | null>(null);
  const [reading, setReading] = useState<string | null>(null);
  const projects = useQuery({
    queryKey: ['projects'],
    staleTime: 0,
    queryFn: async () => answer(await api.GET('/api/projects')),
  });
  const view = reference.data?.views[units] as View | undefined;

  async function open(file: File) {
    setError(null);
    setReading(file.name);
    try {
      const state = file.name.endsWith('.zip')
        ? answer(
            await api.POST('/api/projects/import-archive', {
              body: file as unknown as string,
              bodySerializer: (body) => body as unknown as BodyInit,
              headers: { 'Content-Type': 'application/octet-stream' },
            }),
          )
        : answer(await api.POST('/api/projects/import', { body: { text: await file.text() } }));
      void queries.invalidateQueries({ queryKey: ['projects'], refetchType: 'none' });
      await go({ to: '/p/$id/$bench', params: { id: state.id, bench: 'craft' }, search: {} });
    } catch (bad) {
      setError(
        bad instanceof Refused
          ? `${file.name}: ${bad.problem.pointer ? `${bad.problem.pointer}: ` : ''}${bad.words}`
          : String(bad),
      );
    } finally {
      setReading(null);
    }
  }

  return (
    <div className="min-h-full">
      <header className="flex h-11 items-center gap-3 border-b border-rule bg-sheet px-6">
        <Brand />
        <span className="head text-[21px]">Crooked Keel</span>
        <Link to="/library" search={{ units }} className="head text-act">
          Library
        </Link>
        <span className="flex-1" />
        <button type="button" className="quiet head" onClick={() => setUnits(units === 'mm-kg' ? 'in-lb' : 'mm-kg')}>
          {units === 'mm-kg' ? 'mm · kg' : 'in · lb'}
        </button>
      </header>
      <main>
        <div className="flex items-end justify-between px-6 pb-3 pt-8">
          <h1 className="text-[32px] leading-none">Repowers on the bench</h1>
          <div className="flex gap-2">
            <FileButton
              label="project file"
              accept=".json,.zip"
              className="btn !px-4 !py-1.5"
              onFile={(file) => void open(file)}
            >
              Open a file
            </FileButton>
            <StartDialog units={units} />
          </div>
        </div>
        {reading && (
          <p role="status" className="border-t border-rule bg-sheet px-6 py-3 text-muted">
            Reading {reading}…
          </p>
        )}
        {error && (
          <p role="alert" className="border-t border-rule bg-sheet px-6 py-3 text-stop">
            {error}
          </p>
        )}
        <ul className="border-t border-rule">
          {projects.data?.map((p) => (
            <li key={p.id} className="flex items-center border-b border-rule bg-sheet hover:bg-[#fffefb]">
              <a
                href={`/p/${p.id}/balance`}
                className="grid min-h-24 flex-1 grid-cols-[12rem_13rem_1fr_9rem_16rem_4rem] items-center gap-4 px-6 py-3"
                onClick={(e) => {
                  if (e.metaKey || e.ctrlKey || e.shiftKey) return;
                  e.preventDefault();
                  const first = p.keel.find((k) => k.level === 'stop')?.bench ?? 'craft';
                  void go({ to: '/p/$id/$bench', params: { id: p.id, bench: first }, search: {} });
                }}
              >
                <SmallProfile shapes={p.profile} />
                <span>
                  <span className="head block text-[21px]">{p.name}</span>
                  <span className="text-muted">{p.description || p.kind.replace('-', ' ')}</span>
                </span>
                <span>
                  <span className="block">
                    <span className="text-muted">out</span> {p.old_unit ?? 'not said'}
                  </span>
                  <span className="block">
                    <span className="text-muted">in</span>&ensp; {p.new_unit ?? 'not said'}
                  </span>
                </span>
                <SmallKeel levels={p.keel} />
                <span className="flex items-center gap-3">
                  {p.worst_level && (
                    <span className="flex-none">
                      <Mark level={p.worst_level} />
                    </span>
                  )}
                  {p.worst && view ? sentence(p.worst, view) : ''}
                </span>
                <span className="text-right text-muted">{when(p.at)}</span>
              </a>
              <RemoveProject id={p.id} name={p.name} />
            </li>
          ))}
        </ul>
        {projects.data?.length === 0 && (
          <p className="px-6 py-10 text-muted">Nothing on the bench. Start a repower, or open a project file.</p>
        )}
        {projects.isPending && <p className="px-6 py-10 text-muted">Looking at every repower…</p>}
        {projects.error && (
          <p className="px-6 py-10 text-stop">
            {projects.error instanceof Refused ? projects.error.words : String(projects.error)}
          </p>
        )}
        <Kept />
      </main>
    </div>
  );
}

function StartDialog(props: { units: Units }) {
  const go = useNavigate();
  const queries = useQueryClient();
  const kinds = useReference().data?.kinds ?? [];
  const library = useLibrary();
  const [kind, setKind] = useState('aeroplane');
  const layouts = kinds.find((k) => k.id === kind)?.layouts ?? [];
  async function start(form: FormData) {
    const state = answer(
      await api.POST('/api/projects', {
        body: {
          name: String(form.get('name')).trim(),
          kind,
          layout: form.get('layout') as string,
          unit_name: String(form.get('unit')).trim() || 'new unit',
          units: form.get('units') as Units,
        },
      }),
    );
    const units = await queries.fetchQuery(LIBRARY);
    const unit = units.find((i) => i.name === String(form.get('unit')).trim());
    if (unit) await putIn(state, unit);
    // The list is asked for when somebody looks at it again: nobody waits for it here.
    void queries.invalidateQueries({ queryKey: ['projects'], refetchType: 'none' });
    await go({ to: '/p/$id/$bench', params: { id: state.id, bench: 'first' }, search: {} });
  }
  return (
    <FormDialog
      title="Start a repower"
      hint="Everything else is asked for where it is needed. Figures that stand there already are marked as template until you confirm them."
      submit="Start"
      onSubmit={start}
    >
      <Asked label="What do you call the craft?" name="name" required />
      <Asked
        label="What goes in? A unit of the library brings its figures."
        name="unit"
        placeholder="upright triple, 870 cc, geared"
        options={library.data?.map((i) => i.name) ?? []}
      />
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="mb-1">What kind of craft?</legend>
        {kinds.map((k) => (
          <label key={k.id}>
            <input type="radio" name="kind" value={k.id} checked={kind === k.id} onChange={() => setKind(k.id)} />{' '}
            {k.name}
          </label>
        ))}
      </fieldset>
      {layouts.length > 1 && (
        <fieldset key={kind} className="flex flex-wrap gap-x-5 gap-y-1">
          <legend className="mb-1">With</legend>
          {layouts.map((l, i) => (
            <label key={l}>
              <input type="radio" name="layout" value={l} defaultChecked={i === 0} /> {l}
            </label>
          ))}
        </fieldset>
      )}
      {layouts.length === 1 && <input type="hidden" name="layout" value={layouts[0]} />}
      <fieldset className="flex gap-5">
        <legend className="mb-1">Your tape and scales read</legend>
        <label>
          <input type="radio" name="units" value="mm-kg" defaultChecked={props.units === 'mm-kg'} /> mm · kg
        </label>
        <label>
          <input type="radio" name="units" value="in-lb" defaultChecked={props.units === 'in-lb'} /> in · lb
        </label>
      </fieldset>
    </FormDialog>
  );
}

/** A unit of the library into the first fit of a project that was just started. */
async function putIn(state: State, unit: LibraryItem) {
  const params = { path: { project_id: state.id } };
  const into = Object.keys((state.document.fits ?? {}) as object)[0];
  const made = answer(
    await api.POST('/api/projects/{project_id}/from-library', { params, body: { unit: unit.id, into: into ?? null } }),
  );
  const body = {
    base: state.revision,
    summary: `${unit.name}: from the library`,
    operations: made.operations as unknown as Operation[],
    burst: null,
  };
  answer(await api.PATCH('/api/projects/{project_id}', { params, body }));
}

/** A removed project does not come back; its file does. */
function RemoveProject(props: { id: string; name: string }) {
  const queries = useQueryClient();
  async function remove() {
    const reply = await api.DELETE('/api/projects/{project_id}', { params: { path: { project_id: props.id } } });
    if (reply.error) answer(reply);
    await queries.invalidateQueries({ queryKey: ['projects'] });
  }
  return (
    <RemoveDialog
      name={props.name}
      words="The project and its whole history go; there is no undo. Keep its file first if you may want it again."
      className="mr-4"
      keep={
        <a className="head text-act" href={`/api/projects/${props.id}/exports/project`} download>
          Keep its file
        </a>
      }
      onRemove={remove}
    />
  );
}
