import { useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { answer, api, type Compared } from '../api/client';
import { useProject } from '../api/project';
import { directed, sentence } from '../figure/format';
import { Mark, WORDS } from '../findings/Mark';

/** Two states to lay side by side: an earlier revision and now, or this fit and another. */
export type Sides = { revision: number } | { other: string };

/** What was typed differently on either side, and what follows differently; to print. */
export function Differences(props: { sides: Sides | null; onClose: () => void }) {
  return (
    <Dialog.Root open={props.sides !== null} onOpenChange={(o) => !o && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed inset-x-4 top-12 z-30 mx-auto max-h-[86vh] max-w-[56rem] overflow-y-auto border border-ink bg-sheet p-5 shadow-lg">
          {props.sides && <Laid sides={props.sides} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Laid(props: { sides: Sides }) {
  const { id, fit, units, state } = useProject();
  const query = { fit: fit ?? 'none', ...props.sides };
  const found = useQuery({
    queryKey: ['differences', id, state.revision, query],
    queryFn: async () =>
      answer(await api.GET('/api/projects/{project_id}/differences', { params: { path: { project_id: id }, query } })),
    retry: false,
  });
  const c = found.data;
  const print = new URLSearchParams({
    ...Object.fromEntries(Object.entries(query).map(([k, v]) => [k, String(v)])),
    units,
  });
  return (
    <>
      <div className="flex items-baseline gap-4">
        <Dialog.Title className="flex-1 text-[19px]">
          {c ? `${c.before} beside ${c.after}` : 'Side by side'}
        </Dialog.Title>
        <a href={`/api/projects/${id}/differences/sheet?${print}`} target="_blank" rel="noreferrer">
          Print
        </a>
        <Dialog.Close className="quiet head">close</Dialog.Close>
      </div>
      <Dialog.Description className="text-muted">
        What follows differently, then what was typed differently.
      </Dialog.Description>
      {found.error && <p className="text-stop">{String(found.error)}</p>}
      {!c && !found.error && <p className="text-muted">Laying them side by side…</p>}
      {c && <Tables of={c} />}
    </>
  );
}

function Tables(props: { of: Compared }) {
  const { view } = useProject();
  const c = props.of;
  const head = (
    <thead>
      <tr className="text-left text-xs text-muted">
        <th className="w-[40%] font-normal" />
        <th className="w-[30%] font-normal">{c.before}</th>
        <th className="font-normal">{c.after}</th>
      </tr>
    </thead>
  );
  const said = (si: number | null | undefined, of: Compared['changed'][number]) =>
    si == null ? '—' : directed(si, of.dimension ?? 'number', view, of.ways);
  const level = (l: Compared['changed'][number]['before_level']) =>
    l ? (
      <span className="inline-flex items-center gap-1.5">
        <Mark level={l} /> {WORDS[l]}
      </span>
    ) : (
      '—'
    );
  return (
    <>
      <h3 className="mt-3 text-[15px]">
        {c.changed.length === 0 ? 'Nothing follows from it' : `What follows: ${c.changed.length}`}
      </h3>
      {c.changed.length > 0 && (
        <table className="row-table w-full" aria-label="what follows differently">
          {head}
          <tbody>
            {c.changed.map((f) => (
              <tr key={`${f.kind} ${f.id}`} className="border-t border-rule align-baseline">
                <td className="py-0.5 pr-3 first-letter:uppercase">{sentence(f.label, view)}</td>
                <td className="figure pr-3">{f.kind === 'finding' ? level(f.before_level) : said(f.before_si, f)}</td>
                <td className="figure">{f.kind === 'finding' ? level(f.after_level) : said(f.after_si, f)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h3 className="mt-3 text-[15px]">
        {c.figures.length === 0 ? 'No figure differs' : `Figures: ${c.figures.length}`}
      </h3>
      {c.figures.length > 0 && (
        <table className="row-table w-full" aria-label="figures that differ">
          {head}
          <tbody>
            {c.figures.map((f) => (
              <tr key={f.pointer} className="border-t border-rule align-baseline">
                <td className="py-0.5 pr-3 first-letter:uppercase">{f.label}</td>
                <td className="figure pr-3">{f.before ?? '—'}</td>
                <td className="figure">{f.after ?? '—'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
