import { useQuery } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { type KeyboardEvent, memo, useEffect, useId, useRef, useState } from 'react';
import { answer, api, type Operation, Refused } from '../api/client';
import { useSheet } from '../api/sheet';
import { completeUnit, DIRECTIONS, facing, fieldAt, stepText } from './fields';
import { formatNumber } from './format';
import { Grip } from './Grip';
import { useLeaving } from './useLeaving';

export interface StoredFigure {
  entered: string;
  si: number;
  plus_minus?: { entered: string; si: number };
  source: string;
  note?: string;
  from?: string;
  dir?: string;
  instrument?: string;
  earlier?: { entered: string; source: string };
}
const SOURCES = ['measured', 'maker', 'estimated', 'hearsay', 'template', 'computed'];
/** What a unit's own measures are taken from. */
const OWN = ['unit flange', 'output flange', 'driving shaft'];

/** Least room in a table cell; a long entry takes more. */
const WIDTHS: Record<string, string> = { count: '3rem', number: '3rem', mass: '7rem' };

/** As the trade writes them on a sheet; the whole word stands in the tag's name and menu. */
const SHORT: Record<string, string> = { forward: 'fwd', starboard: 'stbd' };

function asText(figure: StoredFigure | undefined): string {
  if (!figure) return '';
  return figure.plus_minus ? `${figure.entered} ±${figure.plus_minus.entered}` : figure.entered;
}

/** What was understood, as the server reads it, in both systems. */
function useReading(text: string, dimension: string, shown: string, on: boolean) {
  const { numberStyle } = useSheet();
  const [late, setLate] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setLate(text), 150);
    return () => clearTimeout(timer);
  }, [text]);
  return useQuery({
    queryKey: ['reading', dimension, shown, late, numberStyle],
    enabled: on && late.trim() !== '',
    queryFn: async () =>
      answer(
        await api.POST('/api/units', {
          body: { text: late, dimension, shown, number_style: numberStyle },
        }),
      ),
  });
}

/** One figure: value, unit and tolerance in one text; source and place by the tags beside it. source: where it is from unless
 * somebody says otherwise. */
export const FigureField = memo(function FigureField(props: FigureProps) {
  // Another figure in the same place (of another fit) is another field: what is typed here is not for it.
  return <OneFigure key={props.pointer} {...props} />;
});

interface FigureProps {
  pointer: string;
  label: string;
  bare?: boolean;
  source?: string;
  /** It can be rolled to try other values. */
  drag?: boolean;
}

