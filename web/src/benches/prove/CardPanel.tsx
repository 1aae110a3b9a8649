import { type FormEvent, useState } from 'react';
import { type Prove, Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { formatNumber } from '../../figure/format';
import { usePerson, useRecords } from '../../records/useRecords';

type Card = Prove['cards'][number];
type Channel = Prove['channels'][number];

/** A card: its lines, what is read on it with its limits, and how it ended. */
export function CardPanel(props: { card: Card; channels: Channel[]; unit: string }) {
  const { card } = props;
  const { add } = useRecords();
  const [person] = usePerson();
  const [seen, setSeen] = useState<string[]>(card.lines.filter((l) => l.seen).map((l) => l.key));
  const [why, setWhy] = useState('');
  const [wrong, setWrong] = useState('');
  async function end(result: string) {
    try {
      await add(
        { kind: 'card', card: card.id, unit: props.unit, result, seen, ...(why.trim() && { why: why.trim() }) },
        `${card.title}: ${result}`,
      );
      setWrong('');
    } catch (bad) {
      setWrong(bad instanceof Refused ? bad.words : String(bad));
    }
  }
  const shut = card.word === 'shut';
  return (
    <section
      aria-label={card.title}
      className="grid gap-x-8 border-b border-rule px-4 py-2 min-[900px]:grid-cols-[1fr_25rem]"
    >
      <div>
        <h2 className="text-[17px]">{card.title}</h2>
        <p className="text-muted">{card.purpose}</p>
        {card.caution && <p className="text-stop">{card.caution}</p>}
        {card.why.length > 0 && (
          <p className={shut ? 'text-muted' : 'text-watch'}>
            {shut ? 'Shut: ' : ''}
            {card.why.slice(0, 3).join('; ')}
            {card.why.length > 3 ? `; and ${card.why.length - 3} more` : ''}.
          </p>
        )}
        <ul className="my-1.5">
          {card.lines.map((l) => (
            <li key={l.key}>
              <label className="flex min-h-7 items-baseline gap-2">
                <input
                  type="checkbox"
                  checked={seen.includes(l.key)}
                  disabled={shut}
                  onChange={(e) => setSeen(e.target.checked ? [...seen, l.key] : seen.filter((k) => k !== l.key))}
                />
                {l.words}
              </label>
            </li>
          ))}
        </ul>
        <div className="flex flex-wrap items-end gap-2">
          <button type="button" className="btn" disabled={shut || !person} onClick={() => void end('begun')}>
            Begun
          </button>
          <button type="button" className="btn btn-main" disabled={shut || !person} onClick={() => void end('passed')}>
            Passed
          </button>
          <button type="button" className="btn" disabled={!person} onClick={() => void end('failed')}>
            Failed
          </button>
          <button type="button" className="btn" disabled={!person} onClick={() => void end('aborted')}>
            Aborted
          </button>
          <input
            value={why}
            maxLength={300}
            placeholder="why, if it did not pass"
            aria-label="why, if it did not pass"
            className="min-w-40 flex-1 border-b border-ink bg-transparent py-0.5"
            onChange={(e) => setWhy(e.target.value)}
          />
        </div>
        {card.by && <p className="text-xs text-muted">Last by {card.by}.</p>}
        {!person && <p className="text-xs text-watch">Say who you are, below: every record says who.</p>}
        {wrong && (
          <p role="alert" className="text-stop">
            {wrong}
          </p>
        )}
      </div>
      <Readings card={card} channels={props.channels} unit={props.unit} />
    </section>
  );
}

/** Channels of a card: what each must keep, and a field for what was read. */
function Readings(props: { card: Card; channels: Channel[]; unit: string }) {
  const { view } = useProject();
  const { add, all } = useRecords();
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const asked = props.card.reads
    .map((k) => props.channels.find((c) => c.key === k))
    .filter((c): c is Channel => c !== undefined);
  if (asked.length === 0) return null;
  async function put(event: FormEvent<HTMLFormElement>, channel: Channel) {
    event.preventDefault();
    const form = event.currentTarget;
    const entered = String(new FormData(form).get('value') ?? '').trim();
    if (!entered) return;
    try {
      await add(
        { kind: 'reading', card: props.card.id, unit: props.unit, what: channel.key, entered },
        `${channel.words}: ${entered}`,
      );
      setWrong({ ...wrong, [channel.key]: '' });
      form.reset();
    } catch (bad) {
      setWrong({ ...wrong, [channel.key]: bad instanceof Refused ? bad.words : String(bad) });
    }
  }
  const last = (key: string) => {
    const found = all.find((r) => {
      const d = r.data as Record<string, unknown>;
      return r.kind === 'reading' && r.stands && d.what === key && d.card === props.card.id;
    });
    return found ? String((found.data as Record<string, unknown>).entered) : '';
  };
  const limits = (c: Channel) => {
    const parts = [
      c.low_si != null ? `${formatNumber(c.low_si, c.dimension, view)} or more` : '',
      c.high_si != null ? `${formatNumber(c.high_si, c.dimension, view)} or less` : '',
    ].filter(Boolean);
    return parts.join(', ');
  };
  return (
    <div>
      <h3 className="border-b border-rule text-[14px]">Read on it</h3>
      {asked.map((c) => (
        <form key={c.key} onSubmit={(e) => void put(e, c)} className="border-b border-rule py-0.5">
          <label className="flex items-baseline gap-2">
            <span className="flex-1">
              <span className="inline-block first-letter:uppercase">{c.words}</span>
              {limits(c) && (
                <span className="ml-1.5 text-xs text-muted" title={c.whose}>
                  {limits(c)}
                </span>
              )}
            </span>
            {last(c.key) && <span className="figure certain">{last(c.key)}</span>}
            <input
              name="value"
              autoComplete="off"
              maxLength={60}
              placeholder="read"
              data-channel={c.key}
              className="figure w-20 min-h-6 border-b border-ink bg-transparent text-right"
            />
          </label>
          {wrong[c.key] && (
            <p role="alert" className="text-xs text-stop">
              {wrong[c.key]}
            </p>
          )}
        </form>
      ))}
    </div>
  );
}
