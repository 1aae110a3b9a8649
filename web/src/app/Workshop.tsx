import { Link } from '@tanstack/react-router';
import { Dialog, DropdownMenu, Popover } from 'radix-ui';
import { Suspense, useCallback, useEffect, useState } from 'react';
import { answer, api, type Bench, type Operation, type Units } from '../api/client';
import { ProjectProvider, useProject, useShown } from '../api/project';
import { workshop } from '../api/route';
import { useInstallation } from '../api/useInstallation';
import { TextField } from '../figure/forms';
import { Findings, useOpenFinding } from '../findings/Findings';
import { Said } from '../first/Said';
import { Brand } from '../parts/Brand';
import { History } from '../parts/History';
import { useShopMode } from '../parts/shop';
import { Profile } from '../profile/Profile';
import { OWN_PICTURE, type Page, SCREENS } from './benches';
import { Differences, type Sides } from './Differences';
import { FindOrDo } from './FindOrDo';
import { KeelRail } from './Keel';
import { KeysDialog, useKeys } from './keys';
import { RippleStrip } from './Ripple';

/** The frame of an open project. */
export function Workshop() {
  const { id, bench } = workshop.useParams();
  const { fit, units } = workshop.useSearch();
  return (
    <ProjectProvider id={id} fit={fit} units={units} bench={bench === 'first' ? null : bench}>
      <Frame />
    </ProjectProvider>
  );
}

function Frame() {
  const { id, bench } = workshop.useParams();
  const { finding } = workshop.useSearch();
  const { state, notice, say } = useProject();
  const go = workshop.useNavigate();
  // In the shop, and on a bench that draws more than the craft, its own picture comes first; the profile unfolds at a touch.
  const [shop] = useShopMode();
  const [chosen, setChosen] = useState<Partial<Record<string, boolean>>>({});
  const own = bench !== 'first' && OWN_PICTURE.includes(bench) ? bench : 'craft';
  const folded = chosen[own] ?? (shop || own !== 'craft');
  const [showOld, setShowOld] = useState(true);
  const [findOpen, setFindOpen] = useState(false);
  const [keysOpen, setKeysOpen] = useState(false);
  const [sides, setSides] = useState<Sides | null>(null);
  const onOpen = useCallback(
    (key: string | undefined) => void go({ search: (s) => ({ ...s, finding: key }), replace: true }),
    [go],
  );
  useOpenFinding(bench, finding, onOpen);
  const sheets = useSheets();
  useKeys({
    go: (to) =>
      void go({ to: '/p/$id/$bench', params: { id, bench: to }, search: (s) => ({ ...s, finding: undefined }) }),
    onOpen,
    open: finding,
    bench,
    find: () => setFindOpen(true),
    keys: () => setKeysOpen(true),
    before: () => setShowOld((s) => !s),
    print: () => window.open(sheets.page),
  });
  useEffect(() => {
    document.title = `${state.document.name} · ${bench} · Crooked Keel`;
  }, [state, bench]);
  return (
    <div className="frame">
      <TopBar onFind={() => setFindOpen(true)} onKeys={() => setKeysOpen(true)} onCompare={setSides} />
      <Keel id={id} bench={bench} />
      <main className="relative flex min-h-0 flex-col [grid-area:middle]">
        <div className="min-h-0 flex-1 overflow-y-auto">
          {bench !== 'first' && (
            <Profile folded={folded} onFold={() => setChosen({ ...chosen, [own]: !folded })} showOld={showOld} />
          )}
          <Suspense fallback={<p className="p-6 text-muted">Opening…</p>}>
            <div data-bench={bench}>
              <Open />
            </div>
          </Suspense>
        </div>
        <RippleStrip />
      </main>
      {bench === 'first' ? <Said /> : <Findings bench={bench} open={finding} onOpen={onOpen} />}
      <ConflictDialog />
      <Differences sides={sides} onClose={() => setSides(null)} />
      <FindOrDo open={findOpen} onClose={() => setFindOpen(false)} />
      <KeysDialog open={keysOpen} onClose={() => setKeysOpen(false)} />
      {notice && (
        <div role="status" className="popup fixed bottom-12 left-1/2 -translate-x-1/2 px-4 py-2">
          {notice}{' '}
          <button type="button" className="quiet" onClick={() => say(null)}>
            close
          </button>
        </div>
      )}
    </div>
  );
}

/** What the address names. */
function Open() {
  const { bench } = workshop.useParams();
  const Screen = SCREENS[bench];
  return <Screen />;
}

