import { useProject } from '../../api/project';
import { FigureField } from '../../figure/FigureField';
import { ChoiceField, Collection, TextField } from '../../figure/forms';
import { Answers } from '../Answers';
import { Columns, Group, Strip } from '../Sheet';

const PLACE = [
  { key: 'station', label: 'station' },
  { key: 'butt_line', label: 'butt line' },
  { key: 'water_line', label: 'water line' },
];

/** The craft as it stands. */
export function CraftBench() {
  const { at } = useProject();
  const method = at('/craft/as_found/method');
  const envelope = at('/craft/limits/envelope') as unknown[] | undefined;
  return (
    <div className="bg-sheet">
      <Strip label="Answers">
        <Answers bench="craft" columns={3} />
      </Strip>
      <Columns>
        <Group title="Datum and levelling">
          <TextField pointer="/name" label="Name" />
          <TextField pointer="/craft/description" label="What it is" />
          <TextField pointer="/craft/datum_note" label="Datum" />
          <TextField pointer="/craft/levelling_note" label="Levelled on" />
          <ChoiceField pointer="/craft/gear" label="Gear" />
          <ChoiceField pointer="/number_style" label="Decimal mark you write" />
        </Group>
        <Group title="As found">
          <ChoiceField pointer="/craft/as_found/method" label="Known by" />
          {method === 'report' && (
            <>
              <FigureField pointer="/craft/as_found/report_mass" label="Empty mass" />
              <FigureField pointer="/craft/as_found/report_station" label="Empty CG" />
              <FigureField pointer="/craft/as_found/report_butt_line" label="Butt line of the CG" />
            </>
          )}
          <FigureField pointer="/craft/as_found/water_line" label="Height of the CG" />
        </Group>
      </Columns>
      <div className="px-4">
        <Collection
          pointer="/craft/supports"
          title={method === 'report' ? 'Wheels' : 'Supports on scales'}
          one="support"
          fresh={{ role: 'main' }}
          columns={[
            { key: 'reading', label: 'reading' },
            { key: 'tare', label: 'tare' },
            ...PLACE.slice(0, 2),
            { key: 'water_line', label: 'ground' },
          ]}
        />
        <Collection
          pointer="/craft/as_found/corrections"
          title="Aboard or missing at the weighing"
          one="correction"
          fresh={{ action: 'remove' }}
          columns={[{ key: 'action', label: 'to empty', kind: 'choice' }, { key: 'mass', label: 'mass' }, ...PLACE]}
        />
        <Collection
          pointer="/craft/references"
          title="References to measure from"
          one="reference"
          columns={[
            { key: 'station', label: 'station' },
            { key: 'water_line', label: 'water line' },
          ]}
        />
      </div>
      <Columns>
        <Group
          title="Limits"
          hint={envelope ? 'An envelope is given; it is used in place of forward and aft.' : undefined}
        >
          <FigureField pointer="/craft/limits/forward" label="Forward CG limit" />
          <FigureField pointer="/craft/limits/aft" label="Aft CG limit" />
          <FigureField pointer="/craft/limits/gross" label="Gross mass" />
          <FigureField pointer="/craft/limits/port" label="Lateral limit, port" />
          <FigureField pointer="/craft/limits/starboard" label="Lateral limit, starboard" />
          <ChoiceField pointer="/craft/limits/category" label="Category, for load factors" />
          <EnvelopeField />
        </Group>
        <Group title="On the ground">
          <FigureField pointer="/craft/lowest_attitude" label="Steepest nose-down attitude" />
          <FigureField pointer="/craft/ballast_station" label="Where ballast may go" />
        </Group>
        <Group title="Outline, for the profile">
          <FigureField pointer="/craft/outline/nose" label="Nose" />
          <FigureField pointer="/craft/outline/tail" label="Tail end" />
          <FigureField pointer="/craft/outline/top" label="Top of the fuselage" />
          <FigureField pointer="/craft/outline/belly" label="Belly" />
          <FigureField pointer="/craft/outline/wing" label="Wing leading edge" />
          <FigureField pointer="/craft/outline/wing_chord" label="Wing chord" />
          <FigureField pointer="/craft/outline/wing_water_line" label="Height of the wing" />
          <FigureField pointer="/craft/outline/fin_top" label="Top of the fin" />
          <FigureField pointer="/craft/outline/wheel" label="Main wheel diameter" />
        </Group>
      </Columns>
      <div className="px-4 pb-4">
        <Collection
          pointer="/craft/tanks"
          title="Tanks"
          one="tank"
          columns={[{ key: 'capacity', label: 'usable' }, { key: 'density', label: 'density' }, ...PLACE]}
        />
        <Collection pointer="/craft/seats" title="Seats and baggage places" one="place" columns={PLACE} />
      </div>
    </div>
  );
}

interface Corner {
  station: { entered: string };
  mass: { entered: string };
}

/** The envelope as lines of `station, mass`; replaced whole. */
function EnvelopeField() {
  const { at, edit, view, say } = useProject();
  const corners = (at('/craft/limits/envelope') ?? []) as Corner[];
  const stored = corners.map((c) => `${c.station.entered}, ${c.mass.entered}`).join('\n');
  const withUnit = (text: string, dimension: string) =>
    /^[\s\d.,/-]+$/.test(text) ? `${text.trim()} ${view[dimension]?.unit}` : text.trim();
  async function commit(text: string) {
    if (text.trim() === stored) return;
    const lines = text.split('\n').filter((l) => l.trim());
    const value = lines.map((l) => {
      const [station = '', mass = ''] = l.split(/[;,\t]\s*/);
      return {
        station: { entered: withUnit(station, 'length'), source: 'maker' },
        mass: { entered: withUnit(mass, 'mass'), source: 'maker' },
      };
    });
    try {
      await edit(
        lines.length
          ? [{ op: stored ? 'replace' : 'add', path: '/craft/limits/envelope', value }]
          : [{ op: 'remove', path: '/craft/limits/envelope' }],
        'envelope',
      );
    } catch (bad) {
      say(bad instanceof Error ? bad.message : String(bad));
    }
  }
  return (
    <label className="mt-2 block">
      Envelope: a line for each corner, station and mass, in order round the outline
      <textarea
        key={stored}
        data-pointer="/craft/limits/envelope"
        className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
        rows={Math.max(3, corners.length)}
        defaultValue={stored}
        placeholder={'570 mm, 330 kg'}
        onBlur={(e) => void commit(e.target.value)}
      />
    </label>
  );
}