function OneFigure(props: FigureProps) {
  const { pointer, label } = props;
  const { at, edit, reference, view, unitSide, rough, say, follow, leaveAhead } = useSheet();
  const spec = fieldAt(reference, pointer);
  const figure = at(pointer) as StoredFigure | undefined;
  const stored = asText(figure);
  const [text, setText] = useState(stored);
  const [error, setError] = useState<string | null>(null);
  const [focused, setFocused] = useState(false);
  const box = useRef<HTMLInputElement>(null);
  // What is on its way: leaving the field meanwhile does not send it again.
  const sent = useRef<string | null>(null);
  const id = useId();
  useEffect(() => {
    setText(stored);
    setError(null);
  }, [stored]);
  const dimension = spec?.dimension ?? 'number';
  const shown = spec?.shown ?? dimension;
  const unit = view[shown]?.unit ?? '';
  const complete = completeUnit(text, unit);
  const changed = text.trim() !== stored;
  const reading = useReading(complete, dimension, shown, focused && changed);

  function written(typed: string, more: Partial<StoredFigure> = {}): [Operation[], string] {
    const ahead = spec?.place === 'station' && OWN.includes(spec.origin ?? '') && unitSide(pointer) < 0;
    const fresh = { ...(ahead ? { dir: 'forward' } : {}), ...(props.source ? { source: props.source } : {}) };
    const kept = figure
      ? {
          // What a template guessed is no guess of its any more once it is typed over.
          source: figure.source === 'template' && typed !== stored ? props.source : figure.source,
          from: figure.from,
          dir: figure.dir,
          note: figure.note,
          instrument: figure.instrument,
        }
      : fresh;
    const value = Object.fromEntries(
      Object.entries({ ...kept, ...more, entered: completeUnit(typed, unit) }).filter(([, v]) => v !== undefined),
    );
    return [
      [{ op: figure ? 'replace' : 'add', path: pointer, value }],
      `${label} ${stored || 'blank'} → ${completeUnit(typed, unit)}`,
    ];
  }

  async function commit(next: string, more: Partial<StoredFigure> = {}) {
    const typed = next.trim();
    setError(null);
    sent.current = next;
    try {
      if (typed !== '') await edit(...written(typed, more));
      else if (figure) await edit([{ op: 'remove', path: pointer }], `${label} left blank`);
    } catch (bad) {
      const words = bad instanceof Refused ? bad.words : String(bad);
      leaveAhead?.();
      if (box.current) setError(words);
      else say(`${label} ${typed}: ${words}`);
    } finally {
      sent.current = null;
    }
  }
  function commitUnsent() {
    if (changed && error === null && sent.current !== text) void commit(text);
  }
  useLeaving(commitUnsent);

  function onKey(event: KeyboardEvent<HTMLInputElement>) {
    if (event.key === 'Enter') {
      if (changed) void commit(text);
    } else if (event.key === 'Escape') {
      setText(stored);
      setError(null);
      event.stopPropagation();
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      const next = stepText(text, event.key === 'ArrowUp' ? 1 : -1);
      if (next !== null) {
        event.preventDefault();
        setText(next);
      }
    }
  }

  /** Another value on the tape, tried: what follows from it is shown until it is let go. */
  function rolled(steps: number): [string, Partial<StoredFigure>] {
    const next = steps === 0 ? stored : (stepText(stored, steps) ?? stored);
    setText(next);
    if (steps === 0 || !figure?.dir) return [next, {}];
    const { entered, dir } = facing(next, figure.dir);
    return [entered, { dir }];
  }
  const source = figure?.source ?? 'blank';
  const stands = rough(pointer);
  return (
    <div
      className={props.bare ? 'relative inline-block' : 'relative flex min-h-7 items-baseline justify-between gap-2'}
    >
      {!props.bare && (
        <label htmlFor={id} className="py-0.5">
          {label}
        </label>
      )}
      <span className="inline-flex items-center gap-1 whitespace-nowrap">
        {props.drag && figure && follow && leaveAhead && (
          <Grip
            label={label}
            onTry={(steps) => follow(...written(...rolled(steps)))}
            onLetGo={(steps) => {
              const [next, way] = rolled(steps);
              if (next === stored) leaveAhead();
              else void commit(next, way);
            }}
          />
        )}
        <input
          ref={box}
          id={id}
          aria-label={props.bare ? label : undefined}
          aria-invalid={error !== null}
          aria-describedby={`${id}-said`}
          data-pointer={pointer}
          data-source={source}
          className="certain figure bg-transparent pb-[3px] text-right text-[13px] outline-offset-2"
          style={{ width: `max(${props.bare ? (WIDTHS[dimension] ?? '4.9rem') : '7rem'}, ${text.length + 0.5}ch)` }}
          value={text}
          placeholder={stands ? `≈ ${formatNumber(stands.si, stands.dimension, view)}` : '—'}
          spellCheck={false}
          autoComplete="off"
          onFocus={() => setFocused(true)}
          onBlur={() => {
            setFocused(false);
            commitUnsent();
          }}
          onChange={(e) => {
            setText(e.target.value);
            setError(null);
          }}
          onKeyDown={onKey}
        />
        {spec?.place && figure && (
          <PlaceTag
            figure={figure}
            place={spec.place}
            label={label}
            withSource={props.bare === true}
            onPick={(more) => void commit(stored, more)}
          />
        )}
        {!(props.bare && spec?.place) && (
          <SourceTag
            source={source}
            label={label}
            small={props.bare === true}
            disabled={!figure}
            instrument={figure?.instrument}
            onPick={(more) => void commit(stored, more)}
          />
        )}
      </span>
      {figure?.earlier && (
        <span className="absolute right-0 top-full z-10 -mt-1.5 bg-sheet px-1 text-xs text-watch">
          was {figure.earlier.entered}, {figure.earlier.source}
        </span>
      )}
      <span
        id={`${id}-said`}
        role="status"
        className={`popup absolute right-0 top-full text-xs ${error || (focused && changed && (reading.data || reading.error)) ? '' : 'hidden'} ${error || reading.error ? 'text-stop' : 'text-muted'} max-w-80 whitespace-normal`}
      >
        {error ??
          (reading.error instanceof Refused
            ? reading.error.words
            : reading.data
              ? `${reading.data.metric} · ${reading.data.inch}${reading.data.remark ? ` · ${reading.data.remark}` : ''}`
              : '')}
      </span>
    </div>
  );
}

