import { useRef, useState } from 'react';
import { answer, api, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { Answers } from '../Answers';
import { BenchSheet } from '../BenchSheet';
import { Columns, Group, Strip } from '../Sheet';
import { useForms } from '../useForms';

/** The craft as it stands. */
export function CraftBench() {
  const { has } = useForms();
  return (
    <div className="bg-sheet pb-4">
      <Strip label="Answers">
        <Answers bench="craft" columns={3} />
      </Strip>
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
    <label className="block">
      Envelope: a line for each corner, station and mass, in order round the outline. It is used in place of forward and
      aft.
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