const NONE: Bench[] = [];

/** The keel follows what is shown, apart from the frame, which stands while something is dragged. */
function Keel(props: { id: string; bench: Page }) {
  const { shown, ahead } = useShown();
  return <KeelRail {...props} benches={shown.benches} behind={ahead?.behind ?? NONE} />;
}

function TopBar(props: { onFind: () => void; onKeys: () => void; onCompare: (sides: Sides) => void }) {
  const { id, bench } = workshop.useParams();
  const { state, units, fit, undo, redo, backTo, busy, edit } = useProject();
  const go = workshop.useNavigate();
  const fits = Object.entries((state.document.fits ?? {}) as Record<string, { name: string; rank: number }>).sort(
    ([, a], [, b]) => a.rank - b.rank,
  );
  const tab = (key: string, name: string, on: boolean) => (
    <Link
      key={key}
      to="/p/$id/$bench"
      params={{ id, bench }}
      search={(s) => ({ ...s, fit: key })}
      aria-current={on ? 'true' : undefined}
      className={`head flex h-11 items-center whitespace-nowrap px-3 text-[15px] ${on ? 'border-b-[3px] border-act pt-[3px] !font-semibold text-ink' : 'text-muted'}`}
    >
      {name}
    </Link>
  );
  async function another() {
    const source = fit ?? fits[0]?.[0];
    const rank = Math.max(0, ...fits.map(([, f]) => f.rank)) + 1;
    const key = `fit-${rank}`;
    const copy = source
      ? structuredClone((state.document.fits as Record<string, object>)[source])
      : { installations: {} };
    await edit([{ op: 'add', path: `/fits/${key}`, value: { ...copy, name: `Fit ${rank}`, rank } }], 'fit added');
    await go({ search: (s) => ({ ...s, fit: key }) });
  }
  return (
    <header className="no-print flex flex-wrap items-center whitespace-nowrap border-b border-rule bg-sheet px-4 [grid-area:top]">
      <Link to="/" aria-label="all repowers" className="mr-1.5">
        <Brand />
      </Link>
      <h1 className="mr-3 text-[21px]">{state.document.name as string}</h1>
      <nav aria-label="Fits" className="flex min-w-0 max-w-full overflow-x-auto">
        {tab('none', 'as found', fit === null)}
        {fits.map(([key, f]) => tab(key, f.name, fit === key))}
      </nav>
      <button
        type="button"
        className="quiet head ml-1 text-muted"
        title="a copy of this fit to change"
        onClick={() => void another()}
      >
        add a fit
      </button>
      {fit && <FitCard key={fit} fit={fit} onCompare={(other) => props.onCompare({ other })} />}
      <div className="ml-auto flex min-h-11 flex-wrap items-center gap-3">
        <button
          type="button"
          className="quiet head !text-ink"
          title="switch the view between metric and inch"
          onClick={() =>
            void go({
              search: (s) => ({ ...s, units: (units === 'mm-kg' ? 'in-lb' : 'mm-kg') as Units }),
              replace: true,
            })
          }
        >
          {units === 'mm-kg' ? 'mm · kg' : 'in · lb'}
        </button>
        <button
          type="button"
          className="quiet head disabled:text-muted"
          disabled={!state.can_undo}
          onClick={() => void undo()}
        >
          undo
        </button>
        <button
          type="button"
          className="quiet head disabled:text-muted"
          disabled={!state.can_redo}
          onClick={() => void redo()}
        >
          redo
        </button>
        <History
          busy={busy}
          of={['project', id, state.revision]}
          load={async () =>
            answer(await api.GET('/api/projects/{project_id}/revisions', { params: { path: { project_id: id } } }))
          }
          backTo={backTo}
          compare={(revision) => props.onCompare({ revision })}
        />
        <a className="head" href={`/api/projects/${id}/exports/project`} download>
          File
        </a>
        <PrintMenu />
        <ShopSwitch />
        <button
          type="button"
          className="head w-28 border border-rule px-2.5 py-1 text-left text-muted"
          onClick={props.onFind}
        >
          find or do
        </button>
        <button type="button" className="quiet head" aria-label="all keys" onClick={props.onKeys}>
          ?
        </button>
      </div>
    </header>
  );
}

