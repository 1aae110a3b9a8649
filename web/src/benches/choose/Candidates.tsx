import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { View } from '../../api/client';
import { answer, api, type Candidate, type Turn } from '../../api/client';
import { useProject } from '../../api/project';
import { CurvesKey, CurvesPlot } from '../../drawing/CurvesPlot';
import type { StoredFigure } from '../../figure/FigureField';
import { directed, formatNumber, needed, STATION } from '../../figure/format';
import { Mark, WORDS } from '../../findings/Mark';
import { Table } from '../../parts/Table';
import { Picture } from '../../sheet/Sheet';
import { Outlines } from './Outlines';

function useComparison() {
  const { id, state } = useProject();
  return useQuery({
    queryKey: ['comparison', id, state.revision],
    queryFn: async () =>
      answer(await api.GET('/api/projects/{project_id}/comparison', { params: { path: { project_id: id } } })),
    placeholderData: (before) => before,
    retry: false,
  });
}

export function Candidates() {
  const { view, at } = useProject();
  const found = useComparison();
  const [open, setOpen] = useState<string | null>(null);
  const m = found.data;
  if (found.error) return <p className="px-4 py-3 text-stop">{String(found.error)}</p>;
  if (!m) return <p className="px-4 py-3 text-muted">Laying them side by side…</p>;
  const wanted = (at('/need/power') as StoredFigure | undefined)?.si ?? null;
  const said = (si: number | null | undefined, dimension: string) =>
    si == null ? '?' : formatNumber(si, dimension, view);
  const money = (at('/need/currency') as string | undefined) ?? '';
  const rows: Row[] = [
    ['lasting power there', (c) => said(c.power_si, 'power'), 'power'],
    ['for a short time', (c) => (c.short_si == null ? '' : `${said(c.short_si, 'power')}, ${said(c.short_s, 'time')}`)],
    ['at the unit', (c) => (c.speed_si == null ? '' : said(c.speed_si, 'rotation'))],
    ['at the output', (c) => (c.output_speed_si == null ? '' : said(c.output_speed_si, 'rotation'))],
    ['installed mass', (c) => said(c.mass_si, 'mass'), 'mass'],
    ['size', (c) => sized(c, view)],
    ['burns', (c) => (c.burns_si == null ? '' : formatNumber(c.burns_si, 'fuel_flow', view))],
    ['heat into its coolant', (c) => (c.heat_si == null ? '' : formatNumber(c.heat_si, 'power', view))],
    ['empty mass', (c) => said(c.empty_si, 'mass')],
    ['empty CG', (c) => (c.cg_si == null ? '' : directed(c.cg_si, 'length', view, STATION))],
    [`cost${money ? `, ${money}` : ''}`, (c) => (c.id === 'none' ? '' : said(c.cost_si, 'money')), 'cost'],
    ['wait', (c) => (c.id === 'none' ? '' : said(c.wait_si, 'wait')), 'wait'],
    ['supply of parts', (c) => (c.id === 'none' ? '' : said(c.parts, 'count')), 'parts'],
  ];
  const best = m.candidates.find((c) => c.id === m.best);
  const stops = best?.levels.filter((l) => l.level === 'stop').map((l) => l.bench) ?? [];
  const limit = (name: string, dimension: string, words: string) => {
    const si = (at(`/need/${name}`) as StoredFigure | undefined)?.si;
    return si === undefined ? '' : `${words} ${formatNumber(si, dimension, view)}`;
  };
  const asked: Record<string, string> = {
    'lasting power there':
      limit('least_power', 'power', 'least') || (wanted === null ? '' : formatNumber(wanted, 'power', view)),
    'installed mass': limit('most_mass', 'mass', 'most'),
    cost: limit('most_cost', 'money', 'most'),
    wait: limit('longest_wait', 'wait', 'most'),
    'supply of parts': limit('least_parts', 'count', 'least'),
  };
  return (
    <Picture title="Candidates side by side">
      <div className="overflow-x-auto px-4 pb-2">
        <Outlines of={m.candidates} />
        {m.candidates.length > 4 ? (
          <ByRow
            rows={rows.filter(([label]) => !NARROW.has(label))}
            of={m.candidates}
            asked={asked}
            open={open}
            onOpen={setOpen}
          />
        ) : (
          <ByColumn rows={rows} of={m.candidates} asked={asked} open={open} onOpen={setOpen} />
        )}
        {m.candidates
          .filter((c) => c.id === open)
          .map((c) => (
            <p key={c.id} className="figure mt-1 text-[13px]">
              {c.score_parts.map((p) => `${p.name} ${formatNumber(p.points, 'count', view)}`).join(' + ')} ={' '}
              {formatNumber(c.score ?? 0, 'count', view)}
            </p>
          ))}
        {m.candidates
          .filter((c) => c.needs.length > 0)
          .map((c) => (
            <p key={c.id} className="text-unknown">
              {c.name} is not scored yet: needs {needed(c.needs)}.
            </p>
          ))}
        {m.refused && <p className="text-unknown">Not scored: {m.refused}.</p>}
        {best && (
          <p>
            <b>{best.name}</b> comes first
            {stops.length > 0 && <b className="text-stop"> by its figures, but it stops on {stops.join(', ')}</b>}
            {m.turns.length > 0 ? `; ${turned(m.turns, view).join('; ')}` : ', whatever one thing counts more or less'}.
          </p>
        )}
        {m.candidates.some((c) => c.hearsay.length > 0) && (
          <p className="text-muted">Hearsay: {[...new Set(m.candidates.flatMap((c) => c.hearsay))].join(', ')}.</p>
        )}
        <p className="text-xs text-muted">
          Hard limits first. Each thing is measured from the worst to the best of those that pass, so that another
          candidate may turn two others round. * Another is at least as good in everything. Reduction of the first unit.
        </p>
        <div className="grid gap-4 min-[900px]:grid-cols-2">
          <CurvesPlot of="power" units={m.candidates} wanted={wanted} />
          <CurvesPlot of="torque" units={m.candidates} wanted={null} />
        </div>
        <CurvesKey units={m.candidates} />
      </div>
    </Picture>
  );
}

