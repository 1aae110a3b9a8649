import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { memo, useEffect, useMemo, useState } from 'react';
import {
  answer,
  api,
  type Bench,
  type Finding,
  type Operation,
  type Suggestion,
  type View,
  type Working,
} from '../api/client';
import { useProject, useShown } from '../api/project';
import { useSettled } from '../api/useSettled';
import { formatNumber, named, sentence, workingLines } from '../figure/format';
import { COLOURS, Mark, WORDS } from './Mark';
import { useFocusField } from './useFocusField';

/** The findings of a bench, worst first; the open one shows working and what to do. */
export function Findings(props: { bench: Bench; open: string | undefined; onOpen: (key: string | undefined) => void }) {
  const { id, state, view, reference } = useProject();
  const { shown } = useShown();
  const caution = reference.kinds.find((k) => k.id === state.document.kind)?.cautions[props.bench];
  const order = useMemo(() => state.assessment.findings.map((f) => f.key), [state.assessment]);
  const findings = shown.findings
    .filter((f) => f.bench === props.bench)
    .sort((a, b) => rank(order, a.key) - rank(order, b.key));
  const count = (level: Finding['level']) => findings.filter((f) => f.level === level).length;
  const parts = [
    count('stop') && `${count('stop')} stop`,
    count('watch') && `${count('watch')} to watch`,
    count('unknown') && `${count('unknown')} cannot say`,
  ].filter(Boolean);
  // What is open stays open while looking ahead: the default is by the saved verdicts.
  const saved = state.assessment.findings.filter((f) => f.bench === props.bench);
  const open = findings.find((f) => f.key === props.open)?.key ?? firstToOpen(saved)?.key;
  return (
    <aside
      aria-label="Findings"
      className="overflow-y-auto border-l border-rule bg-sheet px-3.5 py-3 [grid-area:findings]"
    >
      <h2 className="pb-2 text-[16px]">
        {props.bench[0]?.toUpperCase() + props.bench.slice(1)}:{' '}
        {parts.length ? parts.join(', ') : findings.length ? 'nothing stands out' : 'nothing judged yet'}
      </h2>
      {state.assessment.rough.length > 0 && (
        <Link
          to="/p/$id/$bench"
          params={{ id, bench: 'first' }}
          search={(s) => ({ ...s, finding: undefined })}
          className="block pb-2 text-xs leading-6"
        >
          {state.assessment.rough.length} rough figures stand in: see and replace them
        </Link>
      )}
      {findings.map((f) => (
        <Row
          key={f.key}
          finding={f}
          view={view}
          open={open === f.key}
          onOpen={props.onOpen}
          waysOut={open === f.key && saved.some((o) => o.key === f.key && ['stop', 'watch'].includes(o.level))}
        />
      ))}
      <p className="mt-2 border-t border-rule pt-2 text-muted">{caution} Local rules and licensed people decide.</p>
      <NotLookedAt bench={props.bench} />
    </aside>
  );
}

/** What no rule looks at, and which rules had nothing to judge. */
function NotLookedAt(props: { bench: Bench }) {
  const { state } = useProject();
  const own = state.assessment.benches.find((b) => b.bench === props.bench);
  if (!own) return null;
  return (
    <div className="mt-2 text-muted">
      <p>Not checked: {own.unchecked.join('; ')}.</p>
      {own.silent.length > 0 && (
        <details className="mt-1">
          <summary className="quiet cursor-pointer">
            {own.silent.length === 1 ? 'One rule' : `${own.silent.length} rules`} found nothing to judge
          </summary>
          <p>{own.silent.join('; ')}.</p>
        </details>
      )}
    </div>
  );
}

/** Of the worst findings the first that has a way out, or else the first. */
function firstToOpen(findings: Finding[]): Finding | undefined {
  const worst = findings.filter((f) => f.level !== 'ok' && f.level === findings[0]?.level);
  return worst.find((f) => f.can_suggest) ?? worst[0];
}

/** One finding, drawn again only when it changes. */
const Row = memo(function Row(props: {
  finding: Finding;
  view: View;
  open: boolean;
  onOpen: (key: string | undefined) => void;
  waysOut: boolean;
}) {
  const { finding: f, view, open, onOpen, waysOut } = props;
  return (
    <article className="border-t border-rule py-2" data-finding={f.key} data-level={f.level}>
      <h3>
        <button
          type="button"
          className="flex w-full cursor-pointer items-center gap-2 text-left text-[15px]"
          aria-expanded={open}
          onClick={() => onOpen(open ? undefined : f.key)}
        >
          <span className="flex-none">
            <Mark level={f.level} />
          </span>
          <span className="block first-letter:uppercase">{sentence(f.title, view)}</span>
        </button>
      </h3>
      {(open || f.level === 'stop') && <p className="mt-0.5">{sentence(f.message, view)}</p>}
      {open && <Opened finding={f} waysOut={waysOut} />}
    </article>
  );
});