/** The sheets to print: of this page, and of what is still to measure. */
function PrintMenu() {
  const sheets = useSheets();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="quiet head !text-ink">Print</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="popup" align="end">
          <DropdownMenu.Item onSelect={() => window.open(sheets.page)}>Sheet of this page</DropdownMenu.Item>
          <DropdownMenu.Item onSelect={() => window.open(sheets.first)}>First figures, to fill in</DropdownMenu.Item>
          <DropdownMenu.Item onSelect={() => window.open(sheets.measure)}>
            Measure these: what is missing or guessed
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** Where the printed sheets are. */
function useSheets(): { page: string; first: string; measure: string } {
  const { id, bench } = workshop.useParams();
  const { fit, units } = useProject();
  const { id: unit } = useInstallation();
  const query = new URLSearchParams({ fit: fit ?? 'none', units, ...(unit ? { unit } : {}) });
  return {
    page: `/api/projects/${id}/sheets/${bench}?${query}`,
    first: `/api/projects/${id}/sheets/first?${query}`,
    measure: `/api/projects/${id}/sheets/measure?${query}`,
  };
}

/** Shop mode: everything large enough for gloves and distance. It belongs to this screen, not to the project. */
function ShopSwitch() {
  const [on, turn] = useShopMode();
  return (
    <button
      type="button"
      className="quiet head !text-ink"
      aria-pressed={on}
      title="large for gloves and distance"
      onClick={() => turn(!on)}
    >
      {on ? 'desk' : 'shop'}
    </button>
  );
}

/** Name, choosing and taking away of the fit that is open. */
function FitCard(props: { fit: string; onCompare: (other: string) => void }) {
  const { at, edit } = useProject();
  const { bench } = workshop.useParams();
  const go = workshop.useNavigate();
  const pointer = `/fits/${props.fit}`;
  const chosen = at('/chosen_fit') === props.fit;
  const others = Object.entries((at('/fits') ?? {}) as Record<string, { name: string }>).filter(
    ([key]) => key !== props.fit,
  );
  async function takeAway() {
    const name = (at(`${pointer}/name`) as string | undefined) ?? 'fit';
    const operations: Operation[] = [{ op: 'remove', path: pointer }];
    if (chosen) operations.unshift({ op: 'remove', path: '/chosen_fit' });
    await edit(operations, `${name} taken away`);
    await go({ to: '.', params: { bench }, search: (s) => ({ ...s, fit: undefined }) });
  }
  return (
    <Popover.Root>
      <Popover.Trigger className="quiet head ml-3 text-muted">
        {chosen ? 'this fit, chosen' : 'this fit'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popup grid w-72 gap-2 p-3" align="start">
          <TextField pointer={`${pointer}/name`} label="Name" />
          <button
            type="button"
            className="btn"
            onClick={() =>
              void edit(
                [chosen ? { op: 'remove', path: '/chosen_fit' } : { op: 'add', path: '/chosen_fit', value: props.fit }],
                chosen ? 'no fit chosen' : 'fit chosen',
              )
            }
          >
            {chosen ? 'No longer the chosen one' : 'Choose this fit'}
          </button>
          {others.map(([key, other]) => (
            <Popover.Close key={key} className="btn" onClick={() => props.onCompare(key)}>
              Lay {other.name} beside it
            </Popover.Close>
          ))}
          <button type="button" className="btn" onClick={() => void takeAway()}>
            Take it away (undo brings it back)
          </button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function said(value: unknown): string {
  if (value === null || value === undefined) return 'nothing';
  if (typeof value === 'object' && 'entered' in value) return String((value as { entered: string }).entered);
  return typeof value === 'object' ? JSON.stringify(value).slice(0, 120) : String(value);
}

function ConflictDialog() {
  const { asked, settle } = useProject();
  return (
    <Dialog.Root open={asked !== null}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed left-1/2 top-32 z-30 w-[28rem] -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <Dialog.Title className="text-[19px]">{asked?.problem.problem.title}</Dialog.Title>
          <Dialog.Description>{asked?.problem.problem.detail}</Dialog.Description>
          <dl className="my-3 grid grid-cols-[8rem_1fr] gap-y-1">
            <dt className="text-muted">here</dt>
            <dd className="figure">{said(asked?.problem.problem.yours)}</dd>
            <dt className="text-muted">other window</dt>
            <dd className="figure">{said(asked?.problem.problem.theirs)}</dd>
          </dl>
          <div className="flex justify-end gap-2">
            <button type="button" className="btn" onClick={() => void settle(false)}>
              Keep the other
            </button>
            <button type="button" className="btn btn-main" onClick={() => void settle(true)}>
              Use mine
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
