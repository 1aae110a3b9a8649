import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { FileButton, wordsOf } from '../../parts/dialogs';
import { saveText } from '../../sheet/saveText';

/** Rows of the ledger out to a file, in from one, or pasted from a spreadsheet. All come in, or none. */
export function LedgerFiles() {
  const { id, fit, state, say } = useProject();
  const queries = useQueryClient();
  const [pasting, setPasting] = useState(false);
  const words = fit ? 'this fit' : 'every fit';
  const ledger = fit ? `/fits/${fit}/ledger` : '/ledger';
  const params = { path: { project_id: id }, query: { fit: fit ?? 'none' } };

  async function taken(reply: Promise<unknown>) {
    try {
      await reply;
      await queries.invalidateQueries({ queryKey: ['project', id] });
      say(null);
      return true;
    } catch (bad) {
      say(wordsOf(bad));
      return false;
    }
  }
  const text = async (rows: string) =>
    answer(
      await api.POST('/api/projects/{project_id}/ledger', {
        params,
        body: { base: state.revision, ledger, text: rows },
      }),
    );
  const workbook = async (file: File) =>
    answer(
      await api.POST('/api/projects/{project_id}/ledger.xlsx', {
        params: { path: { project_id: id }, query: { fit: fit ?? 'none', base: state.revision, ledger } },
        body: file as never,
        bodySerializer: (body) => body as never,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    );
  async function take(file: File) {
    await taken(file.name.toLowerCase().endsWith('.xlsx') ? workbook(file) : file.text().then(text));
  }
  async function give() {
    const reply = answer(
      await api.GET('/api/projects/{project_id}/exports/ledger', {
        params: { path: { project_id: id }, query: { fit } },
      }),
    );
    saveText(reply.text, 'ledger.csv');
  }
  return (
    <div className="mb-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="text-muted">Rows of {words}:</span>
        <button type="button" className="quiet" onClick={() => void give()}>
          as CSV
        </button>
        <a
          className="quiet"
          href={`/api/projects/${id}/exports/ledger.xlsx${fit ? `?fit=${fit}` : ''}`}
          download="ledger.xlsx"
        >
          as a workbook
        </a>
        <FileButton
          label="ledger file"
          accept=".csv,.xlsx,text/csv"
          className="quiet"
          onFile={(file) => void take(file)}
        >
          read from CSV or workbook
        </FileButton>
        <button type="button" className="quiet" aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
          paste from a spreadsheet
        </button>
      </div>
      {pasting && (
        <form
          className="mt-1"
          onSubmit={(e) => {
            e.preventDefault();
            const rows = String(new FormData(e.currentTarget).get('rows') ?? '');
            void taken(text(rows)).then((done) => done && setPasting(false));
          }}
        >
          <textarea
            name="rows"
            aria-label="rows to paste"
            className="figure block w-full border border-rule bg-sheet p-1 text-[13px]"
            rows={5}
            placeholder={'kind\tname\tmass (kg)\tstation (mm)\ninstalled\tCooler\t4.2\t-310'}
          />
          <p className="text-xs text-muted">
            With its heading: kind, name, mass, and what else there is. Units in the heading or with the figures; lines
            of totals are left out.
          </p>
          <button type="submit" className="btn mt-1">
            Take the rows
          </button>
        </form>
      )}
    </div>
  );
}