/** The mark of a tag that opens. */
function Opener() {
  return (
    <svg width="8" height="6" viewBox="0 0 8 6" aria-hidden="true">
      <path d="M1 1L4 4.5L7 1" fill="none" stroke="currentColor" strokeWidth="1.4" />
    </svg>
  );
}

/** Scales and tapes of this project, to say with which of them a figure was read. */
function InstrumentGroup(props: { instrument?: string; onPick: (more: Partial<StoredFigure>) => void }) {
  const { at } = useSheet();
  const known = Object.entries((at('/instruments') ?? {}) as Record<string, { name: string }>);
  if (known.length === 0) return null;
  return (
    <>
      <DropdownMenu.Separator className="my-1 h-px bg-rule" />
      <DropdownMenu.Label className="px-2 text-xs text-muted">read with</DropdownMenu.Label>
      <DropdownMenu.RadioGroup
        value={props.instrument ?? ''}
        onValueChange={(key) => props.onPick({ instrument: key === '' ? undefined : key })}
      >
        {[['', { name: 'nothing listed' }] as const, ...known].map(([key, i]) => (
          <DropdownMenu.RadioItem key={key} value={key}>
            {i.name}
          </DropdownMenu.RadioItem>
        ))}
      </DropdownMenu.RadioGroup>
    </>
  );
}

function SourceGroup(props: { source: string; onPick: (source: string) => void }) {
  return (
    <DropdownMenu.RadioGroup value={props.source} onValueChange={props.onPick}>
      {SOURCES.map((s) => (
        <DropdownMenu.RadioItem key={s} value={s}>
          <span className="certain pb-[3px]" data-source={s}>
            {s}
          </span>
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  );
}

function SourceTag(props: {
  source: string;
  label: string;
  small?: boolean;
  disabled: boolean;
  instrument?: string;
  onPick: (more: Partial<StoredFigure>) => void;
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className={`head inline-flex h-6 cursor-pointer items-center text-left text-xs text-muted disabled:cursor-default ${props.small ? 'w-6' : 'w-[3.7rem]'}`}
        disabled={props.disabled}
        aria-label={`source of ${props.label}: ${props.source}`}
      >
        {props.source === 'blank' ? '' : props.small ? <Opener /> : props.source}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="popup" align="end">
          <SourceGroup source={props.source} onPick={(source) => props.onPick({ source })} />
          <InstrumentGroup instrument={props.instrument} onPick={props.onPick} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function PlaceTag(props: {
  figure: StoredFigure;
  place: string;
  label: string;
  withSource: boolean;
  onPick: (more: Partial<StoredFigure>) => void;
}) {
  const { at } = useSheet();
  const fixed = { station: 'datum', 'butt line': 'centreline', 'water line': 'level line' }[props.place] ?? 'datum';
  const own = OWN.includes(props.figure.from ?? '');
  const references = props.place === 'butt line' || own ? [] : Object.keys((at('/craft/references') ?? {}) as object);
  const origins = own ? [props.figure.from as string] : [fixed, ...references];
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="head inline-flex h-6 w-8 cursor-pointer items-center text-left text-xs text-act"
        title={`${props.figure.dir} of the ${props.figure.from}`}
        aria-label={`${props.label} is measured ${props.figure.dir} of ${props.figure.from}`}
      >
        {SHORT[props.figure.dir ?? ''] ?? props.figure.dir}
        {props.figure.from !== fixed && !own ? '*' : ''}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="popup" align="end">
          <DropdownMenu.Label className="px-2 text-xs text-muted">which way</DropdownMenu.Label>
          <DropdownMenu.RadioGroup value={props.figure.dir} onValueChange={(dir) => props.onPick({ dir })}>
            {(DIRECTIONS[props.place] ?? []).map((d) => (
              <DropdownMenu.RadioItem key={d} value={d}>
                {d}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Separator className="my-1 h-px bg-rule" />
          <DropdownMenu.Label className="px-2 text-xs text-muted">measured from the</DropdownMenu.Label>
          <DropdownMenu.RadioGroup value={props.figure.from} onValueChange={(from) => props.onPick({ from })}>
            {origins.map((o) => (
              <DropdownMenu.RadioItem key={o} value={o}>
                {o}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          {props.withSource && (
            <>
              <DropdownMenu.Separator className="my-1 h-px bg-rule" />
              <DropdownMenu.Label className="px-2 text-xs text-muted">known by</DropdownMenu.Label>
              <SourceGroup source={props.figure.source} onPick={(source) => props.onPick({ source })} />
            </>
          )}
          <InstrumentGroup instrument={props.figure.instrument} onPick={props.onPick} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
