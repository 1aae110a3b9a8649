import { replaceEqualDeep, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type Assessment, answer, api, type Bench, type Change, type Operation, Refused, type State } from './client';

/** Previews on their way at once: while one is drawn, the next is worked out. */
const AT_ONCE = 2;
/** How long a hand must rest before the benches out of view are asked too, ms. */
const REST_MS = 150;

/** What an edit would do, worked out and not saved. */
export interface Ahead {
  /** The revision it was worked out on: it is shown until another one is. */
  on: number;
  assessment: Assessment;
  /** The benches that were not asked yet: what stands of them is of before. */
  behind: Bench[];
  changed: Change[];
  summary: string;
  operations: Operation[];
}
interface Wish {
  operations: Operation[];
  summary: string;
  /** The benches to ask, or all. */
  sections: Bench[] | null;
}

/** What an installation holds of each bench. */
const OUTS = new Set<string>(['choose', 'drive', 'mount', 'align', 'systems', 'prove'] satisfies Bench[]);

/** An assessment with what was asked of some benches in its place; the others say what they said. */
export function joined(whole: Assessment, part: Assessment): Assessment {
  const states = new Map(part.benches.map((b) => [b.bench, b]));
  if (whole.benches.every((b) => states.has(b.bench))) return part;
  const asked = (of: { bench: Bench }) => states.has(of.bench);
  const was = new Map(whole.installations.map((i) => [i.id, i]));
  return {
    ...whole,
    benches: whole.benches.map((b) => states.get(b.bench) ?? b),
    findings: [...part.findings, ...whole.findings.filter((f) => !asked(f))],
    values: [...part.values, ...whole.values.filter((v) => !asked(v))],
    balance: states.has('balance') ? part.balance : whole.balance,
    build: states.has('build') ? part.build : whole.build,
    installations: part.installations.map((now) => {
      const own = Object.entries(now).filter(([name]) => !OUTS.has(name) || states.has(name as Bench));
      return { ...(was.get(now.id) ?? now), ...Object.fromEntries(own) };
    }),
    shapes: part.shapes,
  };
}

/** Looks ahead: one wish at a time, the latest; while a hand moves the bench in view is asked, when it rests all. */
export function useAhead(props: {
  id: string;
  fit: string | undefined;
  /** The bench in view; where several are, null. */
  bench: Bench | null;
  /** Where the saved state is kept. */
  saved: readonly unknown[];
  say: (notice: string) => void;
}) {
  const { id, fit, bench, saved, say } = props;
  const queries = useQueryClient();
  const [ahead, setAhead] = useState<Ahead | null>(null);
  const latest = useRef<Wish | null>(null);
  const flights = useRef({ now: 0, sent: 0, landed: 0 });
  const generation = useRef(0);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);

  const fly = useCallback(async () => {
    const flight = flights.current;
    flight.now += 1;
    while (latest.current) {
      const { operations, summary, sections } = latest.current;
      const born = generation.current;
      flight.sent += 1;
      const turn = flight.sent;
      latest.current = null;
      try {
        const reply = answer(
          await api.POST('/api/projects/{project_id}/preview', {
            params: { path: { project_id: id }, query: { fit } },
            body: { operations, sections },
          }),
        );
        if (born === generation.current && turn > flight.landed) {
          flight.landed = turn;
          const stood = queries.getQueryData<State>(saved);
          const asked = reply.assessment.benches.map((b) => b.bench);
          setAhead((before) => {
            const was = before?.assessment ?? stood?.assessment;
            const behind = was?.benches.map((b) => b.bench).filter((b) => !asked.includes(b)) ?? [];
            return {
              ...reply,
              on: stood?.revision ?? 0,
              // What did not change is the same object: only what changed is drawn again.
              assessment: replaceEqualDeep(was, was ? joined(was, reply.assessment) : reply.assessment),
              behind: replaceEqualDeep(before?.behind, behind),
              summary,
              operations,
            };
          });
        }
      } catch (bad) {
        if (bad instanceof Refused) say(bad.words);
      }
    }
    flight.now -= 1;
  }, [id, fit, queries, saved, say]);

  const ask = useCallback(
    (wish: Wish) => {
      latest.current = wish;
      if (flights.current.now < AT_ONCE) void fly();
    },
    [fly],
  );
  const preview = useCallback(
    (operations: Operation[], summary: string) => {
      clearTimeout(rest.current);
      ask({ operations, summary, sections: null });
    },
    [ask],
  );
  const follow = useCallback(
    (operations: Operation[], summary: string) => {
      clearTimeout(rest.current);
      ask({ operations, summary, sections: bench && [bench] });
      if (bench) rest.current = setTimeout(() => ask({ operations, summary, sections: null }), REST_MS);
    },
    [ask, bench],
  );
  /** What was asked and is still on its way comes to nothing; what is shown stays until what came of it is saved. */
  const settled = useCallback(() => {
    generation.current += 1;
    latest.current = null;
    clearTimeout(rest.current);
  }, []);
  const leaveAhead = useCallback(() => {
    settled();
    setAhead(null);
  }, [settled]);
  useEffect(() => () => clearTimeout(rest.current), []);
  return { ahead, preview, follow, settled, leaveAhead };
}