/** Source, and how far it can be leaned on, said once. */
function sourceOf(f: Finding): string {
  return f.mark === 'statics' || f.source.includes(f.mark) ? f.source : `${f.source} · ${f.mark}`;
}

function rank(order: string[], key: string): number {
  const at = order.indexOf(key);
  return at < 0 ? order.length : at;
}

function Opened(props: { finding: Finding; waysOut: boolean }) {
  const { finding } = props;
  const focusField = useFocusField();
  return (
    <div>
      {finding.compared && <MarginBar finding={finding} />}
      {finding.needs.length > 0 && (
        <ul className="my-1">
          {finding.needs.slice(0, 12).map((n) => (
            <li key={n.pointer}>
              <button type="button" className="quiet" onClick={() => focusField(n.pointer)}>
                {named(n)}
              </button>
            </li>
          ))}
          {finding.needs.length > 12 && <li className="text-muted">and {finding.needs.length - 12} more</li>}
        </ul>
      )}
      {finding.rough && finding.rough.length > 0 && (
        <details className="my-1">
          <summary className="quiet cursor-pointer">
            {finding.rough.length === 1
              ? 'the rough figure under it'
              : `the ${finding.rough.length} rough figures under it`}
          </summary>
          <ul>
            {finding.rough.map((n) => (
              <li key={n.pointer}>
                <button type="button" className="quiet" onClick={() => focusField(n.pointer)}>
                  {n.what}
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {finding.working && <WorkingBox working={finding.working} source={sourceOf(finding)} />}
      {!finding.working && <p className="text-xs text-muted">{sourceOf(finding)}</p>}
      {props.waysOut && <WaysOut finding={finding} />}
      <OnThePlan finding={finding} />
      <TheRule id={finding.rule} />
    </div>
  );
}

/** What a finding asks to be done, put among the tasks of the fit: it waits for nothing until somebody says what. */
function OnThePlan(props: { finding: Finding }) {
  const { fit, at, edit, view } = useProject();
  const { finding } = props;
  if (!fit || finding.level === 'ok' || finding.bench === 'build' || finding.bench === 'prove') return null;
  const key = finding.key.replace(/[^a-z0-9]+/g, '-').slice(0, 38);
  const tasks = (at(`/fits/${fit}/tasks`) ?? {}) as Record<string, { rank: number; gate?: string; after?: string[] }>;
  if (tasks[key]) return <p className="text-xs text-muted">On the plan of this fit.</p>;
  async function put() {
    const name = sentence(finding.title, view).slice(0, 120);
    const rank = Math.max(0, ...Object.values(tasks).map((t) => t.rank)) + 1;
    const start = Object.entries(tasks).find(([, t]) => t.gate === 'first start');
    const operations: Operation[] = [
      { op: 'add', path: `/fits/${fit}/tasks/${key}`, value: { name, rank, state: 'open' } },
    ];
    if (start)
      operations.push({
        op: start[1].after ? 'replace' : 'add',
        path: `/fits/${fit}/tasks/${start[0]}/after`,
        value: [...(start[1].after ?? []), key],
      });
    await edit(operations, `on the plan: ${name}`);
  }
  return (
    <button type="button" className="quiet text-xs" onClick={() => void put()}>
      put it on the plan
    </button>
  );
}

/** The entry of the catalogue behind a finding: what is compared with what, and on whose word. */
function TheRule(props: { id: string }) {
  const [open, setOpen] = useState(false);
  const rules = useQuery({
    queryKey: ['rules'],
    queryFn: async () => answer(await api.GET('/api/reference/rules')),
    enabled: open,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const rule = rules.data?.find((r) => r.id === props.id);
  return (
    <div className="mt-1 text-xs text-muted">
      <button type="button" className="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'fold the rule' : 'the rule'}
      </button>
      {open && rule && (
        <dl className="mt-1 border-l border-rule pl-2" data-rule={rule.id}>
          <dt>{rule.title}</dt>
          <dd>limit: {rule.limit}</dd>
          <dd>source: {rule.source}</dd>
          <dd>mark: {rule.mark}</dd>
        </dl>
      )}
    </div>
  );
}

export function WorkingBox(props: { working: Working; source: string }) {
  const { view } = useProject();
  const [formula, filled, result] = workingLines(props.working, view);
  const symbol = formula.split('=')[0]?.trim() ?? '';
  return (
    <div className="my-1.5 bg-ground px-2.5 py-2" data-working>
      <div className="figure text-xs leading-relaxed">
        <div>{formula}</div>
        <div style={{ paddingLeft: `${symbol.length + 1}ch` }}>= {filled}</div>
        <div style={{ paddingLeft: `${symbol.length + 1}ch` }}>= {result}</div>
      </div>
      {props.working.valid && <div className="text-xs text-muted">holds for: {props.working.valid}</div>}
      <div className="text-xs text-muted">{props.source}</div>
    </div>
  );
}

function MarginBar(props: { finding: Finding }) {
  const { view } = useProject();
  const c = props.finding.compared;
  if (!c) return null;
  // What decided was not these bounds: a margin to them would say nothing.
  if (c.ground) return <p className="text-xs text-muted">What decides: {c.ground}.</p>;
  const marks = [c.value, c.lo, c.hi].filter((v): v is number => v !== null && v !== undefined);
  const low = Math.min(...marks);
  const high = Math.max(...marks);
  const pad = (high - low || Math.abs(high) || 1) * 0.25;
  const from = low - pad;
  const scale = (v: number) => ((v - from) / (high - low + 2 * pad)) * 100;
  const lo = c.lo === null || c.lo === undefined ? 0 : scale(c.lo);
  const hi = c.hi === null || c.hi === undefined ? 100 : scale(c.hi);
  const bounds = [c.lo, c.hi]
    .filter((v): v is number => v !== null && v !== undefined)
    .map((v) => formatNumber(v, c.dimension, view));
  return (
    <div
      className="relative my-2 h-2 bg-tray"
      role="img"
      aria-label={`${formatNumber(c.value, c.dimension, view)} against ${bounds.join(' to ')}`}
    >
      <div className="absolute inset-y-0 bg-ok opacity-35" style={{ left: `${lo}%`, right: `${100 - hi}%` }} />
      <div
        className="absolute -inset-y-[3px] w-0.5"
        style={{ left: `${scale(c.value)}%`, background: COLOURS[props.finding.level] }}
      />
    </div>
  );
}

function WaysOut(props: { finding: Finding }) {
  const { id, fit, state } = useProject();
  const { ahead } = useShown();
  // They take a second of work: not for every figure of somebody who types on.
  const settled = useSettled(state.revision, 700);
  const found = useQuery({
    queryKey: ['suggestions', id, fit, state.revision, props.finding.key],
    enabled: !ahead && settled,
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/suggestions/{finding}', {
          params: { path: { project_id: id, finding: props.finding.key }, query: { fit } },
        }),
      ),
    placeholderData: (before) => before,
  });
  if (found.isPending) return <p className="text-muted">Looking for ways out…</p>;
  if (!found.data?.suggestions.length)
    return <p className="text-muted">{found.data?.none || 'No way out found with these figures.'}</p>;
  // Those of the figures before are seen until the new ones are there, and cannot be taken.
  return (
    <div inert={found.isPlaceholderData}>
      {found.data.suggestions.map((s) => (
        <WayOut key={s.id} suggestion={s} />
      ))}
    </div>
  );
}

/** A way out with what it does, to try and to apply. */
export function WayOut(props: {
  suggestion: Pick<Suggestion, 'id' | 'message' | 'operations' | 'reaches' | 'consequences'> &
    Partial<Pick<Suggestion, 'brings'>>;
  caption?: string;
}) {
  const { edit, preview, leaveAhead, view } = useProject();
  const { ahead } = useShown();
  const s = props.suggestion;
  const words = sentence(s.message, view);
  const tried = ahead !== null && JSON.stringify(ahead.operations) === JSON.stringify(s.operations);
  return (
    <div className="my-1.5 border-l-[3px] border-act py-1 pl-2.5" data-suggestion={s.id}>
      {props.caption && <p className="text-xs text-muted">{props.caption}</p>}
      <p className="first-letter:uppercase">{words}</p>
      <p className="text-xs text-muted">
        then {WORDS[s.reaches]}
        {s.brings?.map((b) => `; ${sentence(b, view)}`)}
        {s.consequences.map((c) => `; but ${c.params.level?.text}: ${sentence(c, view)}`)}
      </p>
      <div className="mt-1 flex justify-end gap-1.5">
        <button
          type="button"
          className="btn"
          data-try
          aria-pressed={tried}
          onClick={() => (tried ? leaveAhead() : preview(s.operations as Operation[], `trying: ${words}`))}
        >
          {tried ? 'Let go' : 'Try'}
        </button>
        <button type="button" className="btn btn-main" onClick={() => void edit(s.operations as Operation[], words)}>
          Apply
        </button>
      </div>
    </div>
  );
}

/** Keep the open finding valid when the bench changes. */
export function useOpenFinding(bench: string, open: string | undefined, onOpen: (key: string | undefined) => void) {
  useEffect(() => {
    if (open && !open.startsWith(`${bench}.`)) onOpen(undefined);
  }, [bench, open, onOpen]);
}
