import { type FormEvent, useState } from 'react';
import { Refused } from '../../api/client';
import { useProject } from '../../api/project';
import { useAssessed } from '../../api/useInstallation';
import { useRecords } from '../../records/useRecords';
import { Decide } from './Decide';
import { asOperations } from './operations';

/** The craft on its scales again: one reading under each support, net. */
export function SecondWeighing() {
  const { at, state, reference } = useProject();
  const { add, all } = useRecords();
  const take = useAssessed()?.prove?.take;
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const kind = reference.kinds.find((k) => k.id === state.document.kind);
  const supports = Object.entries((at('/craft/supports') ?? {}) as Record<string, { name: string; rank: number }>).sort(
    ([, a], [, b]) => a.rank - b.rank,
  );
  if (!kind?.forms.includes('scales') || supports.length === 0) return null;
  const last = (key: string) => {
    const found = all.find(
      (r) => r.kind === 'second weighing' && r.stands && (r.data as Record<string, unknown>).support === key,
    );
    return found ? (found.data as { reading: { entered: string } }).reading.entered : '';
  };
  async function put(event: FormEvent<HTMLFormElement>, key: string, name: string) {
    event.preventDefault();
    const form = event.currentTarget;
    const entered = String(new FormData(form).get('value') ?? '').trim();
    if (!entered) return;
    try {
      await add(
        { kind: 'second weighing', support: key, reading: { entered, source: 'measured' } },
        `${name}, weighed again: ${entered}`,
      );
      setWrong({ ...wrong, [key]: '' });
      form.reset();
    } catch (bad) {
      setWrong({ ...wrong, [key]: bad instanceof Refused ? bad.words : String(bad) });
    }
  }
  return (
    <section aria-label="Second weighing" className="border-b border-rule px-4 py-2">
      <h2 className="text-[15px]">Second weighing</h2>
      <p className="text-muted">
        Level, fluids as the ledger counts them, everything aboard that stays aboard; tares taken off. Nobody aboard,
        wheels free, brakes off.
      </p>
      <div className="flex flex-wrap gap-6">
        {supports.map(([key, s]) => (
          <form key={key} onSubmit={(e) => void put(e, key, s.name)}>
            <label className="grid">
              <span className="text-xs text-muted">{s.name}</span>
              <span className="flex items-baseline gap-2">
                {last(key) && <span className="figure certain">{last(key)}</span>}
                <input
                  name="value"
                  placeholder="read"
                  autoComplete="off"
                  maxLength={60}
                  data-support={key}
                  className="figure w-24 min-h-6 border-b border-ink bg-transparent text-right"
                />
              </span>
            </label>
            {wrong[key] && (
              <p role="alert" className="text-xs text-stop">
                {wrong[key]}
              </p>
            )}
          </form>
        ))}
      </div>
      {take && <Decide message={take.message} operations={asOperations(take.operations)} />}
    </section>
  );
}
