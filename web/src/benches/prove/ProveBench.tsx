import { useEffect, useState } from 'react';
import { useProject, useShown } from '../../api/project';
import { workshop } from '../../api/route';
import { useAssessed, useInstallation } from '../../api/useInstallation';
import { onReveal } from '../../parts/reveal';
import { RecordList } from '../../records/RecordList';
import { useRecords } from '../../records/useRecords';
import { Who } from '../../records/Who';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Fold, Picture, Strip, UnitTabs } from '../../sheet/Sheet';
import { CardPanel } from './CardPanel';
import { CardTabs } from './CardTabs';
import { Ladder } from './Ladder';
import { LogDialog } from './LogDialog';
import { Promised } from './Promised';
import { SecondWeighing } from './SecondWeighing';
import { Simulated } from './Simulated';
import { Strips } from './Strips';

/** The first runs: cards in their order, what is read on them, and what was promised beside what was measured. */
export function ProveBench() {
  const { fit, state } = useProject();
  const { shown } = useShown();
  const { id: unit } = useInstallation();
  const { finding } = workshop.useSearch();
  const { all } = useRecords();
  const prove = useAssessed()?.prove;
  const [picked, setPicked] = useState<string | null>(null);
  const subject = state.assessment.findings
    .find((f) => f.key === finding && f.rule === 'prove.cards')
    ?.key.split('@')[0]
    ?.split(':')[1]
    ?.replace(/-early$/, '');
  useEffect(() => {
    if (subject && subject !== 'next') setPicked(subject);
  }, [subject]);
  useEffect(
    () =>
      onReveal((wanted) => {
        const card = wanted.match(/^\/records\/cards\/(.+)$/)?.[1];
        if (card) setPicked(card);
        const at = card
          ? `[data-card="${card}"]`
          : wanted.startsWith('/records/second-weighing')
            ? '[data-support]'
            : null;
        const found = at ? document.querySelector<HTMLElement>(at) : null;
        found?.scrollIntoView({ block: 'center' });
        found?.focus();
        return found !== null;
      }),
    [],
  );
  if (!fit || !prove) return <p className="p-4">Pick a fit: what a fit promised is proved on its first runs.</p>;
  const cards = prove.cards;
  const first = cards.find((c) => c.word !== 'passed') ?? cards.at(-1);
  const open = cards.find((c) => c.id === picked) ?? first;
  if (!open) return null;
  const readings = all.filter((r) => ['card', 'reading', 'log', 'second weighing'].includes(r.kind));
  const measured = prove.promises.some((p) => p.measured_si != null);
  return (
    <div className="bg-sheet pb-4">
      <UnitTabs />
      <CardTabs cards={cards} open={open.id} onOpen={setPicked} />
      <CardPanel key={open.id} card={open} channels={prove.channels} unit={unit} />
      {(prove.strips.length > 0 || measured) && (
        <Picture title="What was read">
          <div className="grid min-[900px]:grid-cols-[1fr_16rem]">
            <Ladder prove={prove} card={open.id} />
            <Strips strips={prove.strips} />
          </div>
        </Picture>
      )}
      <Promised promises={prove.promises} simulated={shown.findings.find((f) => f.rule === 'prove.simulated')} />
      <Strip label="Answers">
        <Answers bench="prove" columns={3} />
      </Strip>
      <section aria-label="Take in" className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-2">
        <h2 className="text-[15px]">Take in</h2>
        <LogDialog card={open.id} unit={unit} />
        <span className="flex-1" />
        <Who />
      </section>
      <SecondWeighing />
      <section aria-label="Records" className="px-4 py-2">
        <h2 className="text-[15px]">What was read and run</h2>
        <RecordList records={readings} most={8} />
      </section>
      <div className="px-4">
        <Fold title="A simulated run, to try the bench with">
          <Simulated card={open.id} />
        </Fold>
      </div>
      <BenchSheet bench="prove" />
    </div>
  );
}
