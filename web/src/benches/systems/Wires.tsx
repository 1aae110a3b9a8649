import type { Installation } from '../../api/client';
import { COLOURS } from '../../findings/Mark';

type Wire = NonNullable<Installation['systems']>['wires'][number];

/** What each wire loses of what it may, and carries of what it can: full is the limit. */
export function Wires(props: { wires: Wire[] }) {
  if (props.wires.length === 0) return <p className="px-4 pb-3 text-muted">No wires entered yet: add them below.</p>;
  return (
    <ul className="px-4 pb-3" aria-label="wires">
      {props.wires.map((w) => (
        <li key={w.id} className="grid grid-cols-[9rem_5rem_1fr_1fr] items-center gap-x-4 py-0.5">
          <span className="first-letter:uppercase">{w.name}</span>
          <span className="figure text-muted">{w.size ?? '?'}</span>
          <Share words="loses" share={w.lost_share} of="of what it may" />
          {w.seconds ? (
            <span className="text-muted">for seconds only</span>
          ) : (
            <Share words="carries" share={w.carried_share} of="of what it can" />
          )}
        </li>
      ))}
    </ul>
  );
}

function Share(props: { words: string; share: number | null | undefined; of: string }) {
  const { share } = props;
  if (share == null) return <span className="text-unknown">{props.words} ?</span>;
  const tone = share > 1 ? COLOURS.stop : share > 0.95 ? COLOURS.watch : COLOURS.ok;
  return (
    <span className="flex items-center gap-2">
      <span className="relative h-2 flex-1 bg-tray">
        <span
          className="absolute inset-y-0 left-0"
          style={{ width: `${Math.min(100, share * 71)}%`, background: tone }}
        />
        <span className="absolute inset-y-[-3px] left-[71%] w-[2px] bg-ink" />
      </span>
      <span className="w-44 text-xs">
        {props.words} {Math.round(share * 100)} % {props.of}
      </span>
    </span>
  );
}
