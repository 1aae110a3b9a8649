import { Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { Fold } from '../Sheet';

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

function useWhole(pointer: string, stored: string, summary: string) {
  const { edit, say, view } = useProject();
  const withUnit = (text: string, dimension: string) =>
    /^[-\u2212]?[\d.,/\s]+$/.test(text.trim()) ? `${text.trim()} ${view[dimension]?.unit}` : text.trim();
  async function put(text: string, read: (lines: string[]) => unknown) {
    if (text.trim() === stored.trim()) return;
    const lines = text.split('\n').filter((l) => l.trim());
    try {
      await edit(
        lines.length
          ? [{ op: stored ? 'replace' : 'add', path: pointer, value: read(lines) }]
          : [{ op: 'remove', path: pointer }],
        summary,
      );
      say(null);
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return { put, withUnit };
}

function TableField() {
  const { at } = useProject();
  const rows = (at('/craft/flotation/table') ?? []) as Row[];
  const stored = rows.map((r) => COLUMNS.map((c) => r[c]?.entered ?? '').join('\t')).join('\n');
  const { put, withUnit } = useWhole('/craft/flotation/table', stored, 'hydrostatic table');
  const figure = (text: string, dimension: string) => ({ entered: withUnit(text, dimension), source: 'maker' });
  return (
    <label className="mt-2 block">
      A line for each draft: draft over the canoe body, displacement, LCB, LCF, KM, longitudinal KM; tabs or semicolons.
      <textarea
        key={stored}
        data-pointer="/craft/flotation/table"
        className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
        rows={Math.max(3, rows.length)}
        defaultValue={stored}
        placeholder={'0.50 m; 1900 kg; 3.70 m; 3.90 m; 1.90 m; 11.0 m'}
        onBlur={(e) =>
          void put(e.target.value, (lines) =>
            lines.map((line) => {
              const cells = line.split(/[;\t]/);
              return Object.fromEntries(
                COLUMNS.map((c, i) => [c, figure(cells[i] ?? '', c === 'displacement' ? 'mass' : 'length')]),
              );
            }),
          )
        }
      />
    </label>
  );
}

interface Section {
  station: Figure;
  half: { out: Figure; height: Figure & { dir?: string } }[];
}

function SectionsField() {
  const { at } = useProject();
  const sections = (at('/craft/flotation/sections') ?? []) as Section[];
  const height = (h: Section['half'][number]['height']) => (h.dir === 'down' ? `-${h.entered}` : h.entered);
  const stored = sections
    .map((s) => [s.station.entered, ...s.half.map((p) => `${p.out.entered}, ${height(p.height)}`)].join('; '))
    .join('\n');
  const { put, withUnit } = useWhole('/craft/flotation/sections', stored, 'sections of the hull');
  const figure = (text: string) => ({ entered: withUnit(text, 'length'), source: 'measured' });
  return (
    <label className="mt-2 block">
      A line for each section, bow first: its station, then out and height of each point from keel to deck edge, one
      side.
      <textarea
        key={stored}
        data-pointer="/craft/flotation/sections"
        className="figure mt-1 block w-full border border-rule bg-sheet p-1 text-[13px]"
        rows={Math.max(3, Math.min(12, sections.length))}
        defaultValue={stored}
        placeholder={'1200 mm; 0, -440; 700, -120; 900, 700'}
        onBlur={(e) =>
          void put(e.target.value, (lines) =>
            lines.map((line) => {
              const [station = '', ...points] = line.split(/[;\t]/);
              return {
                station: figure(station),
                half: points.map((p) => {
                  const [out = '', up = ''] = p.split(/,\s+|,(?=\s*-)|\s{2,}/);
                  return { out: figure(out), height: figure(up) };
                }),
              };
            }),
          )
        }
      />
    </label>
  );
}
