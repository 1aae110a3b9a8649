import { useEffect, useId, useRef, useState } from 'react';
import { Refused } from '../api/client';
import { useSheet } from '../api/sheet';
import { Table } from '../parts/Table';
import { FigureField } from './FigureField';
import { fieldAt } from './fields';
import { useLeaving } from './useLeaving';

/** A word chosen from a few: those of the field, unless the sheet leaves fewer. Blank is "not said". */
export function ChoiceField(props: { pointer: string; label: string; bare?: boolean; choices?: string[] }) {
  const { reference } = useSheet();
  const choices = props.choices?.length ? props.choices : (fieldAt(reference, props.pointer)?.choices ?? []);
  return <Select {...props} options={choices.map((c) => [c, c])} blank="not said" />;
}

/** One of a few, or none of them. */
function Select(props: { pointer: string; label: string; bare?: boolean; options: [string, string][]; blank: string }) {
  const { at, edit } = useSheet();
  const id = useId();
  const value = (at(props.pointer) as string | undefined) ?? '';
  const said = (v: string) => props.options.find(([k]) => k === v)?.[1] ?? props.blank;
  const [error, setError] = useState<string | null>(null);
  async function put(next: string) {
    setError(null);
    try {
      await edit(
        [
          next === ''
            ? { op: 'remove', path: props.pointer }
            : { op: value === '' ? 'add' : 'replace', path: props.pointer, value: next },
        ],
        `${props.label}: ${said(next)}`,
      );
    } catch (bad) {
      setError(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  return (
    <div className={props.bare ? 'inline-block' : 'flex min-h-7 flex-wrap items-baseline justify-between gap-2'}>
      {!props.bare && <label htmlFor={id}>{props.label}</label>}
      <select
        id={id}
        aria-label={props.bare ? props.label : undefined}
        aria-invalid={error !== null}
        data-pointer={props.pointer}
        title={props.bare && value !== '' ? said(value) : undefined}
        className={`border-b border-rule bg-transparent py-0.5 text-[13px] ${value === '' ? 'text-muted' : ''} ${props.bare ? 'max-w-28' : ''}`}
        value={value}
        onChange={(e) => void put(e.target.value)}
      >
        <option value="">{props.blank}</option>
        {props.options.map(([k, words]) => (
          <option key={k} value={k}>
            {words}
          </option>
        ))}
      </select>
      {error && (
        <span role="alert" className="w-full text-right text-xs text-stop">
          {error}
        </span>
      )}
    </div>
  );
}

/** A name or a note. */
export function TextField(props: TextProps) {
  return <OneText key={props.pointer} {...props} />;
}

interface TextProps {
  pointer: string;
  label: string;
  bare?: boolean;
  short?: boolean;
}

function OneText(props: TextProps) {
  const { at, edit } = useSheet();
  const id = useId();
  const stored = (at(props.pointer) as string | undefined) ?? '';
  const [text, setText] = useState(stored);
  const [error, setError] = useState<string | null>(null);
  const sent = useRef<string | null>(null);
  useEffect(() => setText(stored), [stored]);
  async function commit() {
    if (text.trim() === stored || sent.current === text) return;
    sent.current = text;
    try {
      await edit([{ op: 'replace', path: props.pointer, value: text.trim() }], `${props.label}: ${text.trim()}`);
      setError(null);
    } catch (bad) {
      setError(bad instanceof Refused ? bad.words : String(bad));
    } finally {
      sent.current = null;
    }
  }
  useLeaving(() => void commit());
  return (
    <div className={props.bare ? 'block' : 'flex min-h-7 items-baseline justify-between gap-3'}>
      {!props.bare && (
        <label htmlFor={id} className="whitespace-nowrap">
          {props.label}
        </label>
      )}
      <textarea
        id={id}
        aria-label={props.bare ? props.label : undefined}
        aria-invalid={error !== null}
        title={error ?? text}
        data-pointer={props.pointer}
        rows={1}
        className={`${props.short ? 'w-20' : 'w-full min-w-24'} block resize-none border-b border-transparent bg-transparent py-0.5 [field-sizing:content] hover:border-rule focus:border-act`}
        value={text}
        placeholder={props.short ? '—' : 'not written down'}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => void commit()}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            void commit();
          }
          if (e.key === 'Escape') setText(stored);
        }}
      />
      {error && (
        <span role="alert" className="text-xs text-stop">
          {error}
        </span>
      )}
    </div>
  );
}

/** One of a collection of the document, chosen by its name. */
export function KeyField(props: { pointer: string; label: string; of: string }) {
  const { at } = useSheet();
  const items = Object.entries((at(props.of) ?? {}) as Record<string, { name: string; rank: number }>);
  const options = items.sort(([, a], [, b]) => a.rank - b.rank).map(([k, i]): [string, string] => [k, i.name]);
  return <Select pointer={props.pointer} label={props.label} bare options={options} blank="none" />;
}

