import { useEffect, useState } from 'react';
import type { Finding, Installation } from '../../api/client';
import { useProject, useShown } from '../../api/project';
import { workshop } from '../../api/route';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import { answerOf, formatNumber, sentence } from '../../figure/format';
import { COLOURS, WORDS } from '../../findings/Mark';
import { onReveal } from '../../parts/reveal';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Fold, Picture, Strip, UnitTabs } from '../../sheet/Sheet';
import { Contactors } from './Contactors';
import { Joints } from './Joints';
import { LANES, type Lane, laneAt, laneOf, laneOfBlock, worst } from './lanes';
import { OilTanks } from './OilTanks';
import { OneLost } from './OneLost';
import { Stroke } from './Stroke';
import { type Level, type Measure, Walk } from './Walk';
import { Wires } from './Wires';

type Systems = NonNullable<Installation['systems']>;
/** The headline answers of each lane. */
const ANSWERS: Partial<Record<Lane, string[]>> = {
  cooling: ['settles'],
  oil: ['pickup'],
  exhaust: ['back-pressure', 'injection'],
  induction: ['air', 'charge'],
  fuel: ['fuel-lasts'],
  current: ['demand'],
  voltage: ['isolation', 'precharge', 'discharge'],
};

/** What surrounds the unit: lanes from their source to their end, and a walk along the one that is open. */
export function SystemsBench() {
  const { pointer, electric, id, all } = useInstallation();
  const { state, view } = useProject();
  const out = useAssessed()?.systems;
  const { shown } = useShown();
  const { finding } = workshop.useSearch();
  const [picked, setPicked] = useState<Lane | null>(null);
  const of = (f: Finding) =>
    f.bench === 'systems' && (all.length < 2 || !f.key.includes('@') || f.key.endsWith(`@${id}`));
  const findings = shown.findings.filter(of);
  const opened = state.assessment.findings.find((f) => f.key === finding);
  const asked = opened ? laneOf(opened) : null;
  // A finding that is opened opens its lane; a lane that is picked stays until another finding is.
  useEffect(() => {
    if (asked) setPicked(asked);
  }, [asked]);
  useEffect(
    () =>
      onReveal((wanted) => {
        const lane = laneAt(wanted);
        if (lane) setPicked(lane);
        return lane !== null;
      }),
    [],
  );
  if (!pointer || !out) return <p className="p-4">Pick a fit: what surrounds the old unit goes out with it.</p>;
  const lanes: Lane[] = [
    ...(out.lanes as Lane[]),
    ...(electric && out.pack_si != null ? (['voltage'] as Lane[]) : []),
    'reach',
    ...(out.joints.length > 0 ? (['joints'] as Lane[]) : []),
  ];
  const first = worst(findings.filter((f) => lanes.includes(laneOf(f) as Lane)));
  const open: Lane = picked && lanes.includes(picked) ? picked : ((first && laneOf(first)) ?? lanes[0] ?? 'cooling');
  return (
    <div className="bg-sheet pb-4">
      <UnitTabs />
      {out.pack_si != null && (
        <p className="border-b border-rule px-4 py-1.5">
          <b className="text-stop">Above 60 V direct current ({formatNumber(out.pack_si, 'voltage', view)} here): </b>
          isolate, lock, wait, prove dead; two people, and only those licensed for it.
        </p>
      )}
      <Lanes lanes={lanes} open={open} findings={findings} onOpen={setPicked} />
      <Picture title={titleOf(open)}>
        <Open lane={open} out={out} findings={findings} />
      </Picture>
      {ANSWERS[open] && (
        <Strip label="Answers">
          <Answers bench="systems" columns={3} only={(v) => ANSWERS[open]?.includes(v.split('@')[0] ?? '') ?? false} />
        </Strip>
      )}
      {open === 'joints' ? (
        <Joints />
      ) : (
        <BenchSheet key={open} bench="systems" only={(block) => laneOfBlock(block) === open} />
      )}
      {open === 'current' && (
        <div className="px-4">
          <Fold title="Each part lost in turn">
            <OneLost />
          </Fold>
        </div>
      )}
      {open === 'voltage' && (
        <div className="px-4">
          <Fold title="Drive the contactors">
            <Contactors />
          </Fold>
        </div>
      )}
    </div>
  );
}

function titleOf(lane: Lane): string {
  const titles: Record<Lane, string> = {
    cooling: 'Cooling, from the outlet of the unit round',
    water: 'Sea water, from its cock',
    oil: 'Oil as it lies',
    exhaust: 'Exhaust, from the outlet',
    induction: 'Induction',
    fuel: 'Fuel, from its tank',
    current: 'Wires, by their limits',
    voltage: 'High voltage',
    reach: 'What must be reached with the unit in place',
    joints: 'Joints, old to new',
  };
  return titles[lane];
}

