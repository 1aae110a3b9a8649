import { useEffect, useState } from 'react';
import { useProject, useShown } from '../../api/project';
import { workshop } from '../../api/route';
import { onReveal } from '../../parts/reveal';
import { RecordForm } from '../../records/RecordForm';
import { RecordList } from '../../records/RecordList';
import { usePerson, useRecords } from '../../records/useRecords';
import { Who } from '../../records/Who';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Fold, Picture, Strip } from '../../sheet/Sheet';
import { Papers } from './Papers';
import { Plans } from './Plans';
import { Slip } from './Slip';
import { TaskPanel } from './TaskPanel';
import { Week } from './Week';

/** The work on a fit: the slip, the task that is open, the week, and what is written down. */
export function BuildBench() {
  const { fit, state, at, edit, say } = useProject();
  const { shown } = useShown();
  const { finding } = workshop.useSearch();
  const { all } = useRecords();
  const [person] = usePerson();
  const [picked, setPicked] = useState<string | null>(null);
  const build = shown.build;
  const subject = state.assessment.findings
    .find((f) => f.key === finding)
    ?.key.split(':')[1]
    ?.replace(/-(begun|early)$/, '');
  const known = (id: string | null | undefined) => !!id && !!build?.tasks.some((t) => t.id === id);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a finding that is opened opens its task once
  useEffect(() => {
    if (known(subject)) setPicked(subject as string);
  }, [subject]);
  useEffect(
    () =>
      onReveal((wanted) => {
        const task = wanted.match(/\/tasks\/([^/]+)/)?.[1];
        if (task) setPicked(task);
        return task !== undefined;
      }),
    [],
  );
  if (!fit || !build) return <p className="p-4">Pick a fit: work is planned and recorded for a fit.</p>;
  const open = known(picked) ? (picked as string) : (build.now[0] ?? build.tasks[0]?.id ?? '');
  const planned = build.tasks.length > 0;
  /** Later than its turn is a day of its own; earlier than what it waits for cannot be. */
  async function move(task: string, day: string) {
    const of = build?.tasks.find((t) => t.id === task);
    const path = `/fits/${fit}/tasks/${task}/not_before`;
    const had = Boolean(at(path));
    if (of?.free && day < of.free) {
      say(`'${of.name}' waits for what comes before it: not before ${of.free}.`);
      if (had) await edit([{ op: 'remove', path }], `${of.name}: as soon as it can be`);
      return;
    }
    await edit([{ op: had ? 'replace' : 'add', path, value: day }], `${of?.name}: not before ${day}`);
  }
  return (
    <div className="bg-sheet pb-4">
      {planned ? (
        <>
          <Picture title="Slip">
            <p className="px-3.5 pb-1 text-xs text-muted">
              thin is done, thick is in hand, black is next, dashed is out of your hands · a wall is a gate · a square
              is a hold that another person fills
            </p>
            <Slip build={build} open={open} onOpen={setPicked} onMove={(task, day) => void move(task, day)} />
          </Picture>
          <div className="grid border-b border-rule min-[900px]:grid-cols-[1fr_21rem]">
            <TaskPanel key={open} task={build.tasks.find((t) => t.id === open)} />
            <Week build={build} />
          </div>
          <Strip label="Answers">
            <Answers bench="build" columns={3} />
          </Strip>
        </>
      ) : (
        <Plans />
      )}
      <section aria-label="Write down" className="border-b border-rule px-4 py-2">
        <div className="mb-1 flex items-baseline gap-4">
          <h2 className="text-[15px]">Write down</h2>
          <span className="flex-1" />
          <Who />
        </div>
        {person === '' && <p className="text-muted">Every record says who: your name, once, at this screen.</p>}
        <RecordForm />
      </section>
      <section aria-label="Records" className="px-4 py-2">
        <h2 className="text-[15px]">Records</h2>
        <RecordList records={all} />
      </section>
      <Papers />
      <BenchSheet bench="build" />
      {planned && (
        <div className="px-4">
          <Fold title="Another plan">
            <Plans />
          </Fold>
        </div>
      )}
    </div>
  );
}
