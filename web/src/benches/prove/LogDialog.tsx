import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { answer, api, type ReadLog, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useAssessed } from '../../api/useInstallation';
import { usePerson } from '../../records/useRecords';

interface Said {
  channel: string | null;
  unit: string;
}

/** A log of a run: looked at first, with what must be said of it, then kept. */
export function LogDialog(props: { card: string; unit: string }) {
  const { id, fit, happened } = useProject();
  const [person] = usePerson();
  const channels = useAssessed()?.prove?.channels ?? [];
  const [text, setText] = useState('');
  const [name, setName] = useState('');
  const [look, setLook] = useState<ReadLog | null>(null);
  const [decimal, setDecimal] = useState<'point' | 'comma' | null>(null);
  const [said, setSaid] = useState<Record<string, Said>>({});
  const [bare, setBare] = useState(false);
  const [wrong, setWrong] = useState('');
  const [progress, setProgress] = useState<number | null>(null);
  const [open, setOpen] = useState(false);
  const asked = useRef(0);
  const log = (choices = said, mark = decimal, without = bare, whole = text) => ({
    text: whole,
    decimal: mark,
    time: null,
    without_sum: without,
    choices: Object.entries(choices).map(([head, c]) => ({ head, channel: c.channel, unit: c.unit })),
  });
  async function ask(of: ReturnType<typeof log>) {
    // Answers may come out of their order: the last question counts.
    const mine = ++asked.current;
    setProgress(0.6);
    try {
      const found = answer(await api.POST('/api/logs/look', { body: of }));
      if (mine !== asked.current) return;
      setLook(found);
      setWrong('');
    } catch (bad) {
      if (mine !== asked.current) return;
      setWrong(bad instanceof Refused ? bad.words : String(bad));
      if (bad instanceof Refused && bad.problem.pointer === '/without_sum') setBare(false);
    }
    setProgress(null);
  }
  async function read(file: File) {
    setName(file.name.slice(0, 120));
    setSaid({});
    setDecimal(null);
    setLook(null);
    if (file.size > 8_400_000) {
      setWrong(
        `The file has ${Math.round(file.size / 1e6)} MB; up to 8 MB are read. Thin it, or cut the run out of it.`,
      );
      return;
    }
    setProgress(0.1);
    const whole = await file.text();
    setText(whole);
    await ask(log({}, null, false, whole));
  }
  async function keep() {
    setProgress(0.5);
    try {
      await happened(
        async () =>
          answer(
            await api.POST('/api/projects/{project_id}/logs', {
              params: { path: { project_id: id }, query: { fit } },
              body: {
                log: log(),
                name,
                by: person,
                fit: fit ?? '',
                unit: props.unit || null,
                card: props.card,
                on: '',
                simulated: false,
              },
            }),
          ),
        `log: ${name}`,
      );
      setOpen(false);
      setLook(null);
      setText('');
    } catch (bad) {
      setWrong(bad instanceof Refused ? bad.words : String(bad));
    }
    setProgress(null);
  }
  function choose(head: string, change: Partial<Said>) {
    const before = said[head] ?? {
      channel: look?.heads.find((h) => h.head === head)?.channel ?? null,
      unit: look?.heads.find((h) => h.head === head)?.unit ?? '',
    };
    const next = { ...said, [head]: { ...before, ...change } };
    setSaid(next);
    void ask(log(next));
  }
  const asks = look?.heads.filter((h) => h.ask).length ?? 0;
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="btn">A log of a run</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed left-1/2 top-16 z-30 max-h-[85vh] w-[44rem] -translate-x-1/2 overflow-y-auto border border-ink bg-sheet p-5 shadow-lg">
          <Dialog.Title className="text-[21px]">A log of a run</Dialog.Title>
          <Dialog.Description className="mb-2 text-muted">
            CSV with units in its heads, as Oil (°C); GPX 1.1; NMEA 0183. Blank is not nought: it is left out. Rows that
            cannot be right are kept and flagged.
          </Dialog.Description>
          <input
            type="file"
            aria-label="file of the log"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void read(file);
            }}
          />
          {progress !== null && <progress className="ml-2 w-40 align-middle" value={progress} aria-label="reading" />}
          {wrong && (
            <p role="alert" className="mt-2 text-stop">
              {wrong}
              {wrong.startsWith('no sentence has a checksum') && (
                <button
                  type="button"
                  className="btn ml-2"
                  onClick={() => {
                    setBare(true);
                    void ask(log(said, decimal, true));
                  }}
                >
                  take them as they are
                </button>
              )}
            </p>
          )}
          {look && (
            <>
              <p className="mt-2">
                <b className="head">{look.source.toUpperCase()}</b>, {look.rows} rows, time: {look.time ?? 'none'}.{' '}
                {look.source === 'csv' && (
                  <label className={look.certain ? '' : 'text-watch'}>
                    Decimal mark{look.certain ? '' : ', which cannot be told'}:{' '}
                    <select
                      value={decimal ?? (look.certain ? look.decimal : '')}
                      className="border-b border-ink bg-transparent"
                      onChange={(e) => {
                        const mark = e.target.value as 'point' | 'comma';
                        setDecimal(mark);
                        void ask(log(said, mark));
                      }}
                    >
                      {!look.certain && <option value="">say which</option>}
                      <option value="point">point</option>
                      <option value="comma">comma</option>
                    </select>
                  </label>
                )}
              </p>
              <table className="row-table mt-1" aria-label="heads of the log">
                <thead>
                  <tr>
                    <th className="w-full">head</th>
                    <th>is</th>
                    <th>unit</th>
                    <th>first rows</th>
                  </tr>
                </thead>
                <tbody>
                  {look.heads.map((h) => (
                    <tr key={h.head}>
                      <td>
                        {h.head}
                        {h.ask && <div className="text-xs text-watch">{h.ask}</div>}
                      </td>
                      <td>
                        <select
                          aria-label={`${h.head} is`}
                          value={h.channel ?? ''}
                          disabled={look.source !== 'csv'}
                          className="border-b border-rule bg-transparent"
                          onChange={(e) => choose(h.head, { channel: e.target.value || null })}
                        >
                          <option value="">left out</option>
                          {channels.map((c) => (
                            <option key={c.key} value={c.key}>
                              {c.words}
                            </option>
                          ))}
                        </select>
                      </td>
                      <td>
                        <input
                          aria-label={`${h.head}, unit`}
                          defaultValue={h.unit}
                          disabled={look.source !== 'csv'}
                          className="w-16 border-b border-rule bg-transparent"
                          onBlur={(e) => {
                            if (e.target.value !== h.unit) choose(h.head, { unit: e.target.value });
                          }}
                        />
                      </td>
                      <td className="figure whitespace-nowrap text-xs text-muted">{h.sample}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {look.flags.slice(0, 4).map((f) => (
                <p key={f} className="text-xs text-watch">
                  {f}
                </p>
              ))}
              <div className="mt-3 flex items-center justify-end gap-2">
                {asks > 0 && <span className="text-watch">{asks} heads want their unit, or are left out.</span>}
                {!person && <span className="text-watch">Say who you are first.</span>}
                <Dialog.Close className="btn">Not now</Dialog.Close>
                <button
                  type="button"
                  className="btn btn-main"
                  disabled={asks > 0 || !person}
                  onClick={() => void keep()}
                >
                  Keep it
                </button>
              </div>
            </>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
