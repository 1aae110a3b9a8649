import { useProject } from '../../api/project';
import { ThrustView } from '../../drawing/ThrustView';
import { FigureField, type StoredFigure } from '../../figure/FigureField';
import { formatNumber } from '../../figure/format';
import { ChoiceField, Collection } from '../../figure/forms';
import { Answers } from '../Answers';
import { Columns, Group, Picture, Strip } from '../Sheet';
import { useInstallation } from '../useInstallation';

/** Thrust line: the flange is held, everything else follows. */
export function AlignBench() {
  const { pointer } = useInstallation();
  const { shown, view, at } = useProject();
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  const angle = (part: string) => (at(`${pointer}/placement/${part}`) as StoredFigure | undefined)?.si ?? null;
  const a = shown.align;
  const said = (si: number | null | undefined) => (si == null ? '?' : formatNumber(si, 'length', view));
  return (
    <div className="bg-sheet">
      <Picture title="Thrust line, the output flange held">
        <div className="grid min-[900px]:grid-cols-2">
          <ThrustView plan={false} angle={angle('down')} shift={a?.rear_up_si ?? null} />
          <ThrustView plan angle={angle('right')} shift={a?.rear_port_si ?? null} />
        </div>
      </Picture>
      <Strip label="Answers">
        <Answers bench="align" columns={4} only={['firewall-distance', 'rear-up', 'rear-port', 'rear-clearance']} />
      </Strip>
      <Columns>
        <Group title="Thrust line" hint="The flange stays where it is; the rear of the unit moves.">
          <FigureField pointer={`${pointer}/placement/down`} label="Down thrust" />
          <FigureField pointer={`${pointer}/placement/right`} label="Right thrust (left is negative)" />
          <FigureField pointer={`${pointer}/placement/flange_station`} label="Output flange, station" />
          <FigureField pointer={`${pointer}/placement/flange_butt_line`} label="Output flange, butt line" />
          <FigureField pointer={`${pointer}/placement/flange_water_line`} label="Output flange, height" />
          <FigureField pointer="/craft/references/firewall/station" label="Firewall" />
        </Group>
        <Group title="The unit, from its own flange">
          <FigureField pointer={`${pointer}/unit/length`} label="Length to its rear" />
          <FigureField pointer={`${pointer}/unit/rear_radius`} label="Radius of its rear" />
          <FigureField pointer={`${pointer}/unit/height`} label="Height" />
          <FigureField pointer={`${pointer}/unit/box_up`} label="Middle of the unit over its shaft" />
          <FigureField pointer={`${pointer}/unit/mass`} label="Mass" />
          <ChoiceField pointer={`${pointer}/unit/condition`} label="Weighed" />
          <FigureField pointer={`${pointer}/unit/cg_aft`} label="CG aft" />
          <FigureField pointer={`${pointer}/unit/cg_starboard`} label="CG sideways" />
          <FigureField pointer={`${pointer}/unit/cg_up`} label="CG height" />
        </Group>
      </Columns>
      <div className="px-4 pb-3">
        <section aria-label="Tubes" className="mb-4">
          <table className="row-table">
            <thead>
              <tr>
                <th scope="col" className="w-full !text-ink">
                  Mount points, turned
                </th>
                <th scope="col">station</th>
                <th scope="col">butt line</th>
                <th scope="col">water line</th>
                <th scope="col">to starboard</th>
                <th scope="col">up</th>
                <th scope="col">tube, centre to centre</th>
              </tr>
            </thead>
            <tbody>
              {a?.tubes.map((t) => (
                <tr key={t.id}>
                  <td>{t.name}</td>
                  <td className="num">{said(t.x_si)}</td>
                  <td className="num pl-4">{said(t.y_si)}</td>
                  <td className="num pl-4">{said(t.z_si)}</td>
                  <td className="num pl-4">{said(t.starboard_si)}</td>
                  <td className="num pl-4">{said(t.up_si)}</td>
                  <td className="num pl-4">
                    {t.straight_length_si != null && t.length_si != null && (
                      <span className="text-muted">{said(t.straight_length_si)} → </span>
                    )}
                    {said(t.length_si)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <Collection
          pointer={`${pointer}/mount/points`}
          title="Mount points"
          one="point"
          columns={[
            { key: 'unit_aft', label: 'aft' },
            { key: 'unit_starboard', label: 'sideways' },
            { key: 'unit_up', label: 'height' },
            { key: 'firewall_butt_line', label: 'firewall side' },
            { key: 'firewall_water_line', label: 'height' },
          ]}
        />
      </div>
    </div>
  );
}
