import { memo, type ReactNode } from 'react';
import type { Bench, Block } from '../api/client';
import { useProject } from '../api/project';
import { useSheet } from '../api/sheet';
import { useInstallation } from '../api/useInstallation';
import { FigureField } from '../figure/FigureField';
import { ChoiceField, Collection, type Column, TextField } from '../figure/forms';
import { Columns, FoldedFields, Group } from './Sheet';

/** The sheet of a bench as the kind of craft declares it: groups of fields in columns, tables across. It stands while
 * something is dragged. */
export const BenchSheet = memo(function BenchSheet(props: { bench: Bench; only?: (block: Block) => boolean }) {
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
  return <Blocks blocks={blocks} real={(p) => p.replace(/^~/, pointer ?? '').replace(/^\^/, `/fits/${fit}`)} />;
});

/** Blocks of a sheet: groups of fields in columns, tables across. real: the pointer that an entry stands for. */
export function Blocks(props: { blocks: Block[]; real: (pointer: string) => string; flowing?: boolean }) {
  const { at } = useSheet();
  const { real } = props;
  const runs: Block[][] = [];
  for (const block of props.blocks) {
    const last = runs[runs.length - 1];
    if (!block.table && last && !last[0]?.table) last.push(block);
    else runs.push([block]);
  }
  const tableFilled = (b: Block) =>
    Object.values((at(real(b.table ?? '')) ?? {}) as Record<string, Record<string, unknown>>).some(
      (row) =>
        b.table === '/instruments' || b.table === '^/tanks' || b.entries.some((e) => row[e.pointer] !== undefined),
    );
  return (
    <>
      {runs.map((run) => {
        const first = run[0] as Block;
        if (first.table) {
          const table = (
            <Collection
              pointer={real(first.table)}
              title={first.folded ? '' : first.title}
              label={first.title}
              one={first.one}
              fresh={first.fresh}
              columns={first.entries.map((e) => ({
                key: e.pointer,
                label: e.label,
                kind: e.kind as Column['kind'],
                drag: e.drag,
                of: e.kind === 'key' ? real(e.choices[0] ?? '') : undefined,
              }))}
            />
          );
          return (
            <div key={first.title + first.table} className="px-4 pt-2">
              {first.folded ? (
                <FoldedFields title={first.title} filled={tableFilled(first)}>
                  {first.hint && <p className="text-muted">{first.hint}</p>}
                  {table}
                </FoldedFields>
              ) : (
                table
              )}
            </div>
          );
        }
        return (
          <Columns key={first.title} flowing={props.flowing}>
            {run.map((b) => (
              <Titled key={b.title} block={b} filled={b.entries.some((e) => at(real(e.pointer)) !== undefined)}>
                {b.entries.map((e) => (
                  <Field key={e.pointer} {...e} pointer={real(e.pointer)} />
                ))}
              </Titled>
            ))}
          </Columns>
        );
      })}
    </>
  );
}

function Titled(props: { block: Block; filled: boolean; children: ReactNode }) {
  const { block } = props;
  if (!block.folded)
    return (
      <Group title={block.title} hint={block.hint || undefined}>
        {props.children}
      </Group>
    );
  return (
    <FoldedFields title={block.title} filled={props.filled}>
      {block.hint && <p className="text-muted">{block.hint}</p>}
      {props.children}
    </FoldedFields>
  );
}

function Field(props: Block['entries'][number]) {
  if (props.kind === 'choice')
    return <ChoiceField pointer={props.pointer} label={props.label} choices={props.choices} />;
  if (props.kind === 'text') return <TextField pointer={props.pointer} label={props.label} />;
  return <FigureField pointer={props.pointer} label={props.label} drag={props.drag} />;
}

function needsUnit(block: Block): boolean {
  return (block.table ?? '').startsWith('~') || block.entries.some((e) => e.pointer.startsWith('~'));
}

function needsFit(block: Block): boolean {
  return (block.table ?? '').startsWith('^') || block.entries.some((e) => e.pointer.startsWith('^'));
}
