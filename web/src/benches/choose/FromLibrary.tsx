import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { answer, api, type FromLibrary as Made, type Operation, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { workshop } from '../../api/route';
import { useInstallation } from '../../api/useInstallation';
import { useLibrary } from '../../api/useLibrary';
import type { StoredFigure } from '../../figure/FigureField';
import { UnitTable } from '../../sheet/UnitTable';

/** The way between the library and this project: a fit from a unit, another unit into this fit, this unit into the library. */
export function FromLibrary() {
  const { units, fit } = useProject();
  const [open, setOpen] = useState(false);
  return (
    <section aria-label="Library" className="flex flex-wrap items-baseline gap-x-5 border-b border-rule px-4 py-1.5">
      <Dialog.Root open={open} onOpenChange={setOpen}>
        <Dialog.Trigger className="btn">Take a unit from the library</Dialog.Trigger>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
          <Dialog.Content className="fixed inset-x-6 top-10 z-30 mx-auto flex max-h-[calc(100vh-5rem)] max-w-[76rem] flex-col border border-ink bg-sheet p-5 shadow-lg">
            <Dialog.Title className="text-[21px]">Take a unit from the library</Dialog.Title>
            <Dialog.Description className="text-muted">
              A fit is given a copy of it. Look first at what stays, what goes and what it will ask.
            </Dialog.Description>
            {open && <Pick onDone={() => setOpen(false)} />}
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
      {fit && <Keep />}
      <Link to="/library" search={{ units }} className="text-act">
        open the library
      </Link>
    </section>
  );
}

/** Keep the unit of this installation in the library, as it is here; under a name that the library has not. */
function Keep() {
  const { id, edit, say } = useProject();
  const { pointer, name } = useInstallation();
  const queries = useQueryClient();
  if (!pointer) return null;
  async function keep() {
    try {
      const params = { path: { project_id: id } };
      const kept = answer(
        await api.POST('/api/projects/{project_id}/to-library', { params, body: { pointer: pointer as string } }),
      );
      await edit(kept.operations as unknown as Operation[], `${name} kept in the library`);
      await queries.invalidateQueries({ queryKey: ['library'] });
      say(`${name} is in the library.`);
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <button type="button" className="quiet" onClick={() => void keep()}>
      keep this unit in the library
    </button>
  );
}

function Pick(props: { onDone: () => void }) {
  const { view, at } = useProject();
  const library = useLibrary();
  const [picked, setPicked] = useState<string | null>(null);
  const needed = (at('/need/power') as StoredFigure | undefined)?.si ?? null;
  const unit = library.data?.find((i) => i.id === picked);
  if (library.error) return <p className="text-stop">{String(library.error)}</p>;
  if (!library.data) return <p className="text-muted">Opening the library…</p>;
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto">
        <UnitTable
          items={library.data}
          view={view}
          needed={needed}
          first={(i) => (
            <label className="flex min-h-6 items-center gap-2">
              <input type="radio" name="unit" checked={picked === i.id} onChange={() => setPicked(i.id)} />
              {i.name}
            </label>
          )}
        />
      </div>
      {unit ? (
        <Offer key={unit.id} unit={unit.id} name={unit.name} onDone={props.onDone} />
      ) : (
        <div className="mt-3 flex justify-end border-t border-rule pt-3">
          <Dialog.Close className="btn !py-1.5">Not now</Dialog.Close>
        </div>
      )}
    </>
  );
}

/** What a unit would make of the project: as a new fit, or in the place of the unit of this one. */
function Offer(props: { unit: string; name: string; onDone: () => void }) {
  const { id, fit, at, state, edit } = useProject();
  const go = workshop.useNavigate();
  const [into, setInto] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const fitName = fit ? ((at(`/fits/${fit}/name`) as string | undefined) ?? fit) : '';
  const offer = useQuery({
    queryKey: ['from-library', id, state.revision, props.unit, into],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/from-library', {
          params: { path: { project_id: id } },
          body: { unit: props.unit, into },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  async function make(made: Made) {
    try {
      await edit(
        made.operations as unknown as Operation[],
        into ? `${made.name}: another unit` : `${made.name}: from the library`,
      );
      props.onDone();
      await go({ search: (s) => ({ ...s, fit: made.fit, unit: undefined, finding: undefined }) });
    } catch (bad) {
      setError(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  const made = offer.data;
  return (
    <div className="mt-3 border-t border-ink pt-3">
      <h3 className="text-[17px]">{props.name}</h3>
      {fit && (
        <fieldset className="mb-2 flex flex-wrap gap-x-6">
          <legend className="sr-only">where it goes</legend>
          <label>
            <input type="radio" name="into" checked={into === null} onChange={() => setInto(null)} /> as a new fit
          </label>
          <label>
            <input type="radio" name="into" checked={into !== null} onChange={() => setInto(fit)} /> into “{fitName}”,
            in the place of its unit
          </label>
        </fieldset>
      )}
      {offer.error && <p className="text-stop">{String(offer.error)}</p>}
      {made && (
        <section
          aria-label="what it makes of the project"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and must by keyboard too
          tabIndex={0}
          className="grid max-h-48 gap-x-6 overflow-y-auto min-[900px]:grid-cols-4"
        >
          <Words title="Stays" words={made.stays} none="Nothing." />
          <Words title="Goes" words={made.goes} none="Nothing." />
          <Words title="Look at again" words={made.again} none="Nothing." />
          <Words
            title={`It will ask: ${made.questions.length}`}
            words={made.questions.map((q) => q.what)}
            none="Nothing."
          />
        </section>
      )}
      {error && (
        <p role="alert" className="text-stop">
          {error}
        </p>
      )}
      <div className="mt-3 flex justify-end gap-2">
        <Dialog.Close className="btn !py-1.5">Not now</Dialog.Close>
        <button
          type="button"
          className="btn btn-main !py-1.5"
          disabled={!made || offer.isPlaceholderData}
          onClick={() => made && void make(made)}
        >
          {into ? 'Put it into this fit' : 'Make the fit'}
        </button>
      </div>
    </div>
  );
}

function Words(props: { title: string; words: string[]; none: string }) {
  return (
    <section aria-label={props.title}>
      <h3 className="border-b border-rule text-[15px]">{props.title}</h3>
      {props.words.length === 0 && <p className="text-muted">{props.none}</p>}
      <ul>
        {props.words.map((w) => (
          <li key={w} className="mt-0.5 leading-tight first-letter:uppercase">
            {w}
          </li>
        ))}
      </ul>
    </section>
  );
}
