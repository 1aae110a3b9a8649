import { Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { Fold } from '../Sheet';

interface Point {
  speed: { entered: string };
  torque?: { entered: string };
  power?: { entered: string };
}

/** The curve as it stands on the sheet: a line for each speed; torque, power, or both. Replaced whole. */
export function CurveField(props: { pointer: string }) {
  return (
    <Fold title="Curve, as on its sheet">
      <Field pointer={`${props.pointer}/unit/curve`} />
    </Fold>
  );
}

function Field(props: { pointer: string }) {
  const { at, edit, say, view } = useProject();
  const points = (at(props.pointer) ?? []) as Point[];
  const stored = points
    .map((p) => [p.speed.entered, p.torque?.entered ?? '', p.power?.entered ?? ''].join('; ').replace(/(; )+$/, ''))
    .join('\n');
  const withUnit = (text: string, dimension: string) =>
    /^[\d.,\s]+$/.test(text.trim()) ? `${text.trim()} ${view[dimension]?.unit}` : text.trim();
  async function put(text: string) {
    if (text.trim() === stored.trim()) return;
    // A heading has no digits; a dynamometer's file may have one.
    const lines = text.split('\n').filter((l) => /\d/.test(l));
    const value = lines.map((line) => {
      const cells = line.split(/[;\t]|,(?=\s)|,(?=\d{2,}(?:[;,\t]|$))/).map((c) => c.trim());
      const given = { speed: cells[0] ?? '', torque: cells[1] ?? '', power: cells[2] ?? '' };
      return Object.fromEntries(
        Object.entries(given)
          .filter(([, v]) => v)
          .map(([k, v]) => [k, { entered: withUnit(v, k === 'speed' ? 'rotation' : k), source: 'maker' }]),
      );
    });
    try {
      await edit(
        lines.length
          ? [{ op: stored ? 'replace' : 'add', path: props.pointer, value }]
          : [{ op: 'remove', path: props.pointer }],
        'curve',
      );
      say(null);
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <label className="mt-1 block">
      A line for each speed: speed; torque; power. Either of the two may be left out; where both stand they are checked
      against each other.
      <textarea
        key={stored}
        data-pointer={props.pointer}
        className="figure mt-1 block w-full max-w-[30rem] border border-rule bg-sheet p-1 text-[13px]"
        rows={Math.max(4, points.length)}
        defaultValue={stored}
        placeholder={'2500 rpm; 98 N·m\n5600 rpm; 117 N·m; 92 hp'}
        onBlur={(e) => void put(e.target.value)}
      />
    </label>
  );
}
