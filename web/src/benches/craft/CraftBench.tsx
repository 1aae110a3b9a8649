import { useRef, useState } from 'react';
import { answer, api, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useForms } from '../../api/useForms';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Columns, Group, Strip } from '../../sheet/Sheet';
import { HullFields } from './HullFields';
import { Scales } from './Scales';

/** The craft as it stands. */
export function CraftBench() {
  const { has } = useForms();
  return (
    <div className="bg-sheet pb-4">
      <Strip label="Answers">
        <Answers bench="craft" columns={3} />
      </Strip>
      {has('scales') && (
        <div className="px-4 pt-3">
          <Scales />
        </div>
      )}
      {has('afloat') && (
        <div className="px-4 pt-3">
          <HullFields />
        </div>
      )}
      <BenchSheet bench="craft" />
      <Columns>
        <WeightSheet />
        {has('cg limits') && <EnvelopeField />}
      </Columns>
    </div>
  );
}

/** An old weight sheet, typed or pasted as it stands: its total becomes the report. */
function WeightSheet() {
  const { id, state, edit, say } = useProject();
  const [said, setSaid] = useState<string | null>(null);
  const box = useRef<HTMLTextAreaElement>(null);
  async function take() {
    try {
      const reply = answer(
        await api.POST('/api/projects/{project_id}/weight-sheet', {
          params: { path: { project_id: id } },
          body: { text: box.current?.value ?? '', units: state.document.units as 'mm-kg' | 'in-lb' },
        }),
      );
      await edit(reply.operations as Parameters<typeof edit>[0], 'old weight sheet taken over');
      setSaid(`${reply.rows} rows. ${reply.note}`);
      say(null);
    } catch (bad) {
      setSaid(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <Group
      title="Old weight sheet, pasted as it stands"
      hint="A line for each row: name, weight, arm, moment. Units in the heading or with the figures; bare numbers take those of this project."
    >
      <textarea
        ref={box}
        aria-label="old weight sheet"
        className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
        rows={4}
        placeholder={'left main  171.3 kg  52 mm\nright main 173.9 kg  52 mm\ntail  24.6 kg  4950 mm'}
      />
      <div className="mt-1 flex items-center gap-3">
        <button type="button" className="btn" onClick={() => void take()}>
          Take it as the report
        </button>
        {said && <span role="status">{said}</span>}
      </div>
    </Group>
  );
}

interface Corner {
  station?: { entered: string };
  moment?: { entered: string };
  mass: { entered: string };
}

/** The envelope as lines of `station, mass` or `moment, mass`, as it was published; replaced whole. */
function EnvelopeField() {
  const { at, edit, view, say } = useProject();
  const corners = (at('/craft/limits/envelope') ?? []) as Corner[];
  const [picked, setPicked] = useState<'station' | 'moment' | null>(null);
  const space = picked ?? (corners.some((c) => c.moment) ? 'moment' : 'station');
  const stored = corners.map((c) => `${(c.station ?? c.moment)?.entered ?? ''}, ${c.mass.entered}`).join('\n');
  const withUnit = (text: string, dimension: string) =>
    /^[\s\d.,/-]+$/.test(text) ? `${text.trim()} ${view[dimension]?.unit}` : text.trim();
  async function commit(text: string) {
    if (text.trim() === stored) return;
    const lines = text.split('\n').filter((l) => l.trim());
    const value = lines.map((l) => {
      const [first = '', mass = ''] = l.split(/[;,\t]\s*/);
      return {
        [space]: { entered: withUnit(first, space === 'moment' ? 'mass_moment' : 'length'), source: 'maker' },
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
      setPicked(null);
    } catch (bad) {
      say(bad instanceof Error ? bad.message : String(bad));
    }
  }
  return (
    <div>
      <label className="flex items-baseline justify-between gap-2">
        Envelope, corners by
        <select
          className="border-b border-rule bg-transparent"
          value={space}
          onChange={(e) => setPicked(e.target.value as 'station' | 'moment')}
        >
          <option value="station">station and mass</option>
          <option value="moment">moment and mass</option>
        </select>
      </label>
      <label className="block">
        A line for each corner, in order round the outline, in the space in which it was published. It is used in place
        of forward and aft.
        <textarea
          key={stored}
          data-pointer="/craft/limits/envelope"
          className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
          rows={Math.max(3, corners.length)}
          defaultValue={stored}
          placeholder={space === 'moment' ? '188.1 kg·m, 330 kg' : '570 mm, 330 kg'}
          onBlur={(e) => void commit(e.target.value)}
        />
      </label>
    </div>
  );
}
