import { useEffect, useRef, useState } from 'react';
import { answer, api, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';
import { usePerson } from '../../records/useRecords';

interface Row {
  t: number;
  values: Record<string, number | null>;
  status: Record<string, string>;
}
const FAULTS = [
  'none',
  'dropout',
  'stuck',
  'wrong pulses',
  'open',
  'reversed',
  'offset',
  'zero shift',
  'noise',
  'multipath',
];
const UNITS: Record<string, [string, (si: number) => number]> = {
  rpm: ['rpm', (v) => (v * 30) / Math.PI],
  coolant: ['°C', (v) => v - 273.15],
  oil_temp: ['°C', (v) => v - 273.15],
  oil_pressure: ['kPa', (v) => v / 1000],
  volts: ['V', (v) => v],
  speed: ['m/s', (v) => v],
};

/** A run-up from a stand that is not there: to try the bench, and to see what a bad sensor looks like. */
export function Simulated(props: { card: string }) {
  const { id, fit, view, happened } = useProject();
  const { id: unit } = useInstallation();
  const [person] = usePerson();
  const channels = useAssessed()?.prove?.channels ?? [];
  const [fault, setFault] = useState('none');
  const [at, setAt] = useState('coolant');
  const [rows, setRows] = useState<Row[]>([]);
  const [running, setRunning] = useState(false);
  const [said, say] = useState('');
  const source = useRef<EventSource | null>(null);
  useEffect(() => () => source.current?.close(), []);
  function start() {
    source.current?.close();
    setRows([]);
    setRunning(true);
    const stream = new EventSource(
      `/api/projects/${id}/instruments/stand?fault=${encodeURIComponent(fault)}&at=${at}&seed=7`,
    );
    source.current = stream;
    stream.onmessage = (e) => setRows((before) => [...before, JSON.parse(e.data) as Row]);
    stream.onerror = () => {
      stream.close();
      setRunning(false);
    };
  }
  async function keep() {
    const names = Object.keys(UNITS);
    const head = ['Time (s)', ...names.map((n) => `${n} (${UNITS[n]?.[0]})`)].join(';');
    const body = rows.map((r) =>
      [
        r.t,
        ...names.map((n) =>
          r.values[n] == null ? '' : String(Math.round((UNITS[n]?.[1](r.values[n] as number) ?? 0) * 1000) / 1000),
        ),
      ].join(';'),
    );
    try {
      await happened(
        async () =>
          answer(
            await api.POST('/api/projects/{project_id}/logs', {
              params: { path: { project_id: id }, query: { fit } },
              body: {
                log: {
                  text: [head, ...body].join('\n'),
                  decimal: 'point',
                  time: null,
                  without_sum: false,
                  choices: names.map((n) => ({
                    head: `${n} (${UNITS[n]?.[0]})`,
                    channel: n,
                    unit: UNITS[n]?.[0] ?? '',
                  })),
                },
                name: 'simulated run-up',
                by: person,
                fit: fit ?? '',
                unit: unit || null,
                card: props.card,
                on: '',
                simulated: true,
              },
            }),
          ),
        'simulated run kept',
      );
      say('Kept, marked simulated.');
    } catch (bad) {
      say(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  const last = rows.at(-1);
  return (
    <div className="pb-3">
      <p className="text-watch">
        A stand-in to learn on: whatever comes of it is marked simulated, passes no card and is compared with nothing.
      </p>
      <div className="my-1.5 flex flex-wrap items-center gap-3">
        <button type="button" className="btn btn-main" onClick={start}>
          {running ? 'Begin anew' : 'Run it up'}
        </button>
        <label>
          fault{' '}
          <select
            value={fault}
            className="border-b border-ink bg-transparent"
            onChange={(e) => setFault(e.target.value)}
          >
            {FAULTS.map((f) => (
              <option key={f}>{f}</option>
            ))}
          </select>
        </label>
        <label>
          of{' '}
          <select value={at} className="border-b border-ink bg-transparent" onChange={(e) => setAt(e.target.value)}>
            {Object.keys(UNITS).map((c) => (
              <option key={c} value={c}>
                {channels.find((x) => x.key === c)?.words ?? c}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn" disabled={rows.length < 30 || !person} onClick={() => void keep()}>
          Keep it, marked
        </button>
        <span role="status">{said}</span>
      </div>
      {last && (
        <dl className="grid grid-cols-3 gap-x-6 min-[900px]:grid-cols-6" aria-label="the stand now">
          {Object.keys(UNITS).map((c) => (
            <div key={c}>
              <dt className="text-xs text-muted">{channels.find((x) => x.key === c)?.words ?? c}</dt>
              <dd className="figure text-[16px]">
                {last.values[c] == null
                  ? (last.status[c] ?? 'none')
                  : formatNumber(
                      last.values[c] as number,
                      channels.find((x) => x.key === c)?.dimension ?? 'number',
                      view,
                    )}
              </dd>
            </div>
          ))}
        </dl>
      )}
    </div>
  );
}
