import { useState } from 'react';
import { useProject } from '../../api/project';
import { MountView } from '../../drawing/MountView';
import { FigureField } from '../../figure/FigureField';
import { formatNumber } from '../../figure/format';
import { Collection } from '../../figure/forms';
import { Answers } from '../Answers';
import { Columns, Group, Picture, Strip } from '../Sheet';
import { useInstallation } from '../useInstallation';

/** Loads on the mount. */
export function MountBench() {
  const { pointer } = useInstallation();
  const { shown, view } = useProject();
  const [picked, setPicked] = useState('pull-up');
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  const cases = shown.mount?.cases ?? [];
  const said = (si: number | null | undefined) => (si == null ? '?' : formatNumber(si, 'force', view));
  return (
    <div className="bg-sheet">
      <Picture title="Points and load cases">
        <div className="grid min-[900px]:grid-cols-2">
          <MountView caseId={picked} />
          <div className="px-3 py-2">
            <table className="row-table" aria-label="Load cases">
              <thead>
                <tr>
                  <th scope="col" className="w-full">
                    case
                  </th>
                  <th scope="col">n fore, side, up</th>
                  <th scope="col">worst point</th>
                </tr>
              </thead>
              <tbody>
                {cases.map((c) => (
                  <tr key={c.id} className={c.id === picked ? 'bg-tray' : ''}>
                    <td>
                      <button
                        type="button"
                        className="min-h-6 w-full cursor-pointer text-left"
                        aria-pressed={c.id === picked}
                        title={c.source}
                        onClick={() => setPicked(c.id)}
                      >
                        {c.name}
                        {c.kind === 'ultimate' && <span className="text-muted">, ultimate</span>}
                      </button>
                    </td>
                    <td className="num !text-xs">
                      {[c.n_x, c.n_y, c.n_z].map((n) => (n == null ? '?' : formatNumber(n, 'number', view))).join('  ')}
                    </td>
                    <td className="num !text-xs">{said(c.worst_si)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p className="mt-1 text-xs text-muted">
              {cases.find((c) => c.id === picked)?.source}. Load of the engine on its points. Limit loads; 1.5 is put on
              for reserve, ultimate rows stand as they are. n is what the craft feels.
            </p>
          </div>
        </div>
      </Picture>
      <Strip label="Answers">
        <Answers bench="mount" columns={3} />
      </Strip>
      <div className="px-4 pt-3">
        <section aria-label="Worst of all cases" className="mb-4">
          <table className="row-table">
            <thead>
              <tr>
                <th scope="col" className="w-full !text-ink">
                  Each point, worst of all cases
                </th>
                <th scope="col">pull</th>
                <th scope="col">push</th>
                <th scope="col">shear</th>
                <th scope="col">worst</th>
                <th scope="col">in</th>
                <th scope="col">reserve</th>
              </tr>
            </thead>
            <tbody>
              {shown.mount?.points.map((p) => (
                <tr key={p.id}>
                  <td>{p.name}</td>
                  <td className="num">{said(p.pull_si)}</td>
                  <td className="num pl-4">{said(p.push_si)}</td>
                  <td className="num pl-4">{said(p.shear_si)}</td>
                  <td className="num pl-4">{said(p.worst_si)}</td>
                  <td className="whitespace-nowrap pl-4 text-xs text-muted">{p.worst_case ?? 'cannot say yet'}</td>
                  <td className="num pl-4">{p.reserve == null ? '?' : formatNumber(p.reserve, 'number', view)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <Collection
          pointer={`${pointer}/mount/points`}
          title="Points on the unit, from its flange"
          one="point"
          columns={[
            { key: 'unit_aft', label: 'aft' },
            { key: 'unit_starboard', label: 'sideways' },
            { key: 'unit_up', label: 'height' },
            { key: 'stiffness_axial', label: 'stiff, axial' },
            { key: 'stiffness_radial', label: 'across' },
          ]}
        />
        <Collection
          pointer={`${pointer}/mount/points`}
          title="Points on the firewall"
          one="point"
          columns={[
            { key: 'firewall_butt_line', label: 'butt line' },
            { key: 'firewall_water_line', label: 'water line' },
            { key: 'strength', label: 'strength, ultimate' },
          ]}
        />
      </div>
      <Columns>
        <Group title="Mount and propeller">
          <FigureField pointer={`${pointer}/mount/mass`} label="Mass of the mount" />
          <FigureField pointer={`${pointer}/mount/thrust`} label="Greatest thrust" />
          <FigureField pointer={`${pointer}/propeller/inertia`} label="Polar inertia of the propeller" />
          <FigureField pointer={`${pointer}/mount/torque_factor`} label="Torque factor, if not by the table" />
        </Group>
        <Group title="Rates of turning" hint="Blank takes 1.0 rad/s in pitch and 2.5 rad/s in yaw.">
          <FigureField pointer="/assumptions/pitch_rate" label="Pitch rate" />
          <FigureField pointer="/assumptions/yaw_rate" label="Yaw rate" />
        </Group>
      </Columns>
    </div>
  );
}
