import { type FocusEvent, type KeyboardEvent, useRef, useState } from 'react';
import type { First } from '../api/client';
import { useProject } from '../api/project';
import { FigureField } from '../figure/FigureField';
import { ChoiceField } from '../figure/forms';
import { Sketch } from './Sketch';
import { useFirst } from './useFirst';

type Line = First['groups'][number]['lines'][number];

/** The figures of the first evening, in the order of a walk round the craft; the sketch shows where each is measured. */
export function FirstPage() {
  const { fit, id } = useProject();
  const [lit, setLit] = useState<number | null>(null);
  const page = useRef<HTMLElement>(null);
  const first = useFirst();
  if (!first.data) return <p className="p-6 text-muted">{first.error ? String(first.error) : 'Opening…'}</p>;

  function onFocus(event: FocusEvent<HTMLElement>) {
    const row = (event.target as HTMLElement).closest<HTMLElement>('[data-line]');
    if (row) setLit(Number(row.dataset.line));
  }
  /** Enter takes what was typed and goes on to the next figure. */
  function onKeyDown(event: KeyboardEvent<HTMLElement>) {
    const from = event.target as HTMLElement;
    if (event.key !== 'Enter' || !from.matches('input[data-pointer], select[data-pointer]')) return;
    const fields = [
      ...(page.current?.querySelectorAll<HTMLElement>('input[data-pointer], select[data-pointer]') ?? []),
    ];
    const next = fields[fields.indexOf(from) + 1];
    if (!next) return;
    event.preventDefault();
    next.focus();
    next.scrollIntoView({ block: 'nearest' });
  }
  return (
    <section
      aria-label="First figures"
      ref={page}
      className="bg-sheet pb-6"
      onFocus={onFocus}
      onKeyDown={onKeyDown}
      data-first
    >
      <div className="sticky top-0 z-10 border-b border-ink bg-sheet">
        <div className="flex items-baseline gap-4 px-4 pt-2">
          <h2 className="text-[17px]">First figures</h2>
          <p className="min-w-0 flex-1 truncate text-muted">
            Scales, tape, two sheets. What is not here is put in roughly, and said so.
          </p>
          <a
            className="leading-6"
            href={`/api/projects/${id}/sheets/first?fit=${fit ?? 'none'}`}
            target="_blank"
            rel="noreferrer"
          >
            Print it to fill in
          </a>
        </div>
        <Sketch first={first.data} lit={lit} onPick={(n) => focusLine(page.current, n)} />
      </div>
      {first.data.groups.map((group) => (
        <section key={group.title} aria-label={group.title} className="px-4 pt-3">
          <h3 className="text-[15px]">{group.title}</h3>
          <p className="text-xs text-muted">{group.hint}</p>
          <table className="row-table mt-1 w-full">
            {group.lines.some((l) => !l.pointer) && (
              <thead>
                <tr className="text-left text-xs text-muted">
                  <th className="w-8" />
                  <th />
                  <th className="w-[11.5rem] font-normal">{first.data.out ?? 'goes out'}</th>
                  <th className="w-[11.5rem] font-normal">{first.data.into ?? 'comes in'}</th>
                </tr>
              </thead>
            )}
            <tbody>
              {group.lines.map((line) => (
                <Row key={line.number} line={line} lit={line.number === lit} />
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </section>
  );
}

function Row(props: { line: Line; lit: boolean }) {
  const { line } = props;
  const field = (pointer: string | null | undefined, whose: string) => {
    if (!pointer) return null;
    const label = whose ? `${line.label}, ${whose}` : line.label;
    return line.kind === 'choice' ? (
      <ChoiceField bare pointer={pointer} label={label} />
    ) : (
      <FigureField bare pointer={pointer} label={label} source={line.source} />
    );
  };
  return (
    <tr data-line={line.number} className={`h-9 border-b border-rule ${props.lit ? 'bg-tray' : ''}`}>
      <td className="figure w-8 py-0.5 text-act">{line.number}</td>
      <td className="py-0.5">{line.label}</td>
      <td className="w-[11.5rem] py-0.5">{line.pointer ? field(line.pointer, '') : field(line.out, 'goes out')}</td>
      <td className="w-[11.5rem] py-0.5">{field(line.into, 'comes in')}</td>
    </tr>
  );
}

function focusLine(page: HTMLElement | null, number: number) {
  page?.querySelector<HTMLElement>(`[data-line="${number}"] :is(input, select)[data-pointer]`)?.focus();
}
