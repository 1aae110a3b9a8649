import { useState } from 'react';
import type { Bench, Value } from '../api/client';
import { useProject, useShown } from '../api/project';
import { useInstallation } from '../api/useInstallation';
import { answerOf, between, formatNumber, named, needed } from '../figure/format';
import { WorkingBox } from '../findings/Findings';
import { useFocusField } from '../findings/useFocusField';

/** Headline answers, before → after, each with its working at a click. */
export function Answers(props: { bench: Bench; only?: (id: string) => boolean; columns?: number }) {
  const { shown } = useShown();
  const { id, all } = useInstallation();
  const several = all.length > 1;
  const values = shown.values.filter(
    (v) =>
      v.bench === props.bench &&
      (!several || !v.id.includes('@') || v.id.endsWith(`@${id}`)) &&
      (props.only?.(v.id.split('.')[1] ?? '') ?? true),
  );
  return (
    <div
      className="grid gap-x-5 gap-y-1"
      style={{ gridTemplateColumns: `repeat(${props.columns ?? 4}, minmax(0, 1fr))` }}
    >
      {values.map((v) => (
        <Answer key={v.id} value={v} />
      ))}
    </div>
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
              className="quiet ml-2 align-baseline font-text text-xs"
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