export interface Column {
  key: string;
  label: string;
  kind?: 'figure' | 'choice' | 'key' | 'text';
  drag?: boolean;
  /** The collection that a key names one of. */
  of?: string;
}

type Row = { name: string; rank: number };

/** The field of one cell. */
function Cell(props: { column: Column; pointer: string; label: string }) {
  const { column, ...at } = props;
  if (column.kind === 'key') return <KeyField {...at} of={column.of ?? ''} />;
  if (column.kind === 'text') return <TextField bare short {...at} />;
  if (column.kind === 'choice') return <ChoiceField bare {...at} />;
  return <FigureField bare drag={column.drag} {...at} />;
}

/** A table of more columns than this runs out of the page. */
const MOST_COLUMNS = 7;
/** More rows than this are drawn in part, as a table that is moved sideways. */
const MOST_BLOCKS = 30;
/** A table of more columns than this is moved sideways where it does not fit, with room under it for what a field says. */
const SIDEWAYS = 5;

/** An id-keyed collection as a table: names, figures, add and remove. */
export function Collection(props: {
  pointer: string;
  title: string;
  /** Its name where no title is shown. */
  label?: string;
  one: string;
  columns: Column[];
  fresh?: Record<string, unknown>;
}) {
  const { at, edit } = useSheet();
  const items = (at(props.pointer) ?? {}) as Record<string, Row>;
  const rows = Object.entries(items).sort(([, a], [, b]) => a.rank - b.rank);
  function add() {
    let n = rows.length + 1;
    while (items[`${props.one.replaceAll(' ', '-')}-${n}`]) n += 1;
    const rank = Math.max(0, ...rows.map(([, r]) => r.rank)) + 1;
    const value = { name: `${props.one} ${n}`, rank, ...props.fresh };
    void edit(
      [{ op: 'add', path: `${props.pointer}/${props.one.replaceAll(' ', '-')}-${n}`, value }],
      `${props.one} added`,
    );
  }
  const addButton = (
    <button type="button" className="quiet" onClick={add} aria-label={`add a ${props.one}`}>
      add
    </button>
  );
  const off = (key: string, row: Row) => (
    <button
      type="button"
      className="quiet text-muted"
      aria-label={`take ${row.name} off the list`}
      onClick={() => void edit([{ op: 'remove', path: `${props.pointer}/${key}` }], `${row.name} taken off`)}
    >
      ✕
    </button>
  );
  const name = (key: string, row: Row) => (
    <TextField bare pointer={`${props.pointer}/${key}/name`} label={`name of ${row.name}`} />
  );
  const cell = (c: Column, key: string, row: Row) => (
    <Cell column={c} pointer={`${props.pointer}/${key}/${c.key}`} label={`${row.name}, ${c.label}`} />
  );
  // More columns than a page is wide: each row is a block of its own.
  const wide = props.columns.length > MOST_COLUMNS;
  if (wide && rows.length <= MOST_BLOCKS)
    return (
      <section aria-label={props.label ?? props.title} className="mb-4">
        <div className="flex items-baseline gap-4 border-b border-ink">
          <h2 className="flex-1 text-[15px]">{props.title}</h2>
          {addButton}
        </div>
        {rows.map(([key, row]) => (
          <section key={key} aria-label={row.name} className="border-b border-rule py-1.5">
            <div className="flex items-baseline gap-4">
              <b className="flex-1">{name(key, row)}</b>
              {off(key, row)}
            </div>
            <div className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-6">
              {props.columns.map((c) => (
                <div key={c.key} className="flex min-h-7 items-baseline justify-between gap-2">
                  <span className="text-xs text-muted">{c.label}</span>
                  {cell(c, key, row)}
                </div>
              ))}
            </div>
          </section>
        ))}
        {rows.length === 0 && <p className="px-1 py-1 text-muted">None yet.</p>}
      </section>
    );
  return (
    <section
      aria-label={props.label ?? props.title}
      className={`mb-4 ${props.columns.length > SIDEWAYS ? 'overflow-x-auto pb-6' : ''}`}
    >
      <Table
        rows={rows}
        id={([key]) => key}
        pointer={([key]) => `${props.pointer}/${key}`}
        columns={[
          {
            id: 'name',
            head: props.title,
            headClass: '!text-ink',
            className: 'min-w-24',
            cell: ([key, row]) => name(key, row),
          },
          ...props.columns.map((c) => ({
            id: c.key,
            head: c.label,
            cell: ([key, row]: [string, Row]) => cell(c, key, row),
          })),
          { id: 'off the list', head: addButton, cell: ([key, row]) => off(key, row) },
        ]}
      />
      {rows.length === 0 && <p className="px-1 py-1 text-muted">None yet.</p>}
    </section>
  );
}
