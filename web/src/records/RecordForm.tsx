import { type FormEvent, useId, useState } from 'react';
import { Refused } from '../api/client';
import { type Ask, asRecord, FORMS } from './forms';
import { usePerson, useRecords } from './useRecords';

/** A refusal at the field that caused it, or under the form. */
interface Wrong {
  at: string;
  words: string;
}

/** Writes one record down: its kind, what is asked of that, and who. What is refused stands at its field; nothing typed is
 * lost. */
export function RecordForm(props: {
  kinds?: string[];
  also?: Record<string, unknown>;
  corrects?: number;
  given?: Record<string, unknown>;
  onDone?: () => void;
}) {
  const { add } = useRecords();
  const [person] = usePerson();
  const forms = FORMS.filter((f) => !props.kinds || props.kinds.includes(f.kind));
  const [kind, setKind] = useState(forms[0]?.kind ?? '');
  const [wrong, setWrong] = useState<Wrong | null>(null);
  const form = forms.find((f) => f.kind === kind);
  if (!form) return null;
  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const target = event.currentTarget;
    if (!form) return;
    const record = { ...asRecord(form, new FormData(target)), ...props.also };
    if (props.corrects) Object.assign(record, { corrects: props.corrects });
    try {
      await add(record, `${form.title}: ${form.said(record)}`);
      setWrong(null);
      target.reset();
      props.onDone?.();
    } catch (bad) {
      const at = bad instanceof Refused ? (bad.problem.pointer ?? '').split('/')[1] : '';
      setWrong({ at: at ?? '', words: bad instanceof Refused ? bad.words : String(bad) });
    }
  }
  const known = form.asks.some((a) => a.name === wrong?.at);
  return (
    <form onSubmit={(e) => void submit(e)} aria-label={`write down: ${form.title}`} className="grid gap-1.5">
      <div className="flex flex-wrap gap-x-3">
        {forms.length > 1 &&
          forms.map((f) => (
            <button
              key={f.kind}
              type="button"
              aria-pressed={f.kind === kind}
              className={`quiet head ${f.kind === kind ? '!text-ink underline underline-offset-4' : ''}`}
              onClick={() => {
                setKind(f.kind);
                setWrong(null);
              }}
            >
              {f.title}
            </button>
          ))}
      </div>
      <div key={kind} className="grid grid-cols-2 gap-x-4 gap-y-1.5 min-[1100px]:grid-cols-4">
        {form.asks.map((a) => (
          <Line key={a.name} ask={a} given={props.given?.[a.name]} wrong={wrong?.at === a.name ? wrong.words : ''} />
        ))}
      </div>
      {wrong && !known && (
        <p role="alert" className="text-stop">
          {wrong.words}
        </p>
      )}
      <div className="flex items-center gap-3">
        <button type="submit" className="btn btn-main" disabled={person === ''}>
          {props.corrects ? 'Write down in its place' : 'Write down'}
        </button>
        {person === '' && <span className="text-watch">Say who you are first: every record says who.</span>}
      </div>
    </form>
  );
}

function Line(props: { ask: Ask; given: unknown; wrong: string }) {
  const { ask } = props;
  const id = useId();
  const given =
    props.given && typeof props.given === 'object' && 'entered' in props.given
      ? String((props.given as { entered: string }).entered)
      : props.given === undefined || props.given === null
        ? ''
        : String(props.given);
  const common = {
    id,
    name: ask.name,
    defaultValue: given,
    'aria-invalid': props.wrong !== '',
    'aria-describedby': props.wrong ? `${id}-wrong` : undefined,
    className: 'w-full border-b border-ink bg-transparent py-0.5 text-[13.5px]',
  };
  return (
    <div className={ask.as === 'long' ? 'col-span-2' : ''}>
      <label htmlFor={id} className="text-xs text-muted">
        {ask.label}
        {ask.required ? '' : ', if known'}
      </label>
      {ask.as === 'choice' ? (
        <select {...common}>
          <option value="">not said</option>
          {ask.choices?.map((c) => (
            <option key={c}>{c}</option>
          ))}
        </select>
      ) : (
        <input
          {...common}
          required={ask.required}
          maxLength={400}
          autoComplete="off"
          placeholder={ask.as === 'day' ? '2027-01-09' : ask.hint}
          inputMode={ask.as === 'number' ? 'numeric' : undefined}
          pattern={ask.as === 'number' ? '[0-9]+' : undefined}
        />
      )}
      {props.wrong && (
        <p id={`${id}-wrong`} role="alert" className="text-xs text-stop">
          {props.wrong}
        </p>
      )}
    </div>
  );
}