/** Who else would come first, and at what shares of the weight. */
function turned(turns: Turn[], view: View): string[] {
  const winners = [...new Set(turns.map((t) => t.winner))];
  return winners.map((w) => {
    const shares = turns
      .filter((t) => t.winner === w)
      .map((t) => `${t.criterion} counted ${formatNumber(t.share, 'percent', view)}`);
    return `${w} would, if ${shares.join(', or ')} of all`;
  });
}

/** What many candidates leave out, for room. */
const NARROW = new Set(['for a short time', 'at the unit', 'size', 'burns', 'heat into its coolant', 'empty mass']);

/** Length, width and height in one figure. */
function sized(c: Candidate, view: View): string {
  if (c.size_si.every((s) => s == null)) return '';
  const parts = c.size_si.map((s) => (s == null ? '?' : formatNumber(s, 'length', view).replace(/\s.*$/, '')));
  return `${parts.join(' × ')} ${view.length?.unit}`;
}

/** Label, what stands there for a candidate, and whose source underlines it. */
/** What is asked of a row, in words. */
function wantedOf(row: Row, asked: Record<string, string>): string | undefined {
  return asked[row[0].split(',')[0] as string];
}

type Row = [string, (c: Candidate) => string, string?];

/** A figure of a candidate, underlined by where it comes from. */
function Said(props: { row: Row; candidate: Candidate }) {
  const [, of, from] = props.row;
  const source = from ? props.candidate.sources[from] : undefined;
  const text = of(props.candidate);
  return source && text && text !== '?' ? (
    <span className="certain pb-[3px]" data-source={source} title={source}>
      {text}
    </span>
  ) : (
    text
  );
}

interface Laid {
  rows: Row[];
  of: Candidate[];
  /** What is wanted, by the label of its row. */
  asked: Record<string, string>;
  open: string | null;
  onOpen: (id: string | null) => void;
}

