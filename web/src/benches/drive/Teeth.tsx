import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useInstallation } from '../../api/useInstallation';
import { formatNumber, needed } from '../../figure/format';
import { Table } from '../../parts/Table';
import { useTake } from './useTake';

/** Pairs of driving and driven teeth near a ratio that is wanted of one stage. */
export function Teeth() {
  const { id, fit, state, view } = useProject();
  const { take, taking } = useTake();
  const { id: unit } = useInstallation();
  const [stage, setStage] = useState<string | null>(null);
  const [wanted, setWanted] = useState('');
  const found = useQuery({
    queryKey: ['teeth', id, fit, unit, state.revision, stage, wanted],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/teeth', {
          params: {
            path: { project_id: id },
            query: { fit: fit ?? 'none', unit, stage, wanted: wanted || null },
          },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const m = found.data;
  const refused = found.error instanceof Refused ? found.error : null;
  if (m?.needs?.length) return <p className="text-unknown">Cannot say yet: needs {needed(m.needs)}</p>;
  const signed = (off: number) =>
    `${formatNumber(Math.abs(off) * 100, 'number', view)} % ${off > 0 ? 'slower' : 'faster'}`;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1 pb-1">
        {(m?.stages ?? []).length > 1 && (
          <label className="inline-flex items-baseline gap-2">
            Stage
            <select
              className="border-b border-ink bg-transparent"
              value={m?.stage}
              onChange={(e) => {
                setStage(e.target.value);
                setWanted('');
              }}
            >
              {m?.stages?.map(([key, name]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="inline-flex items-baseline gap-2">
          Ratio wanted
          <input
            className="figure w-20 border-b border-rule bg-transparent text-right text-[13px]"
            placeholder={m ? formatNumber(m.wanted ?? 0, 'number', view) : ''}
            aria-invalid={refused?.problem.pointer === '/wanted'}
            onBlur={(e) => setWanted(e.target.value.trim())}
            onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
          />
        </label>
        {m?.kept && (
          <span className="text-muted">This stage is the craft’s own: other teeth of it are not to be had.</span>
        )}
      </div>
      {refused && (
        <p role="alert" className="text-stop">
          {refused.words}
        </p>
      )}
      {!m && !refused && <p className="text-muted">Working them out…</p>}
      {m && (
        <Table
          label="Teeth for a wanted ratio"
          rows={m.pairs ?? []}
          id={(r) => r.id}
          data={(r) => ({ 'data-pair': r.id })}
          columns={[
            {
              id: 'teeth',
              head: 'Teeth',
              headClass: '!text-ink',
              cell: (r) => (
                <span>
                  {r.driving} to {r.driven}
                  {r.own && ', as entered'}
                </span>
              ),
            },
            {
              id: 'ratio',
              head: 'ratio',
              num: true,
              by: (r) => r.ratio,
              cell: (r) => formatNumber(r.ratio, 'number', view),
            },
            {
              id: 'off',
              head: 'than wanted',
              num: true,
              by: (r) => Math.abs(r.off),
              cell: (r) => (Math.abs(r.off) < 0.0005 ? 'as wanted' : signed(r.off)),
            },
            {
              id: 'turned',
              head: `${m.turned} at rated speed`,
              num: true,
              by: (r) => r.turned_si ?? null,
              cell: (r) => (r.turned_si == null ? '—' : formatNumber(r.turned_si, 'rotation', view)),
            },
            {
              id: 'meets',
              head: 'same teeth meet after',
              num: true,
              by: (r) => r.meets,
              cell: (r) => `${r.meets} turns`,
            },
            {
              id: 'take',
              head: '',
              cell: (r) =>
                r.operations.length > 0 && (
                  <button
                    type="button"
                    className="quiet"
                    disabled={taking}
                    aria-label={`take ${r.driving} to ${r.driven} teeth`}
                    onClick={() => void take(r.operations, `${r.driving} to ${r.driven} teeth taken`)}
                  >
                    take
                  </button>
                ),
            },
          ]}
        />
      )}
      <p className="pt-1 text-xs text-muted">
        Whether such wheels are sold, and whether belt or chain of that length is, is for who sells them. The more turns
        until the same teeth meet, the more evenly they wear.
      </p>
    </>
  );
}
