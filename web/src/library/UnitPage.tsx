import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate, useParams } from '@tanstack/react-router';
import { type ReactNode, useCallback, useMemo, useRef, useState } from 'react';
import type { View } from '../api/client';
import { answer, api, type LibraryUnit, type Operation, Refused } from '../api/client';
import { partAt, useReference } from '../api/project';
import { type SheetApi, SheetContext, useSheet } from '../api/sheet';
import { CurveField } from '../benches/choose/CurveField';
import { CurvesPlot } from '../drawing/CurvesPlot';
import { formatNumber, sentence } from '../figure/format';
import { Mark } from '../findings/Mark';
import { History } from '../parts/History';
import { Blocks } from '../sheet/BenchSheet';
import { LibraryHead, useUnits } from './LibraryHead';
import { RemoveUnit } from './LibraryPage';

/** One unit of the library: all that is known of it, and what can be said of it by itself. */
export function UnitPage() {
  const { key } = useParams({ strict: false }) as { key: string };
  const queries = useQueryClient();
  const unit = useQuery({
    queryKey: ['library', key],
    queryFn: async () => answer(await api.GET('/api/library/{key}', { params: { path: { key } } })),
    retry: false,
  });
  const put = useCallback(
    (made: LibraryUnit) => {
      queries.setQueryData(['library', key], made);
      queries.invalidateQueries({ queryKey: ['library'], exact: true });
    },
    [key, queries],
  );
  return (
    <div className="min-h-full">
      <LibraryHead />
      {unit.error && (
        <p className="p-6 text-stop">{unit.error instanceof Refused ? unit.error.words : String(unit.error)}</p>
      )}
      {unit.data && (
        <Written unit={unit.data} onEdited={put}>
          <Sheet unit={unit.data} onBack={put} />
        </Written>
      )}
    </div>
  );
}

/** Fields below write on this unit, one edit after another. */
function Written(props: { unit: LibraryUnit; onEdited: (made: LibraryUnit) => void; children: ReactNode }) {
  const { unit, onEdited } = props;
  const reference = useReference();
  const { units } = useUnits();
  const queries = useQueryClient();
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const [notice, say] = useState<string | null>(null);
  const base = `/library/${unit.id}`;
  const at = useCallback(
    (pointer: string) => (pointer.startsWith(base) ? partAt(unit.document, pointer.slice(base.length)) : undefined),
    [base, unit],
  );
  const edit = useCallback(
    (operations: Operation[], summary: string) => {
      const work = async () => {
        const inside = operations.map((o) => ({ ...o, path: o.path.slice(base.length) }));
        const params = { path: { key: unit.id } };
        const now = queries.getQueryData<LibraryUnit>(['library', unit.id])?.revision ?? unit.revision;
        try {
          const body = { base: now, summary, operations: inside };
          onEdited(answer(await api.PATCH('/api/library/{key}', { params, body })));
        } catch (bad) {
          if (!(bad instanceof Refused) || bad.problem.status !== 409) throw bad;
          say(`${bad.words} What the other window wrote is shown now; write again if yours stands.`);
          await queries.invalidateQueries({ queryKey: ['library', unit.id] });
        }
      };
      const next = queue.current.then(work, work);
      queue.current = next.catch(() => undefined);
      return next;
    },
    [base, onEdited, queries, unit.id, unit.revision],
  );
  const sheet = useMemo<SheetApi | null>(
    () =>
      reference.data
        ? {
            reference: reference.data,
            view: reference.data.views[units] as View,
            units,
            numberStyle: 'point',
            unitSide: () => 1,
            at,
            rough: () => undefined,
            edit,
            say,
          }
        : null,
    [reference.data, units, at, edit],
  );
  if (!sheet) return null;
  return (
    <SheetContext.Provider value={sheet}>
      {props.children}
      {notice && (
        <p role="status" className="popup fixed bottom-12 left-1/2 -translate-x-1/2 px-4 py-2">
          {notice}
        </p>
      )}
    </SheetContext.Provider>
  );
}

