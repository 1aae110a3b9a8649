import { useState } from 'react';
import { answer, api, type Operation } from '../../api/client';
import { useProject } from '../../api/project';
import { FileButton, wordsOf } from '../../parts/dialogs';
import { Fold } from '../../sheet/Sheet';
import { saveText } from '../../sheet/saveText';

interface Figure {
  entered: string;
}
type Row = Record<string, Figure>;

const COLUMNS = ['draft', 'displacement', 'lcb', 'lcf', 'km', 'km_long'] as const;

/** The designer's hydrostatics and the sections of the hull, pasted as they stand in the papers; each is replaced whole. */
export function HullFields() {
  return (
    <Fold title="Designer's table, or sections of the hull">
      <p className="text-muted">
        A table is used before sections, sections before the form estimate. Even keel, heights from the level line.
      </p>
      <TableField />
      <SectionsField />
    </Fold>
  );
}

/** A text that the server reads into an edit: replaced whole, taken out when left blank; what it says of it. */
function useWhole(pointer: string, stored: string, out: string) {
  const { edit } = useProject();
  const [said, setSaid] = useState<string | null>(null);
  async function take(text: string, read: () => Promise<{ operations: Record<string, unknown>[]; words: string }>) {
    if (text.trim() === stored.trim()) return;
    try {
      if (!text.trim()) {
        await edit([{ op: 'remove', path: pointer }], out);
        setSaid(null);
        return;
      }
      const { operations, words } = await read();
      await edit(operations as unknown as Operation[], words);
      setSaid(`${words} read.`);
    } catch (bad) {
      setSaid(wordsOf(bad));
    }
  }
  return { said, take };
}

function TableField() {
  const { id, at, units } = useProject();
  const rows = (at('/craft/flotation/table') ?? []) as Row[];
  const stored = rows.map((r) => COLUMNS.map((c) => r[c]?.entered ?? '').join('; ')).join('\n');
  const { said, take } = useWhole('/craft/flotation/table', stored, 'hydrostatic table taken out');
  const read = (text: string) => async () => {
    const params = { path: { project_id: id } };
    const found = answer(await api.POST('/api/projects/{project_id}/hydrostatics', { params, body: { text, units } }));
    return { operations: found.operations, words: `${found.drafts} drafts` };
  };
  return (
    <div className="mt-2">
      <label className="block">
        A line for each draft: draft over the canoe body, displacement, LCB, LCF, KM, longitudinal KM; tabs or
        semicolons. A heading may say the order and the units.
        <textarea
          key={stored}
          data-pointer="/craft/flotation/table"
          className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
          rows={Math.max(3, rows.length)}
          defaultValue={stored}
          placeholder={'0.50 m; 1900 kg; 3.70 m; 3.90 m; 1.90 m; 11.0 m'}
          onBlur={(e) => void take(e.target.value, read(e.target.value))}
        />
      </label>
      {said && <span role="status">{said}</span>}
    </div>
  );
}

interface Section {
  station: Figure;
  half: { out: Figure; height: Figure & { dir?: string } }[];
}

/** Sections as text: typed, pasted or from a file, read by the server, which names the line of what it cannot take. */
function SectionsField() {
  const { id, at, units } = useProject();
  const sections = (at('/craft/flotation/sections') ?? []) as Section[];
  const height = (h: Section['half'][number]['height']) => (h.dir === 'down' ? `-${h.entered}` : h.entered);
  const stored = sections
    .map((s) => [s.station.entered, ...s.half.map((p) => `${p.out.entered}, ${height(p.height)}`)].join('; '))
    .join('\n');
  const { said, take } = useWhole('/craft/flotation/sections', stored, 'sections taken out');
  const read = (text: string) => async () => {
    const params = { path: { project_id: id } };
    const found = answer(await api.POST('/api/projects/{project_id}/offsets', { params, body: { text, units } }));
    return { operations: found.operations, words: `${found.sections} sections` };
  };
  return (
    <div className="mt-2">
      <label className="block">
        A line for each section, bow first: its station, then out and height of each point from keel to deck edge, one
        side. Or a table with a line for each point: station, out, height.
        <textarea
          key={stored}
          data-pointer="/craft/flotation/sections"
          className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
          rows={Math.max(3, Math.min(12, sections.length))}
          defaultValue={stored}
          placeholder={'1200 mm; 0, -440; 700, -120; 900, 700'}
          onBlur={(e) => void take(e.target.value, read(e.target.value))}
        />
      </label>
      <div className="mt-1 flex items-center gap-4">
        <FileButton
          label="file of sections"
          accept=".csv,.txt,text/csv,text/plain"
          className="quiet"
          onFile={(file) => void file.text().then((text) => take(text, read(text)))}
        >
          read a CSV file
        </FileButton>
        {sections.length > 0 && (
          <button type="button" className="quiet" onClick={() => void give(id)}>
            save as CSV
          </button>
        )}
        {said && <span role="status">{said}</span>}
      </div>
    </div>
  );
}

async function give(id: string) {
  const params = { path: { project_id: id } };
  const reply = answer(await api.GET('/api/projects/{project_id}/exports/offsets', { params }));
  saveText(reply.text, 'sections.csv');
}
