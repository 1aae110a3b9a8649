import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';
import { Table } from '../../parts/Table';
import { Fold } from '../../sheet/Sheet';

interface Shown {
  id: string;
  kg: number | null;
  state: string;
  mean_kg: number | null;
  spread_kg: number | null;
}
const FAULTS = ['none', 'wind', 'drift', 'overload', 'stuck', 'dead corner'] as const;
const SLOTS = ['reading', 'reading_2', 'reading_3'] as const;
const WINDOW = 15;

/** Scales under the supports, read as they settle: a steady reading is taken over with its doubt, and kept as it was read. */
export function Scales() {
  return (
    <Fold title="Scales, simulated">
      <Live />
      <Kept />
    </Fold>
  );
}

function Live() {
  const { id, fit, state, at, view, say } = useProject();
  const queries = useQueryClient();
  const [fault, setFault] = useState<(typeof FAULTS)[number]>('none');
  const [shown, setShown] = useState<Shown[]>([]);
  const [into, setInto] = useState<(typeof SLOTS)[number]>('reading');
  const raw = useRef<Record<string, number[]>>({});
  useEffect(() => {
    raw.current = {};
    const source = new EventSource(`/api/projects/${id}/instruments/scales?fault=${encodeURIComponent(fault)}`);
    source.onmessage = (event) => {
      const pads = JSON.parse(event.data) as Shown[];
      for (const pad of pads)
        raw.current[pad.id] = pad.kg === null ? [] : [...(raw.current[pad.id] ?? []).slice(-(WINDOW - 1)), pad.kg];
      setShown(pads);
    };
    source.onerror = () => source.close();
    return () => source.close();
  }, [id, fault]);
  const names = (at('/craft/supports') ?? {}) as Record<string, { name: string }>;
  const total = shown.reduce((sum, pad) => sum + (pad.kg ?? 0), 0);
  async function take(support: string) {
    try {
      answer(
        await api.POST('/api/projects/{project_id}/weighings', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none' } },
          body: {
            base: state.revision,
            support,
            into,
            readings_kg: raw.current[support] ?? [],
            instrument: 'simulated scales',
          },
        }),
      );
      await queries.invalidateQueries({ queryKey: ['project', id] });
      await queries.invalidateQueries({ queryKey: ['weighings', id] });
      say(null);
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-4 py-1">
        <label>
          fault{' '}
          <select
            className="border-b border-rule bg-transparent"
            value={fault}
            onChange={(e) => setFault(e.target.value as typeof fault)}
          >
            {FAULTS.map((f) => (
              <option key={f}>{f}</option>
            ))}
          </select>
        </label>
        <label>
          take into{' '}
          <select
            className="border-b border-rule bg-transparent"
            value={into}
            onChange={(e) => setInto(e.target.value as typeof into)}
          >
            <option value="reading">first reading</option>
            <option value="reading_2">second reading</option>
            <option value="reading_3">third reading</option>
          </select>
        </label>
        <span className="text-muted">
          all together <span className="num">{formatNumber(total, 'mass', view)}</span>
        </span>
      </div>
      <section className="flex flex-wrap gap-x-6 gap-y-3 py-1" aria-label="scales">
        {shown.map((pad) => (
          <div key={pad.id} className="min-w-44">
            <div className="text-xs text-muted">{names[pad.id]?.name ?? pad.id}</div>
            <div className="num text-[26px] leading-tight">
              {pad.kg === null ? '— — —' : formatNumber(pad.kg, 'mass', view)}
            </div>
            <svg width="176" height="10" viewBox="0 0 176 10" aria-hidden="true">
              <path
                d={pad.state === 'steady' ? 'M0 5H176' : 'M0 5Q11 -3 22 5T44 5T66 5T88 5T110 5T132 5T154 5T176 5'}
                fill="none"
                stroke={
                  pad.state === 'steady'
                    ? 'var(--color-ok)'
                    : pad.state === 'moving'
                      ? 'var(--color-grey)'
                      : 'var(--color-watch)'
                }
                strokeWidth="2.5"
              />
            </svg>
            <div className="flex items-center justify-between gap-2">
              <span className={pad.state === 'steady' || pad.state === 'moving' ? '' : 'text-watch'}>{pad.state}</span>
              <button
                type="button"
                className="btn"
                disabled={pad.state !== 'steady'}
                aria-label={`take ${names[pad.id]?.name ?? pad.id}`}
                onClick={() => void take(pad.id)}
              >
                Take
              </button>
            </div>
          </div>
        ))}
      </section>
      <p className="text-xs text-muted">
        A stand-in: it shows what was entered for each support, or an invented load, with the fault on the first. Steady
        is three seconds within {formatNumber(0.3, 'mass', view)} or a thousandth. Brakes off, doors closed, no wind;
        off and on again, three times.
      </p>
    </>
  );
}

function Kept() {
  const { id, at, view, state } = useProject();
  const found = useQuery({
    queryKey: ['weighings', id, state.revision],
    queryFn: async () =>
      answer(await api.GET('/api/projects/{project_id}/weighings', { params: { path: { project_id: id } } })),
    placeholderData: (before) => before,
  });
  const rows = found.data ?? [];
  if (rows.length === 0) return null;
  const names = (at('/craft/supports') ?? {}) as Record<string, { name: string }>;
  return (
    <Table
      rows={rows}
      id={(r) => `${r.at} ${r.support}`}
      className="mt-2"
      label="weighings kept"
      columns={[
        {
          id: 'what',
          head: 'Weighings kept, as they were read',
          headClass: '!text-ink',
          cell: (r) =>
            `${names[r.support]?.name ?? r.support}, ${r.into.replace('reading_', 'reading ')}, ${r.instrument}, ${new Date(r.at).toLocaleString()}`,
        },
        { id: 'mean', head: 'mean', num: true, cell: (r) => formatNumber(r.mean_kg, 'mass', view) },
        { id: 'spread', head: 'spread', num: true, cell: (r) => formatNumber(r.spread_kg, 'mass', view) },
        {
          id: 'readings',
          head: 'readings',
          num: true,
          cell: (r) => formatNumber(r.readings_kg.length, 'count', view),
        },
      ]}
    />
  );
}
