import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useProject } from '../../api/project';
import { useInstallation } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';

const STATES = ['OFF', 'SELF_TEST', 'PRECHARGE', 'ARMED', 'DRIVE', 'DISCHARGE', 'FAULT'] as const;
const SAID: Record<string, string> = {
  OFF: 'off',
  SELF_TEST: 'tests itself',
  PRECHARGE: 'pre-charge',
  ARMED: 'armed',
  DRIVE: 'drive',
  DISCHARGE: 'discharge',
  FAULT: 'fault',
};
/** What can be done to it, in groups: the event and its words. */
const DEEDS: { title: string; deeds: [string, string][] }[] = [
  {
    title: 'Key and test',
    deeds: [
      ['key_on', 'key on'],
      ['selftest_ok', 'test passed'],
      ['link_reaches_95pct_at_t', 'link fills in its time'],
      ['key_off', 'key off'],
      ['link_below_60v', 'link measured below 60 V'],
      ['ack', 'cause acknowledged'],
    ],
  },
  {
    title: 'Driving',
    deeds: [
      ['brake_on', 'brake on'],
      ['brake_off', 'brake off'],
      ['throttle_0pct', 'throttle at rest'],
      ['throttle_40pct', 'throttle 40 %'],
      ['request_drive', 'ask to drive'],
      ['disarm', 'disarm'],
      ['idle_300s', 'five idle minutes'],
    ],
  },
  {
    title: 'What goes wrong',
    deeds: [
      ['link_at_40pct_before_close', 'link full before closing'],
      ['link_reaches_95pct_at_0.01s', 'link fills at once'],
      ['link_reaches_95pct_at_60s', 'link does not fill'],
      ['interlock_open', 'a cover opened'],
      ['interlock_closed', 'cover shut'],
      ['isolation_50ohm_per_volt', 'a leak to the frame'],
      ['isolation_900ohm_per_volt', 'leak mended'],
      ['throttle_lost_1.2s', 'throttle wire broken'],
      ['emergency_stop', 'emergency stop'],
      ['emergency_stop_released', 'stop released'],
      ['charger_in', 'charger plugged in'],
      ['charger_out', 'charger out'],
      ['stand_down', 'stand down'],
      ['stand_up', 'stand up'],
    ],
  },
];

/** The contactors of the high-voltage circuit as a stand-in: pressed event by event, it says why it will not close. */
export function Contactors() {
  const { id, fit, state, view } = useProject();
  const { id: unit } = useInstallation();
  const [events, setEvents] = useState<string[]>([]);
  const found = useQuery({
    queryKey: ['contactors', id, fit, unit, state.revision, events],
    queryFn: async () =>
      answer(
        await api.POST('/api/projects/{project_id}/studies/contactors', {
          params: { path: { project_id: id }, query: { fit: fit ?? 'none', unit } },
          body: { events },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const m = found.data;
  const press = (event: string) => {
    const real =
      event === 'link_reaches_95pct_at_t'
        ? `link_reaches_95pct_at_${Math.round((m?.t95_si ?? 0.6) * 1e4) / 1e4}s`
        : event;
    setEvents((before) => [...before, real].slice(-200));
  };
  if (!m) return <p className="px-4 pb-3 text-muted">Asking…</p>;
  return (
    <div className="px-4 pb-3">
      <p className="text-stop">
        A stand-in to think with, no controller: nothing here proves a real circuit dead. A real one is independent,
        tested and signed for by people licensed for it.
      </p>
      <ol className="my-2 flex gap-2" aria-label="states">
        {STATES.map((s) => (
          <li
            key={s}
            aria-current={m.state === s ? 'step' : undefined}
            className={`head flex-1 border px-2 py-1 text-center ${
              m.state === s
                ? s === 'FAULT'
                  ? 'border-stop bg-stop text-white'
                  : 'border-act bg-act text-white'
                : 'border-rule text-muted'
            }`}
          >
            {SAID[s]}
          </li>
        ))}
      </ol>
      <p role="status">
        {m.refused && m.state !== 'FAULT' && <b>It refuses: {m.refused}. </b>}
        {m.cause && <b className="first-letter:uppercase">{m.cause}. </b>}
        {m.why} {m.torque_zero ? 'The motor gets nothing.' : 'The motor follows the throttle.'}
        {m.alarm && <span className="text-watch"> Alarm: {m.alarm}.</span>}
      </p>
      <p className="text-xs text-muted">
        Link at 95 % after {formatNumber(m.t95_si ?? 0, 'short_time', view)}
        {m.taken && '; figures of the circuit that are not entered are taken as usual ones'}
      </p>
      <div className="mt-2 grid gap-x-6 gap-y-2 min-[900px]:grid-cols-3">
        {DEEDS.map((group) => (
          <div key={group.title}>
            <h3 className="border-b border-rule text-[13px] text-muted">{group.title}</h3>
            <div className="flex flex-wrap gap-1.5 pt-1.5">
              {group.deeds.map(([event, words]) => (
                <button key={event} type="button" className="btn" onClick={() => press(event)}>
                  {words}
                </button>
              ))}
            </div>
          </div>
        ))}
      </div>
      <div className="mt-2 flex items-baseline gap-3">
        <p className="flex-1 text-xs text-muted" data-said>
          {(m.said ?? []).slice(-4).map(words).join(' · ')}
        </p>
        {events.length > 0 && (
          <button type="button" className="quiet" onClick={() => setEvents([])}>
            begin anew
          </button>
        )}
      </div>
    </div>
  );
}

/** A line of what happened with its states in words. */
function words(line: string): string {
  let said = line.replace(/^([a-z0-9_.]+):/, (_, event: string) => {
    const known = DEEDS.flatMap((g) => g.deeds).find(([e]) => e === event)?.[1];
    return `${known ?? (event.startsWith('link_reaches') ? 'link fills in its time' : event)}:`;
  });
  for (const s of STATES) said = said.replaceAll(s, SAID[s] ?? s);
  return said;
}
