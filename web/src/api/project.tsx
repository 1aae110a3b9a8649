import { useIsMutating, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { type Ahead, useAhead } from './ahead';
import {
  type Assessment,
  answer,
  api,
  type Bench,
  type Change,
  type Operation,
  type Reference,
  Refused,
  type State,
  type Units,
  type View,
} from './client';
import { SheetContext } from './sheet';

/** This window: what it did is joined into steps of undo, never with what another did. */
const WINDOW = crypto.randomUUID().slice(0, 8);

/** What the last edit changed, for the ripple. */
export interface Ripple {
  summary: string;
  changed: Change[];
}
export interface Asked {
  operations: Operation[];
  summary: string;
  problem: Refused;
}
/** What changes with every movement of the hand: the assessment to show, looked ahead to or saved. */
interface ShownApi {
  shown: Assessment;
  ahead: Ahead | null;
  ripple: Ripple | null;
}
/** What stands while something is dragged. */
interface ProjectApi {
  id: string;
  fit: string | null;
  state: State;
  reference: Reference;
  units: Units;
  view: View;
  busy: boolean;
  asked: Asked | null;
  notice: string | null;
  at: (pointer: string) => unknown;
  edit: (operations: Operation[], summary: string, burst?: string) => Promise<void>;
  preview: (operations: Operation[], summary: string) => void;
  /** The same while a hand moves: the bench in view at once, the others when it rests. */
  follow: (operations: Operation[], summary: string) => void;
  leaveAhead: () => void;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  /** A state of the history, as a new step. */
  backTo: (number: number) => Promise<void>;
  settle: (mine: boolean) => Promise<void>;
  /** Something happened that is no edit: what the server makes of it is the state from then on. Throws Refused. */
  happened: (work: () => Promise<State>, summary: string) => Promise<void>;
  say: (notice: string | null) => void;
}

// A power unit with all that belongs to it, fitted or old.
const UNIT = /^\/(?:fits\/[^/]+\/installations|old_installations)\/[^/]+/;

const Context = createContext<ProjectApi | null>(null);
const Shown = createContext<ShownApi | null>(null);

/** What is shown of the open project: follows the hand while something is dragged. */
export function useShown(): ShownApi {
  const found = useContext(Shown);
  if (!found) throw new Error('no project is open here');
  return found;
}

/** The open project. */
export function useProject(): ProjectApi {
  const found = useContext(Context);
  if (!found) throw new Error('no project is open here');
  return found;
}

/** The part of a document at a JSON pointer. */
export function partAt(document: unknown, pointer: string): unknown {
  let here: unknown = document;
  for (const token of pointer.split('/').slice(1)) {
    if (here === null || typeof here !== 'object') return undefined;
    here = (here as Record<string, unknown>)[token.replaceAll('~1', '/').replaceAll('~0', '~')];
  }
  return here;
}

function withFragments(document: State['document'], fragments: { path: string; value?: unknown }[]): State['document'] {
  const copy = structuredClone(document) as Record<string, unknown>;
  for (const { path, value } of fragments) {
    const tokens = path.split('/').slice(1);
    const last = tokens.pop() as string;
    let here = copy;
    for (const token of tokens) {
      if (here[token] === undefined) here[token] = {};
      here = here[token] as Record<string, unknown>;
    }
    if (value === null || value === undefined) delete here[last];
    else here[last] = value;
  }
  return copy;
}

export function useReference() {
  return useQuery({
    queryKey: ['reference'],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => answer(await api.GET('/api/reference')),
  });
}

/** Loads a project with one fit, and carries every edit through one queue so that each knows the revision before it. */
export function ProjectProvider(props: {
  id: string;
  fit: string | undefined;
  units: Units | undefined;
  /** The bench in view; where several are, null. */
  bench: Bench | null;
  children: ReactNode;
}) {
  const { id, fit: wanted, bench } = props;
  const queries = useQueryClient();
  const key = useMemo(() => ['project', id, wanted ?? ''], [id, wanted]);
  const reference = useReference();
  const load = useCallback(
    async () =>
      answer(
        await api.GET('/api/projects/{project_id}', { params: { path: { project_id: id }, query: { fit: wanted } } }),
      ),
    [id, wanted],
  );
  const project = useQuery({
    queryKey: key,
    queryFn: load,
    placeholderData: (before) => (before?.id === id ? before : undefined),
  });
  const [ripple, setRipple] = useState<Ripple | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [notice, say] = useState<string | null>(null);
  const { ahead, preview, follow, settled, leaveAhead } = useAhead({ id, fit: wanted, bench, saved: key, say });

  const revision = project.data?.revision;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another fit, project or state drops what was looked ahead to
  useEffect(() => leaveAhead(), [id, wanted, revision]);

  const keep = useCallback(
    (state: State, changed: Change[], summary: string) => {
      // What was asked before this edit and is still on its way must not come in after it.
      void queries.cancelQueries({ queryKey: key });
      queries.setQueryData(key, state);
      // Another fit may be on screen by now: it is asked for anew, never taken away under the hand.
      const others = (q: { queryKey: readonly unknown[] }) =>
        q.queryKey[0] === 'project' && q.queryKey[1] === id && q.queryKey[2] !== key[2];
      queries.removeQueries({ predicate: others, type: 'inactive' });
      queries.invalidateQueries({ predicate: others, type: 'active' });
      queries.invalidateQueries({ queryKey: ['projects'] });
      queries.removeQueries({ queryKey: ['suggestions', id] });
      settled();
      setRipple({ summary, changed });
    },
    [id, key, queries, settled],
  );

  // Edits of one project go one after the other: each knows the revision before it.
  const inLine = useMutation({
    mutationKey: ['edit', id],
    scope: { id: `edits of ${id}` },
    mutationFn: (work: () => Promise<void>) => work(),
  });
  const line = inLine.mutateAsync;
  const busy = useIsMutating({ mutationKey: ['edit', id] }) > 0;

  const send = useCallback(
    async (operations: Operation[], summary: string, burst?: string, onto?: number) => {
      const now =
        queries.getQueryData<State>(key) ?? ((await queries.fetchQuery({ queryKey: key, queryFn: load })) as State);
      const reply = answer(
        await api.PATCH('/api/projects/{project_id}', {
          params: { path: { project_id: id }, query: { fit: wanted } },
          body: { base: onto ?? now.revision, summary, operations, burst: burst ? `${WINDOW} ${burst}` : null },
        }),
      );
      const document = reply.document ?? withFragments(now.document, reply.fragments);
      keep({ ...now, ...reply, document, changed: reply.changed }, reply.changed, summary);
      if (reply.document) say('Another window had edited too; both edits stand.');
    },
    [id, keep, key, load, queries, wanted],
  );

  const edit = useCallback(
    (operations: Operation[], summary: string, burst?: string) =>
      line(async () => {
        try {
          await send(operations, summary, burst);
        } catch (bad) {
          if (bad instanceof Refused && bad.problem.status === 409) setAsked({ operations, summary, problem: bad });
          else throw bad;
        }
      }),
    [line, send],
  );

  const settle = useCallback(
    (mine: boolean) =>
      line(async () => {
        const question = asked;
        setAsked(null);
        if (!question) return;
        if (mine)
          await send(question.operations, question.summary, undefined, question.problem.problem.revision ?? undefined);
        await queries.invalidateQueries({ queryKey: key });
      }),
    [asked, key, line, queries, send],
  );

  const move = useCallback(
    (way: 'undo' | 'redo' | number) =>
      line(async () => {
        try {
          // A fit that was just turned to may not have come yet.
          const now =
            queries.getQueryData<State>(key) ?? ((await queries.fetchQuery({ queryKey: key, queryFn: load })) as State);
          const on = now.revision;
          const path = { project_id: id };
          const query = { fit: wanted, on };
          const state =
            way === 'undo'
              ? answer(await api.POST('/api/projects/{project_id}/undo', { params: { path, query } }))
              : way === 'redo'
                ? answer(await api.POST('/api/projects/{project_id}/redo', { params: { path, query } }))
                : answer(
                    await api.POST('/api/projects/{project_id}/revisions/{number}/again', {
                      params: { path: { ...path, number: way }, query },
                    }),
                  );
          keep(state, state.changed, way === 'undo' ? 'undone' : way === 'redo' ? 'redone' : `back to ${way}`);
        } catch (bad) {
          if (!(bad instanceof Refused)) return;
          say(bad.problem.status === 409 ? `${bad.words} It is shown now; ask again if you still mean it.` : bad.words);
          if (bad.problem.status === 409) await queries.invalidateQueries({ queryKey: key });
        }
      }),
    [id, keep, key, line, load, queries, wanted],
  );
  const happened = useCallback(
    (work: () => Promise<State>, summary: string) =>
      line(async () => {
        const state = await work();
        keep(state, state.changed, summary);
        void queries.invalidateQueries({ queryKey: ['records', id] });
      }),
    [id, keep, line, queries],
  );
  const undo = useCallback(() => move('undo'), [move]);
  const redo = useCallback(() => move('redo'), [move]);
  const backTo = useCallback((number: number) => move(number), [move]);
  const state = project.data;
  const at = useCallback((pointer: string) => partAt(state?.document, pointer), [state]);
  const acts = useMemo(
    () => ({ at, edit, preview, follow, leaveAhead, undo, redo, backTo, settle, happened, say }),
    [at, edit, preview, follow, leaveAhead, undo, redo, backTo, settle, happened],
  );
  const seen = useMemo<ShownApi | null>(() => {
    if (!state) return null;
    // What was looked ahead to stands until the state that came of it does: what stood before is not shown between.
    const live = ahead?.on === state.revision ? ahead : null;
    return {
      shown: live?.assessment ?? state.assessment,
      ahead: live,
      ripple: live ? { summary: live.summary, changed: live.changed } : ripple,
    };
  }, [state, ahead, ripple]);

  if (project.error || reference.error) {
    const bad = project.error ?? reference.error;
    return <p className="p-8">{bad instanceof Refused ? bad.words : String(bad)}</p>;
  }
  if (!state || !reference.data) return <p className="p-8 text-muted">Opening…</p>;
  const units = props.units ?? (state.document.units as Units);
  return (
    <Standing
      id={id}
      state={state}
      units={units}
      reference={reference.data}
      busy={busy}
      asked={asked}
      notice={notice}
      acts={acts}
    >
      <Shown.Provider value={seen}>{props.children}</Shown.Provider>
    </Standing>
  );
}

type Acts = Pick<
  ProjectApi,
  'at' | 'edit' | 'preview' | 'follow' | 'leaveAhead' | 'undo' | 'redo' | 'backTo' | 'settle' | 'happened' | 'say'
>;

/** What stands while something is dragged, made anew only when one of its parts changes. */
function Standing(props: {
  id: string;
  state: State;
  units: Units;
  reference: Reference;
  busy: boolean;
  asked: Asked | null;
  notice: string | null;
  acts: Acts;
  children: ReactNode;
}) {
  const { id, state, units, reference, busy, asked, notice, acts } = props;
  const value = useMemo<ProjectApi>(
    () => ({
      id,
      fit: state.assessment.fit,
      state,
      reference,
      units,
      view: reference.views[units] as View,
      busy,
      asked,
      notice,
      ...acts,
    }),
    [id, state, reference, units, busy, asked, notice, acts],
  );
  const sheet = useMemo(() => {
    const kind = reference.kinds.find((k) => k.id === state.document.kind);
    const numberStyle = state.document.number_style as 'point' | 'comma';
    const unitSide = (pointer: string) => {
      const [unit] = UNIT.exec(pointer) ?? [];
      const said = unit && kind?.unit_side ? value.at(`${unit}/lies`) : undefined;
      return said ? (said === 'aft of its flange' ? 1 : -1) : (kind?.unit_side ?? 1);
    };
    const stands = new Map(state.assessment.rough.map((r) => [r.pointer, r]));
    const rough = (pointer: string) => stands.get(pointer);
    return { ...value, numberStyle, unitSide, rough };
  }, [value, reference, state]);
  return (
    <Context.Provider value={value}>
      <SheetContext.Provider value={sheet}>{props.children}</SheetContext.Provider>
    </Context.Provider>
  );
}
