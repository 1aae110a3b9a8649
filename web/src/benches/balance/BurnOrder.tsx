import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { directed, formatNumber, MARGIN, needed } from '../../figure/format';
import { Table } from '../../parts/Table';
import { Fold } from '../../sheet/Sheet';

const AIMS = ['least travel', 'largest margin', 'wing last'] as const;

/** In what order to burn the tanks: every order tried. There when more than one tank is. */
export function BurnOrder() {
  const { at, fit } = useProject();
  const out = fit !== null && at(`/fits/${fit}/fuel`) === 'out';
  const own = out ? [] : Object.keys((at('/craft/tanks') ?? {}) as object);
  const added = fit ? Object.keys((at(`/fits/${fit}/tanks`) ?? {}) as object) : [];
  if (own.length + added.length < 2) return null;
  return (
    <Fold title="Order of burning">
      <Orders />
    </Fold>
  );
}

function Orders() {
  const { id, fit, state, at, view } = useProject();
  const loadings = Object.entries((at('/loadings') ?? {}) as Record<string, { name: string; rank: number }>).sort(
    ([, a], [, b]) => a.rank - b.rank,
  );
  const [picked, setPicked] = useState<string | null>(null);
  const [aim, setAim] = useState<(typeof AIMS)[number]>('least travel');
  const loading = picked ?? loadings[0]?.[0];
  const found = useQuery({
    queryKey: ['burn-order', id, fit, state.revision, loading, aim],
    enabled: loading !== undefined,
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/burn-order', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none', loading: loading ?? '', aim } },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const m = found.data;
  const length = (si: number) => formatNumber(si, 'length', view);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-4 py-1">
        <label>
          Loading{' '}
          <select
            className="border-b border-rule bg-transparent"
            value={loading}
            onChange={(e) => setPicked(e.target.value)}
          >
            {loadings.map(([key, l]) => (
              <option key={key} value={key}>
                {l.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          wanted{' '}
          <select
            className="border-b border-rule bg-transparent"
            value={aim}
            onChange={(e) => setAim(e.target.value as typeof aim)}
          >
            {AIMS.map((a) => (
              <option key={a}>{a}</option>
            ))}
          </select>
        </label>
      </div>
      {found.error && <p className="text-stop">{String(found.error)}</p>}
      {m && m.needs.length > 0 && <p className="text-unknown">Cannot say yet: needs {needed(m.needs)}.</p>}
      {m && m.orders.length > 0 && (
        <Table
          rows={[
            ...m.orders.map((o) => ({ ...o, name: o.tanks.join(', ') })),
            ...(m.as_it_is ? [{ ...m.as_it_is, name: `as entered: ${m.as_it_is.tanks.join(', ')}` }] : []),
          ]}
          id={(o) => o.name}
          columns={[
            { id: 'order', head: 'one after another, best first', cell: (o) => o.name },
            { id: 'travel', head: 'CG travels', num: true, cell: (o) => length(o.travel_si) },
            {
              id: 'margin',
              head: 'least margin',
              num: true,
              className: (o) => (o.margin_si < 0 ? 'text-stop' : ''),
              cell: (o) => directed(o.margin_si, 'length', view, MARGIN),
            },
          ]}
        />
      )}
      <p className="mt-1 text-xs text-muted">
        Enter turns with the tanks on the craft bench. An engine that returns fuel fills one tank while it burns
        another: not followed here. Relief of the wing and least travel often want different orders.
      </p>
    </>
  );
}