/** A way out of a finding, at a press. */
function TakeOver(props: { offer: LibraryUnit['alone']['offers'][number]; base: string }) {
  const { edit, view, say } = useSheet();
  const words = sentence(props.offer.message, view);
  async function take() {
    try {
      await edit(
        props.offer.operations.map((o) => ({ ...(o as Operation), path: `${props.base}${o.path}` })),
        words,
      );
      say(null);
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <button type="button" className="btn mt-1" onClick={() => void take()}>
      {words}
    </button>
  );
}

function Sheet(props: { unit: LibraryUnit; onBack: (made: LibraryUnit) => void }) {
  const { unit } = props;
  const { say } = useSheet();
  const go = useNavigate();
  const reference = useReference().data;
  const { units } = useUnits();
  const view = reference?.views[units] as View | undefined;
  const base = `/library/${unit.id}`;
  const electric = partAt(unit.document, '/unit/kind') === 'electric';
  const name = partAt(unit.document, '/unit/name') as string;
  async function back(number: number) {
    try {
      const params = { path: { key: unit.id, number }, query: { on: unit.revision } };
      props.onBack(answer(await api.POST('/api/library/{key}/revisions/{number}/again', { params })));
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  if (!reference || !view) return null;
  const { alone } = unit;
  return (
    <main className="grid min-[1000px]:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0 overflow-x-auto bg-sheet pb-10">
        <div className="flex items-baseline gap-4 px-4 pt-4">
          <h1 className="text-[26px] leading-tight">{name}</h1>
          <History
            busy={false}
            of={['unit', unit.id, unit.revision]}
            load={async () =>
              answer(await api.GET('/api/library/{key}/revisions', { params: { path: { key: unit.id } } }))
            }
            backTo={back}
          />
        </div>
        <p className="px-4 text-muted">Figures are written with a decimal point here. An edit is kept at once.</p>
        <Blocks
          blocks={reference.library_sheet.filter((b) => !b.electric || electric)}
          real={(p) => p.replace(/^~/, base)}
          flowing
        />
        <div className="px-4 pt-2">
          <CurveField pointer={base} />
        </div>
      </div>
      <aside aria-label="what can be said of it" className="border-l border-rule px-4 py-4">
        <h2 className="text-[17px]">By itself</h2>
        <ul className="mt-1">
          {alone.findings.map((f) => (
            <li key={f.key} className="mb-2 flex gap-2" data-level={f.level}>
              <span className="flex-none pt-0.5">
                <Mark level={f.level} />
              </span>
              <span>
                <b className="head block first-letter:uppercase">{sentence(f.title, view)}</b>
                {sentence(f.message, view)}
                <span className="block text-xs text-muted">{f.source}</span>
                {alone.offers
                  .filter((o) => o.rule === f.rule)
                  .map((o) => (
                    <TakeOver key={sentence(o.message, view)} offer={o} base={base} />
                  ))}
              </span>
            </li>
          ))}
        </ul>
        {alone.findings.length === 0 && (
          <p className="text-muted">Nothing to compare yet: give its curve, or its ratings beside its power.</p>
        )}
        <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-3">
          <dt className="text-muted">power that lasts</dt>
          <dd className="num figure">
            {alone.lasting_si === null ? 'cannot say yet' : formatNumber(alone.lasting_si, 'power', view)}
          </dd>
          {alone.ratio_si !== null && (
            <>
              <dt className="text-muted">its own reduction</dt>
              <dd className="num figure">{formatNumber(alone.ratio_si, 'number', view)}</dd>
            </>
          )}
        </dl>
        {alone.curve.length > 1 && (
          <div className="mt-3 grid gap-2">
            <CurvesPlot of="power" units={[{ id: 'unit', name, curve: alone.curve }]} wanted={null} />
            <CurvesPlot of="torque" units={[{ id: 'unit', name, curve: alone.curve }]} wanted={null} />
          </div>
        )}
        <h2 className="mt-4 text-[17px]">Used in</h2>
        {unit.used.length > 0 ? (
          <ul>
            {unit.used.map((u) => (
              <li key={u}>{u}</li>
            ))}
          </ul>
        ) : (
          <p className="text-muted">
            No project.{' '}
            <RemoveUnit id={unit.id} name={name} onGone={() => void go({ to: '/library', search: { units } })} />
          </p>
        )}
        <p className="mt-4 text-xs text-muted">
          Whether it may go into a craft, and who must approve it, is for local rules and licensed people to say.
        </p>
      </aside>
    </main>
  );
}
