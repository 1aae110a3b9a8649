import type { Bench, Block } from '../api/client';
import { useProject } from '../api/project';
import { FigureField } from '../figure/FigureField';
import { ChoiceField, Collection, TextField } from '../figure/forms';
import { Columns, Group } from './Sheet';
import { useInstallation } from './useInstallation';

/** The sheet of a bench as the kind of craft declares it: groups of fields in columns, tables across. */
export function BenchSheet(props: { bench: Bench; only?: (block: Block) => boolean }) {
  const { reference, state, fit } = useProject();
  const { pointer, electric } = useInstallation();
  const kind = state.document.kind as string;
  const blocks = (reference.sheets[kind] ?? []).filter(
    (b) =>
      b.bench === props.bench &&
      (!b.electric || electric) &&
      (pointer !== null || !needsUnit(b)) &&
      (fit !== null || !needsFit(b)) &&
      (props.only?.(b) ?? true),
  );
  const runs: Block[][] = [];
  for (const block of blocks) {
    const last = runs[runs.length - 1];
    if (!block.table && last && !last[0]?.table) last.push(block);
    else runs.push([block]);
  }
  const real = (p: string) => p.replace(/^~/, pointer ?? '').replace(/^\^/, `/fits/${fit}`);
  return (
    <>
      {runs.map((run) => {
        const first = run[0] as Block;
        if (first.table)
          return (
            <div key={first.title + first.table} className="px-4 pt-2">
              <Collection
                pointer={real(first.table)}
                title={first.title}
                one={first.one}
                fresh={first.fresh}
                columns={first.entries.map((e) => ({
                  key: e.pointer,
                  label: e.label,
                  kind: e.kind === 'choice' ? 'choice' : 'figure',
                }))}
              />
            </div>
          );
        return (
          <Columns key={run.map((b) => b.title).join()}>
            {run.map((b) => (
              <Group key={b.title} title={b.title} hint={b.hint || undefined}>
                {b.entries.map((e) => (
                  <Field key={e.pointer} pointer={real(e.pointer)} label={e.label} kind={e.kind} choices={e.choices} />
                ))}
              </Group>
            ))}
          </Columns>
        );
      })}
    </>
  );
}

function Field(props: { pointer: string; label: string; kind: string; choices: string[] }) {
  if (props.kind === 'choice')
    return <ChoiceField pointer={props.pointer} label={props.label} choices={props.choices} />;
  if (props.kind === 'text') return <TextField pointer={props.pointer} label={props.label} />;
  return <FigureField pointer={props.pointer} label={props.label} />;
}

function needsUnit(block: Block): boolean {
  return (block.table ?? '').startsWith('~') || block.entries.some((e) => e.pointer.startsWith('~'));
}

function needsFit(block: Block): boolean {
  return (block.table ?? '').startsWith('^');
}
