import type { Ways } from '../../api/client';
import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import type { StoredFigure } from '../../figure/FigureField';
import { directed, formatNumber } from '../../figure/format';
import { Table } from '../../parts/Table';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Picture, Strip, UnitTabs } from '../../sheet/Sheet';
import { CouplingView } from './CouplingView';
import { SprocketView } from './SprocketView';
import { ThrustView } from './ThrustView';

/** Lines: thrust line, shaft line and coupling, sprockets and adapter, as the craft has them. */
export function AlignBench() {
  const { pointer } = useInstallation();
  const out = useAssessed();
  const { has } = useForms();
  const { at } = useProject();
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  const angle = (part: string) => (at(`${pointer}/placement/${part}`) as StoredFigure | undefined)?.si ?? null;
  const a = out?.align;
  return (
    <div className="bg-sheet pb-4">
      <UnitTabs />
      {has('thrust line') && (
        <Picture title="Thrust line, the output flange held">
          <div className="grid min-[900px]:grid-cols-2">
            <ThrustView plan={false} angle={angle('down')} shift={a?.far_up_si ?? null} side={a?.side ?? null} />
            <ThrustView plan angle={angle('right')} shift={a?.far_port_si ?? null} side={a?.side ?? null} />
          </div>
        </Picture>
      )}
      {has('coupling') && a?.coupling && (
        <Picture title="Coupling and feet">
          <CouplingView coupling={a.coupling} />
        </Picture>
      )}
      {has('sprockets') && a?.sprocket_angle != null && (
        <Picture title="Sprockets, from above">
          <SprocketView angle={a.sprocket_angle} offset={a.sprocket_offset_si ?? 0} />
        </Picture>
      )}
      <Strip label="Answers">
        <Answers bench="align" columns={4} only={(id) => !id.startsWith('tube-')} />
      </Strip>
      {has('thrust line') && <Tubes />}
      {has('coupling') && <Feet />}
      <BenchSheet bench="align" />
    </div>
  );
}

/** Mount points turned with the thrust line, and their tubes. */
function Tubes() {
  const out = useAssessed();
  const { view } = useProject();
  const said = (si: number | null | undefined) => (si == null ? '?' : formatNumber(si, 'length', view));
  const way = (si: number | null | undefined, over: string, under: string) =>
    si == null ? '?' : directed(si, 'length', view, { over, under });
  return (
    <section aria-label="Tubes" className="px-4 pt-3">
      <Table
        rows={out?.align?.tubes ?? []}
        id={(t) => t.id}
        columns={[
          { id: 'name', head: 'Mount points, turned', headClass: '!text-ink', cell: (t) => t.name },
          { id: 'station', head: 'station', num: true, cell: (t) => way(t.x_si, 'aft', 'fwd') },
          { id: 'butt', head: 'butt line', num: true, cell: (t) => way(t.y_si, 'stbd', 'port') },
          { id: 'water', head: 'water line', num: true, cell: (t) => way(t.z_si, 'up', 'down') },
          { id: 'sideways', head: 'moved sideways', num: true, cell: (t) => way(t.starboard_si, 'stbd', 'port') },
          { id: 'up', head: 'moved in height', num: true, cell: (t) => way(t.up_si, 'up', 'down') },
          {
            id: 'tube',
            head: 'tube, centre to centre',
            num: true,
            cell: (t) => (
              <>
                {t.straight_length_si != null && t.length_si != null && (
                  <span className="text-muted">{said(t.straight_length_si)} → </span>
                )}
                {said(t.length_si)}
              </>
            ),
          },
        ]}
      />
    </section>
  );
}

/** What each foot must do: in millimetres and thou, turns and flats. */
function Feet() {
  const out = useAssessed();
  const { reference, view } = useProject();
  const rows = out?.align?.coupling?.feet ?? [];
  if (!rows.some((f) => f.up_si != null || f.shim_si != null)) return null;
  const metric = reference.views['mm-kg'] as typeof view;
  const inch = reference.views['in-lb'] as typeof view;
  const both = (si: number, ways?: Ways) => (
    <>
      {directed(si, 'fine_length', metric, ways)}
      <div className="text-xs text-muted">{formatNumber(Math.abs(si), 'fine_length', inch)}</div>
    </>
  );
  const way = (si: number | null | undefined, over: string, under: string) =>
    si == null ? '?' : both(si, { over, under });
  const turned = (n: number | null | undefined, dimension: string) =>
    n == null ? '?' : directed(n, dimension, view, { over: 'up', under: 'down' });
  return (
    <section aria-label="Feet" className="px-4 pt-3">
      <Table
        rows={rows}
        id={(f) => f.id}
        columns={[
          {
            id: 'name',
            head: 'Feet, what each must do',
            headClass: '!text-ink',
            cell: (f) => (
              <>
                {f.name}
                {f.soft && <b className="head text-watch"> soft</b>}
              </>
            ),
          },
          { id: 'height', head: 'height', num: true, cell: (f) => way(f.up_si, 'up', 'down') },
          { id: 'turns', head: 'turns', num: true, cell: (f) => turned(f.turns, 'number') },
          { id: 'flats', head: 'whole flats', num: true, cell: (f) => turned(f.flats, 'count') },
          { id: 'sideways', head: 'sideways', num: true, cell: (f) => way(f.starboard_si, 'to stbd', 'to port') },
          { id: 'shim', head: 'shim', num: true, cell: (f) => (f.shim_si == null ? '?' : both(f.shim_si)) },
        ]}
      />
    </section>
  );
}
