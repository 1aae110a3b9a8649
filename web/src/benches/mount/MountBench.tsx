import { useState } from 'react';
import type { Installation, View } from '../../api/client';
import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import { directed, formatNumber } from '../../figure/format';
import { Table } from '../../parts/Table';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Picture, Strip, UnitTabs } from '../../sheet/Sheet';
import { MountView } from './MountView';
import { PRESSED, SwingView } from './SwingView';

type LoadCase = NonNullable<Installation['mount']>['cases'][number];

/** Loads on the mount. */
export function MountBench() {
  const { pointer } = useInstallation();
  const { has } = useForms();
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  return (
    <div className="bg-sheet pb-4">
      <UnitTabs />
      {has('swing unit') ? <Swing /> : <Points />}
      <BenchSheet bench="mount" />
    </div>
  );
}

/** Which way the unit's own weight pushes in a case, times its weight: against what the craft feels. */
export function pushes(c: Pick<LoadCase, 'n_x' | 'n_y' | 'n_z'>, view: View): string {
  const axes = [
    [c.n_x, { over: 'forward', under: 'aft' }],
    [c.n_y, { over: 'port', under: 'starboard' }],
    [c.n_z, { over: 'down', under: 'up' }],
  ] as const;
  const said = axes.map(([n, ways]) => (n == null ? '?' : directed(n, 'number', view, ways)));
  return said.filter((text) => text === '?' || /[1-9]/.test(text)).join(',\n') || 'nothing';
}

/** A unit on points: the case table beside the points, then the worst of each. */
function Points() {
  const out = useAssessed();
  const { view } = useProject();
  const { word } = useForms();
  const cases = out?.mount?.cases ?? [];
  const [wanted, setPicked] = useState<string | null>(null);
  // It opens on the case that asks most of a point: limit loads count with the factor that reserve puts on them.
  const asks = (c: (typeof cases)[number]) => (c.worst_si ?? 0) * (c.kind === 'ultimate' ? 1 : 1.5);
  const governing = cases.reduce<(typeof cases)[number] | undefined>(
    (most, c) => (!most || asks(c) > asks(most) ? c : most),
    cases[0],
  );
  const picked = cases.find((c) => c.id === wanted) ?? governing;
  const said = (si: number | null | undefined) => (si == null ? '?' : formatNumber(si, 'force', view));
  return (
    <>
      <Picture title="Points and load cases">
        <div className="grid min-[900px]:grid-cols-2">
          <MountView caseId={picked?.id ?? ''} />
          <div className="px-3 py-2">
            <CaseTable
              cases={cases}
              picked={picked?.id}
              onPick={setPicked}
              columns={['its weight pushes', 'worst point']}
              figures={(c) => [pushes(c, view), said(c.worst_si)]}
            />
            <p className="mt-1 text-xs text-muted">
              {picked?.source}. Load of the unit on its points. Limit loads; 1.5 is put on for reserve, ultimate rows
              stand as they are. Pushes are times its weight.
            </p>
          </div>
        </div>
      </Picture>
      <Strip label="Answers">
        <Answers bench="mount" columns={3} />
      </Strip>
      <section aria-label="Worst of all cases" className="px-4 py-3">
        <Table
          rows={out?.mount?.points ?? []}
          id={(p) => p.id}
          columns={[
            {
              id: 'point',
              head: `Each ${word('point')}, worst of all cases`,
              headClass: '!text-ink',
              cell: (p) => p.name,
            },
            { id: 'pull', head: 'pull', num: true, cell: (p) => said(p.pull_si) },
            { id: 'push', head: 'push', num: true, cell: (p) => said(p.push_si) },
            { id: 'shear', head: 'shear', num: true, cell: (p) => said(p.shear_si) },
            { id: 'worst', head: 'worst', num: true, cell: (p) => said(p.worst_si) },
            {
              id: 'in',
              head: 'in',
              className: 'whitespace-nowrap pl-4 text-xs text-muted',
              cell: (p) => p.worst_case ?? 'cannot say yet',
            },
            {
              id: 'reserve',
              head: 'reserve',
              num: true,
              cell: (p) => (p.reserve == null ? '?' : formatNumber(p.reserve, 'number', view)),
            },
          ]}
        />
      </section>
    </>
  );
}

/** A unit that swings with its wheel: pivot and shock in each case. */
function Swing() {
  const out = useAssessed();
  const { view } = useProject();
  const rows = out?.mount?.swing ?? [];
  const [wanted, setPicked] = useState<string | null>(null);
  const picked = rows.find((c) => c.id === wanted) ?? rows[1] ?? rows[0];
  const said = (si: number) => formatNumber(si, 'force', view);
  return (
    <>
      <Picture title="Pivot and shock">
        <div className="grid min-[900px]:grid-cols-2">
          <SwingView arm={out?.mount?.arm ?? null} load={picked ?? null} />
          <div className="px-3 py-2">
            <CaseTable
              cases={rows}
              picked={picked?.id}
              onPick={setPicked}
              columns={['shock', 'pivot']}
              figures={(c) => [directed(c.shock_si, 'force', view, PRESSED), said(c.pivot_si)]}
            />
            {rows.length === 0 && <p className="text-unknown">Cannot say yet: the findings name what is missing.</p>}
            <p className="mt-1 text-xs text-muted">
              {picked?.source}. Limit loads. Pivot: size of the force on the unit.
            </p>
          </div>
        </div>
      </Picture>
      <Strip label="Answers">
        <Answers bench="mount" columns={3} />
      </Strip>
    </>
  );
}

interface Case {
  id: string;
  name: string;
  source: string;
  kind?: string;
}

/** The load cases, one to be picked for the drawing, each with two figures. */
function CaseTable<C extends Case>(props: {
  cases: C[];
  picked: string | undefined;
  onPick: (id: string) => void;
  columns: [string, string];
  figures: (c: C) => [string, string];
}) {
  return (
    <Table
      rows={props.cases}
      id={(c) => c.id}
      label="Load cases"
      rowClass={(c) => (c.id === props.picked ? 'bg-tray' : '')}
      columns={[
        {
          id: 'case',
          head: 'case',
          cell: (c) => (
            <button
              type="button"
              className="min-h-6 w-full cursor-pointer text-left"
              aria-pressed={c.id === props.picked}
              title={c.source}
              onClick={() => props.onPick(c.id)}
            >
              {c.name}
              {c.kind === 'ultimate' && <span className="text-muted">, ultimate</span>}
            </button>
          ),
        },
        ...props.columns.map((head, i) => ({
          id: head,
          head,
          num: true,
          className: '!text-xs !whitespace-pre-line',
          cell: (c: (typeof props.cases)[number]) => props.figures(c)[i],
        })),
      ]}
    />
  );
}