/** Every lane lying down: straight, bowed, broken or dotted like the keel, with what matters most of it. */
function Lanes(props: { lanes: Lane[]; open: Lane; findings: Finding[]; onOpen: (lane: Lane) => void }) {
  const { view } = useProject();
  const { shown } = useShown();
  const { id } = useInstallation();
  /** Of a lane that is ok its first answer; of another what is worst. */
  const said = (lane: Lane, most: Finding | null) => {
    if (!most) return 'nothing judged';
    if (most.level !== 'ok') return sentence(most.title, view);
    const first = `systems.${ANSWERS[lane]?.[0]}`;
    const value = shown.values.find((v) => v.id === first || v.id === `${first}@${id}`);
    const [, now] = value ? answerOf(value, view) : [null, null];
    return value && now ? `${value.label}: ${now}` : 'nothing stands out';
  };
  return (
    <section aria-label="Lanes" className="border-b border-ink px-4 py-2">
      <ul>
        {props.lanes.map((lane) => {
          const own = props.findings.filter((f) => laneOf(f) === lane);
          const most = worst(own);
          return (
            <li key={lane}>
              <button
                type="button"
                data-lane={lane}
                data-level={most?.level ?? 'none'}
                aria-pressed={lane === props.open}
                aria-label={`${LANES[lane]}: ${most ? WORDS[most.level] : 'nothing judged'}`}
                className="grid min-h-6 w-full cursor-pointer grid-cols-[7.5rem_1fr_19rem] items-center gap-x-4 text-left hover:bg-tray"
                onClick={() => props.onOpen(lane)}
              >
                <span
                  className={`head text-[15px] ${lane === props.open ? 'text-act underline underline-offset-4' : ''}`}
                >
                  {LANES[lane]}
                </span>
                <Stroke level={most?.level ?? null} />
                <span className="figure truncate text-xs text-muted" style={{ color: toneOf(most) }}>
                  {said(lane, most)}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function toneOf(f: Finding | null): string | undefined {
  return f && f.level !== 'ok' ? COLOURS[f.level] : undefined;
}

/** The lane that is open, drawn. */
function Open(props: { lane: Lane; out: Systems; findings: Finding[] }) {
  const { lane, out } = props;
  const { view } = useProject();
  if (lane === 'oil') return <OilTanks tanks={out.tanks} />;
  if (lane === 'current') return <Wires wires={out.wires} />;
  if (lane === 'voltage')
    return (
      <p className="px-4 pb-3 text-muted">
        Both poles are measured to the frame, the larger first, then that one again with a known resistor across it: by
        a qualified person, with a meter of 10 MΩ or more.
      </p>
    );
  if (lane === 'reach')
    return (
      <p className="px-4 pb-3 text-muted">
        {out.needed.length > 0
          ? `Nobody spoke of: ${out.needed.join(', ')}.`
          : 'All that is usually reached is spoken of.'}{' '}
        Try it with the hands that will do it, the unit in place or its cardboard.
      </p>
    );
  if (lane === 'joints' || lane === 'induction')
    return (
      <p className="px-4 pb-3 text-muted">
        {lane === 'joints'
          ? 'Hardly anything of the old fits the new. Kept, adapted, replaced or made: decide each.'
          : 'Cold air in, through a filter that is large enough, and nothing loose ahead of it.'}
      </p>
    );
  const levels: Level[] = [];
  let measure: Measure | null = null;
  if (lane === 'exhaust') {
    levels.push(...out.waters.map((w, i) => ({ name: w.name, height: w.height_si, water: i === 0, dashed: i > 0 })));
    const heeled = out.waters[1];
    if (out.injection_si != null && out.clearance_si != null && heeled) {
      const bad = props.findings.find((f) => f.rule === 'systems.exhaust-injection');
      const at = out.exhaust.findIndex(
        (p) => p.height_si != null && Math.abs(p.height_si - (out.injection_si ?? 0)) < 0.002,
      );
      measure = {
        at: at >= 0 ? at : 1,
        from: out.injection_si,
        to: heeled.height_si,
        words: `water goes in, ${formatNumber(Math.abs(out.clearance_si), 'length', view)} ${out.clearance_si < 0 ? 'under' : 'over'}`,
        tone: COLOURS[bad?.level ?? 'unknown'],
      };
    }
  }
  if (lane === 'cooling' && out.header) levels.push({ name: 'header', height: out.header.height_si, dashed: true });
  if (lane === 'water' && out.waters[0])
    levels.push({ name: out.waters[0].name, height: out.waters[0].height_si, water: true });
  return <Walk points={out[lane]} levels={levels} measure={measure} label={`${LANES[lane]}, part by part`} />;
}
