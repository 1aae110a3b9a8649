import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { AlertDialog, Dialog } from 'radix-ui';
import { type FormEvent, useRef, useState } from 'react';
import { answer, api, Refused, type Units } from '../api/client';
import { useReference } from '../api/project';
import { SmallProfile } from '../drawing/SmallProfile';
import { sentence, type View } from '../figure/format';
import { Mark } from '../findings/Mark';
import { Brand } from './Brand';
import { SmallKeel } from './Keel';

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
  const picker = useRef<HTMLInputElement>(null);
  const projects = useQuery({
    queryKey: ['projects'],
    staleTime: 0,
    queryFn: async () => answer(await api.GET('/api/projects')),
  });
  const view = reference.data?.views[units] as View | undefined;

  async function open(file: File | undefined) {
    if (!file) return;
    setError(null);
    try {
      const state = answer(await api.POST('/api/projects/import', { body: { text: await file.text() } }));
      await queries.invalidateQueries({ queryKey: ['projects'] });
      await go({ to: '/p/$id/$bench', params: { id: state.id, bench: 'craft' }, search: {} });
    } catch (bad) {
      setError(
        bad instanceof Refused
          ? `${file.name}: ${bad.problem.pointer ? `${bad.problem.pointer}: ` : ''}${bad.words}`
          : String(bad),
      );
    }
    if (picker.current) picker.current.value = '';
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
            <input
              ref={picker}
              type="file"
              accept=".json"
              className="hidden"
              aria-label="project file"
              onChange={(e) => void open(e.target.files?.[0])}
            />
            <button type="button" className="btn !px-4 !py-1.5" onClick={() => picker.current?.click()}>
              Open a file
            </button>
            <StartDialog units={units} />
          </div>
        </div>
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
              <RemoveDialog id={p.id} name={p.name} />
            </li>
          ))}
        </ul>
        {projects.data?.length === 0 && (
          <p className="px-6 py-10 text-muted">Nothing on the bench. Start a repower, or open a project file.</p>
        )}
        {projects.error && <p className="px-6 py-10 text-stop">{String(projects.error)}</p>}
      </main>
    </div>
  );
}

function StartDialog(props: { units: Units }) {
  const go = useNavigate();
  const queries = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const kinds = useReference().data?.kinds ?? [];
  const [kind, setKind] = useState('aeroplane');
  const layouts = kinds.find((k) => k.id === kind)?.layouts ?? [];
  async function start(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    try {
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
      await queries.invalidateQueries({ queryKey: ['projects'] });
      await go({ to: '/p/$id/$bench', params: { id: state.id, bench: 'craft' }, search: {} });
    } catch (bad) {
      setError(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <Dialog.Root>
      <Dialog.Trigger className="btn btn-main !px-4 !py-1.5">Start a repower</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed left-1/2 top-24 z-30 w-[26rem] -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <Dialog.Title className="text-[21px]">Start a repower</Dialog.Title>
          <Dialog.Description className="mb-3 text-muted">
            Everything else is asked for where it is needed. Figures that stand there already are marked as template
            until you confirm them.
          </Dialog.Description>
          <form onSubmit={(e) => void start(e)} className="grid gap-3">
            <label className="grid gap-1">
              What do you call the craft?
              <input
                name="name"
                required
                maxLength={120}
                autoComplete="off"
                className="border border-ink bg-sheet px-2 py-1"
              />
            </label>
            <label className="grid gap-1">
              What goes in?
              <input
                name="unit"
                maxLength={120}
                autoComplete="off"
                placeholder="inline-four sled engine, 998 cc"
                className="border border-ink bg-sheet px-2 py-1"
              />
            </label>
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
            {error && (
              <p role="alert" className="text-stop">
                {error}
              </p>
            )}
            <div className="flex justify-end gap-2">
              <Dialog.Close className="btn !py-1.5">Not now</Dialog.Close>
              <button type="submit" className="btn btn-main !py-1.5">
                Start
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** A removed project does not come back; its file does. */
function RemoveDialog(props: { id: string; name: string }) {
  const queries = useQueryClient();
  async function remove() {
    await api.DELETE('/api/projects/{project_id}', { params: { path: { project_id: props.id } } });
    await queries.invalidateQueries({ queryKey: ['projects'] });
  }
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger className="quiet mr-4 text-muted" aria-label={`remove ${props.name}`}>
        remove
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <AlertDialog.Content className="fixed left-1/2 top-40 z-30 w-96 -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <AlertDialog.Title className="text-[19px]">Remove {props.name}?</AlertDialog.Title>
          <AlertDialog.Description className="my-2">
            The project and its whole history go; there is no undo. Keep its file first if you may want it again.
          </AlertDialog.Description>
          <div className="flex items-center justify-end gap-2">
            <a className="head mr-auto text-act" href={`/api/projects/${props.id}/exports/project`} download>
              Keep its file
            </a>
            <AlertDialog.Cancel className="btn">Leave it</AlertDialog.Cancel>
            <AlertDialog.Action className="btn btn-main" onClick={() => void remove()}>
              Remove
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