/** A few: a column each. */
function ByColumn(props: Laid) {
  return (
    <Table
      rows={props.rows}
      id={(row) => row[0]}
      label="candidates"
      columns={[
        {
          id: 'what',
          head: 'what',
          wide: false,
          className: 'whitespace-nowrap text-muted',
          cell: (row) => row[0],
        },
        {
          id: 'wanted',
          head: 'wanted',
          num: true,
          className: 'text-muted',
          cell: (row) => wantedOf(row, props.asked),
        },
        ...props.of.map((c) => ({
          id: `of ${c.id}`,
          head: c.name,
          num: true,
          headClass: '!text-ink',
          className: c.id === 'none' ? 'text-muted' : '',
          cell: (row: Row) => <Said row={row} candidate={c} />,
        })),
      ]}
      last={
        <>
          <tr>
            <td className="whitespace-nowrap text-muted">what the benches say</td>
            <td />
            {props.of.map((c) => (
              <td key={c.id} className="pl-3 text-right">
                <span className="inline-flex max-w-36 flex-wrap items-center justify-end gap-1.5">
                  {judged(c).map((l) => (
                    <span key={l.bench} title={`${l.bench}: ${l.level}`}>
                      <Mark level={l.level} />
                    </span>
                  ))}
                </span>
              </td>
            ))}
          </tr>
          <tr data-scores>
            <td className="whitespace-nowrap text-muted">score of a hundred</td>
            <td />
            {props.of.map((c) => (
              <td key={c.id} className="num pl-3">
                <Score candidate={c} open={props.open} onOpen={props.onOpen} />
              </td>
            ))}
          </tr>
        </>
      }
    />
  );
}

/** Many: a row each, what the benches say in words. */
function ByRow(props: Laid) {
  return (
    <Table
      rows={props.of}
      id={(c) => c.id}
      label="candidates"
      rowClass={(c) => (c.id === 'none' ? 'text-muted' : '')}
      first={
        <tr className="text-muted">
          <td>wanted</td>
          {props.rows.map((row) => (
            <td key={row[0]} className="num pl-2">
              {wantedOf(row, props.asked)}
            </td>
          ))}
          <td />
          <td />
        </tr>
      }
      columns={[
        { id: 'candidate', head: 'candidate', className: 'min-w-32', cell: (c) => c.name },
        ...props.rows.map((row) => ({
          id: row[0],
          head: row[0],
          num: true,
          headClass: '!whitespace-normal',
          cell: (c: Candidate) => <Said row={row} candidate={c} />,
        })),
        {
          id: 'benches',
          head: 'the benches',
          headClass: '!whitespace-normal !text-right',
          className: 'whitespace-nowrap pl-2 text-right',
          cell: (c) =>
            (['stop', 'watch', 'unknown'] as const)
              .map((l) => [l, judged(c).filter((b) => b.level === l).length] as const)
              .filter(([, n]) => n > 0)
              .map(([l, n]) => `${n} ${WORDS[l]}`)
              .join(', ') || 'ok',
        },
        {
          id: 'score',
          head: 'score',
          num: true,
          cell: (c) => <Score candidate={c} open={props.open} onOpen={props.onOpen} />,
        },
      ]}
    />
  );
}

/** Levels of the benches but the craft's own, which is the same for all. */
function judged(c: Candidate) {
  return c.levels.filter((l) => l.bench !== 'craft');
}

function Score(props: { candidate: Candidate; open: string | null; onOpen: (id: string | null) => void }) {
  const { view } = useProject();
  const c = props.candidate;
  if (c.out.length > 0) return <span className="text-stop">out: {c.out.join(', ')}</span>;
  if (c.score == null) return null;
  return (
    <button
      type="button"
      className="quiet"
      aria-expanded={props.open === c.id}
      aria-label={`what the score of ${c.name} is made of`}
      title={c.beaten ? 'another is at least as good in everything' : undefined}
      onClick={() => props.onOpen(props.open === c.id ? null : c.id)}
    >
      {formatNumber(c.score, 'count', view)}
      {c.beaten ? '*' : ''}
    </button>
  );
}
