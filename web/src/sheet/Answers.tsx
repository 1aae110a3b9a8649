import { useState } from 'react';
import type { Bench, Value } from '../api/client';
import { useProject, useShown } from '../api/project';
import { useInstallation } from '../api/useInstallation';
import { FigureField } from '../figure/FigureField';
import { fieldAt } from '../figure/fields';
import { answerOf, between, formatNumber, named, needed } from '../figure/format';
import { ChoiceField } from '../figure/forms';
import { WorkingBox } from '../findings/Findings';
import { useFocusField } from '../findings/useFocusField';

/** Of what is missing on a bench with nothing in it, this many are asked for at once. */
const FEW = 8;

/** Headline answers, before → after, each with its working at a click. */
export function Answers(props: {
  bench: Bench;
  only?: (id: string) => boolean;
  columns?: number;
  /** Titles with what belongs under them, by the name of the answer; what belongs nowhere comes last. */
  groups?: [string, RegExp][];
}) {
  const { shown } = useShown();
  const { id, all } = useInstallation();
  const several = all.length > 1;
  const values = shown.values.filter(
    (v) =>
      v.bench === props.bench &&
      (!several || !v.id.includes('@') || v.id.endsWith(`@${id}`)) &&
      (props.only?.(v.id.split('.')[1] ?? '') ?? true),
  );
  if (values.length > 2 && values.every((v) => v.si == null && !v.text)) return <NothingYet values={values} />;
  const grid = (shownHere: Value[]) => (
    <div
      className="grid gap-x-5 gap-y-1"
      style={{ gridTemplateColumns: `repeat(${props.columns ?? 4}, minmax(0, 1fr))` }}
    >
      {shownHere.map((v) => (
        <Answer key={v.id} value={v} />
      ))}
    </div>
  );
  if (!props.groups) return grid(values);
  const groupOf = (v: Value) => props.groups?.find(([, names]) => names.test(nameOf(v)))?.[0] ?? '';
  return (
    <>
      {[...props.groups.map(([title]) => title), ''].map((title) => {
        const own = values.filter((v) => groupOf(v) === title);
        if (own.length === 0) return null;
        return (
          <section key={title} aria-label={title || 'Others'} className="border-b border-rule py-1 last:border-b-0">
            {title && <h3 className="text-[13px] text-muted">{title}</h3>}
            {grid(own)}
          </section>
        );
      })}
    </>
  );
}

function nameOf(v: Value): string {
  return v.id.split('.')[1]?.split('@')[0] ?? '';
}

/** Of a bench of which nothing can be said: what it will tell, and what it needs, to be filled in here. */
function NothingYet(props: { values: Value[] }) {
  const { reference } = useProject();
  const focusField = useFocusField();
  const holds = new Map<string, { what: string; answers: number }>();
  for (const v of props.values)
    for (const n of v.needs)
      holds.set(n.pointer, { what: named(n), answers: (holds.get(n.pointer)?.answers ?? 0) + 1 });
  const needs = [...holds].sort(([, a], [, b]) => b.answers - a.answers);
  return (
    <section aria-label="Nothing can be said here yet" className="py-1">
      <p>
        <b>Nothing can be said here yet.</b> It will tell{' '}
        {props.values.map((v) => v.label[0]?.toLowerCase() + v.label.slice(1)).join('; ')}.
      </p>
      <p className="mt-1 text-muted">It needs{needs.length > FEW ? ', first of all' : ''}:</p>
      <div className="grid gap-x-8 min-[900px]:grid-cols-2">
        {needs.slice(0, FEW).map(([pointer, n]) => {
          const spec = fieldAt(reference, pointer);
          if (!spec)
            return (
              <button key={pointer} type="button" className="quiet" onClick={() => focusField(pointer)}>
                {n.what}
              </button>
            );
          return spec.choices ? (
            <ChoiceField key={pointer} pointer={pointer} label={n.what} />
          ) : (
            <FigureField key={pointer} pointer={pointer} label={n.what} />
          );
        })}
      </div>
      {needs.length > FEW && <p className="text-xs text-muted">and {needs.length - FEW} more</p>}
    </section>
  );
}

function Answer(props: { value: Value }) {
  const { view } = useProject();
  const { ahead } = useShown();
  const focusField = useFocusField();
  const [open, setOpen] = useState(false);
  const v = props.value;
  const [before, now] = answerOf(v, view);
  const way = v.ways && now && [v.ways.over, v.ways.under].find((w) => now.endsWith(w));
  return (
    <div className="py-1" data-value={v.id}>
      <div className="text-xs text-muted first-letter:uppercase">{v.label}</div>
      {now === null ? (
        <div>
          <span className="text-unknown">cannot say yet: needs </span>
          {v.needs[0] && (
            <button type="button" className="quiet" onClick={() => focusField(v.needs[0]?.pointer ?? '')}>
              {named(v.needs[0])}
            </button>
          )}
          {v.needs.length > 1 && <span className="text-muted"> and {v.needs.length - 1} more</span>}
        </div>
      ) : (
        <div className="figure text-[16px]">
          {before !== null && before !== now && <span className="text-[13px] text-muted">{before} → </span>}
          {v.before_needs[0] && (
            <button
              type="button"
              className="quiet text-[13px] text-muted"
              title={`before: needs ${needed(v.before_needs)}`}
              onClick={() => focusField(v.before_needs[0]?.pointer ?? '')}
            >
              ? →{' '}
            </button>
          )}
          <span className={v.dimension === 'length' && v.id.endsWith('margin') && (v.si ?? 0) < 0 ? 'text-stop' : ''}>
            {way ? now.slice(0, -way.length) : now}
            {way && <span className="whitespace-nowrap text-[13px]">{way}</span>}
          </span>
          {v.plus_minus_si != null && (
            <span className="text-xs text-muted"> ±{formatNumber(v.plus_minus_si, between(v.dimension), view)}</span>
          )}
          {v.working && (
            <button
              type="button"
              className="quiet ml-2 align-baseline font-text text-xs !text-muted"
              aria-expanded={open}
              aria-label={`working of ${v.label}`}
              onClick={() => setOpen(!open)}
            >
              working
            </button>
          )}
        </div>
      )}
      {v.rough && <div className="text-xs text-watch">rests on rough figures</div>}
      {!v.working && v.source && !ahead && <div className="text-xs text-muted">{v.source}</div>}
      {open && v.working && <WorkingBox working={v.working} source={v.working.source} />}
    </div>
  );
}
