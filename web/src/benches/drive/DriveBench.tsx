import { Train } from '../../drawing/Train';
import { FigureField } from '../../figure/FigureField';
import { ChoiceField, Collection, TextField } from '../../figure/forms';
import { Answers } from '../Answers';
import { Columns, Group, Picture, Strip } from '../Sheet';
import { useInstallation } from '../useInstallation';

/** Reduction and propeller. */
export function DriveBench() {
  const { pointer } = useInstallation();
  if (!pointer) return <p className="p-4">No installation here yet.</p>;
  return (
    <div className="bg-sheet">
      <Picture title="Train and propeller, seen from the seat looking forward">
        <Train />
      </Picture>
      <Strip label="Answers">
        <Answers bench="drive" columns={3} />
      </Strip>
      <Columns>
        <Group title="Power unit">
          <TextField pointer={`${pointer}/unit/name`} label="Name" />
          <ChoiceField pointer={`${pointer}/unit/kind`} label="Kind" />
          <FigureField pointer={`${pointer}/unit/cylinders`} label="Cylinders" />
          <FigureField pointer={`${pointer}/unit/power`} label="Rated power" />
          <FigureField pointer={`${pointer}/unit/rated_speed`} label="Rated speed" />
          <ChoiceField pointer={`${pointer}/unit/turns`} label="Turns, seen from aft looking forward" />
        </Group>
        <Group title="Propeller">
          <FigureField pointer={`${pointer}/propeller/diameter`} label="Diameter" />
          <FigureField pointer={`${pointer}/propeller/blades`} label="Blades" />
          <ChoiceField pointer={`${pointer}/propeller/turns`} label="Made to turn, seen from aft" />
          <FigureField pointer={`${pointer}/propeller/mass`} label="Mass" />
          <FigureField pointer={`${pointer}/propeller/inertia`} label="Polar inertia" />
          <FigureField pointer={`${pointer}/propeller/spacer`} label="Spacer ahead of the flange" />
        </Group>
      </Columns>
      <div className="px-4">
        <Collection
          pointer={`${pointer}/drive/stages`}
          title="Stages, from the crank"
          one="stage"
          fresh={{ type: 'gear' }}
          columns={[
            { key: 'type', label: 'type', kind: 'choice' },
            { key: 'driver_teeth', label: 'driving' },
            { key: 'driven_teeth', label: 'driven' },
            { key: 'ratio', label: 'or ratio' },
            { key: 'turning', label: 'turning', kind: 'choice' },
            { key: 'offset_up', label: 'offset up' },
            { key: 'offset_starboard', label: 'sideways' },
          ]}
        />
      </div>
      <Columns>
        <Group title="Reduction as a whole">
          <FigureField pointer={`${pointer}/drive/mass`} label="Mass" />
          <FigureField pointer={`${pointer}/drive/cg_aft`} label="CG behind the output flange" />
          <FigureField pointer={`${pointer}/drive/length`} label="Unit flange to output flange" />
        </Group>
        <Group title="Limits you choose" hint="Blank takes the default that the finding names.">
          <FigureField pointer="/assumptions/tip_mach" label="Tip Mach allowed (0.80, 0.85, 0.90)" />
          <FigureField pointer="/assumptions/ground_clearance" label="Ground clearance wanted" />
        </Group>
      </Columns>
    </div>
  );
}
