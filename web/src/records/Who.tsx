import { usePerson } from './useRecords';

/** Who stands at this screen. */
export function Who() {
  const [person, setPerson] = usePerson();
  return (
    <label className="flex items-baseline gap-2">
      <span className="text-xs text-muted">at this screen</span>
      <input
        value={person}
        maxLength={80}
        placeholder="your name"
        autoComplete="off"
        className="w-28 border-b border-ink bg-transparent py-0.5"
        onChange={(e) => setPerson(e.target.value)}
      />
    </label>
  );
}
