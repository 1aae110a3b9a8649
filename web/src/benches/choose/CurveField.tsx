import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useSheet } from '../../api/sheet';
import { FileButton, wordsOf } from '../../parts/dialogs';
import { Fold } from '../../sheet/Sheet';

interface Point {
  speed: { entered: string; source?: string };
  torque?: { entered: string };
  power?: { entered: string };
}

/** The curve as it stands on the sheet, or from the file of a dynamometer; the server reads it and names the line that it cannot take. */
export function CurveField(props: { pointer: string }) {
  return (
    <Fold title="Curve, as on its sheet or from a dynamometer">
      <Field pointer={`${props.pointer}/unit/curve`} />
    </Fold>
  );
}

function Field(props: { pointer: string }) {
  const { at, edit, numberStyle, units } = useSheet();
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null);
  const points = (at(props.pointer) ?? []) as Point[];
  const stored = points
    .map((p) => [p.speed.entered, p.torque?.entered ?? '', p.power?.entered ?? ''].join('; ').replace(/(; )+$/, ''))
    .join('\n');
  // A curve that was measured stays so when a point of it is mended by hand.
  const known = points[0]?.speed.source === 'measured' ? 'measured' : 'maker';
  async function take(text: string, source: 'maker' | 'measured') {
    if (text.trim() === stored.trim()) return;
    try {
      if (!text.trim()) {
        await edit([{ op: 'remove', path: props.pointer }], 'curve taken out');
        setSaid(null);
        return;
      }
      const body = { text, units, number_style: numberStyle, source };
      const read = answer(await api.POST('/api/curves', { body }));
      await edit([{ op: stored ? 'replace' : 'add', path: props.pointer, value: read.points }], 'curve');
      const left = read.left_out.length > 0 ? ` Left out: ${read.left_out.join(', ')}.` : '';
      setSaid({ words: `${read.points.length} points read.${left}`, wrong: false });
    } catch (bad) {
      setSaid({ words: wordsOf(bad), wrong: true });
    }
  }
  return (
    <div className="mt-1">
      <label className="block">
        A line for each speed: speed; torque; power. Either of the two may be left out; where both stand they are
        checked against each other. A heading may say units.
        <textarea
          key={stored}
          data-pointer={props.pointer}
          aria-invalid={said?.wrong ?? false}
          className="figure mt-1 block w-full max-w-[30rem] border border-rule bg-sheet p-1 text-[13px]"
          rows={Math.min(14, Math.max(4, points.length))}
          defaultValue={stored}
          placeholder={'2500 rpm; 98 N·m\n5600 rpm; 117 N·m; 92 hp'}
          onBlur={(e) => void take(e.target.value, known)}
        />
      </label>
      <div className="mt-1 flex items-baseline gap-4">
        <FileButton
          label="dynamometer file"
          accept=".csv,.txt,text/csv,text/plain"
          className="quiet"
          onFile={(file) => void file.text().then((text) => take(text, 'measured'))}
        >
          read a dynamometer's CSV file
        </FileButton>
        {said && (
          <span role={said.wrong ? 'alert' : 'status'} className={said.wrong ? 'text-stop' : ''}>
            {said.words}
          </span>
        )}
      </div>
    </div>
  );
}
