import { Link } from '@tanstack/react-router';
import type { Ahead } from '../api/ahead';
import { useProject, useShown } from '../api/project';
import { workshop } from '../api/route';
import { movedBetween, sentence } from '../figure/format';
import { Mark } from '../findings/Mark';

/** While a hand moves the bench in view alone is asked; the others follow when it rests. */
function heading(ahead: Ahead | null, bench: string): string {
  if (!ahead) return 'Last edit';
  return ahead.behind.length ? `Looking ahead, ${bench} only` : 'Looking ahead';
}

/** What the last edit changed: what flipped, then what moved. Click to jump. */
export function RippleStrip() {
  const { view, leaveAhead } = useProject();
  const { ripple, ahead } = useShown();
  const { id, bench } = workshop.useParams();
  const flips = ripple?.changed.filter((c) => c.kind === 'finding') ?? [];
  const moves = (ripple?.changed.filter((c) => c.kind === 'value') ?? [])
    .filter((c) => c.dimension && c.dimension !== 'text')
    .map((c) => {
      const [from, to] = movedBetween(c.before_si, c.after_si, c.dimension as string, view, c.ways);
      return { ...c, from: from ?? '—', to: to ?? '—' };
    })
    .filter((c) => c.from !== c.to);
  return (
    <div
      aria-label="Ripple"
      role="status"
      className="no-print flex h-9 flex-none items-center gap-4 overflow-hidden whitespace-nowrap border-t border-rule bg-tray px-3.5 text-[13px]"
      data-ripple
    >
      <b className="head flex-none">{heading(ahead, bench)}</b>
      {ahead && (
        <button type="button" className="quiet flex-none" onClick={leaveAhead}>
          let go
        </button>
      )}
      {!ripple && <span className="text-muted">nothing changed yet</span>}
      {ripple && <span className="max-w-64 flex-none truncate">{ripple.summary}</span>}
      {flips.slice(0, 3).map((c) => (
        <Link
          key={c.id}
          to="/p/$id/$bench"
          params={{ id, bench: c.bench }}
          search={(s) => ({ ...s, finding: c.id })}
          className="flex flex-none items-center gap-1.5"
        >
          {c.before_level && <Mark level={c.before_level} />}→{c.after_level && <Mark level={c.after_level} />}
          <span className="max-w-52 truncate">{sentence(c.label, view)}</span>
        </Link>
      ))}
      {moves.slice(0, 5).map((c) => (
        <Link
          key={c.id}
          to="/p/$id/$bench"
          params={{ id, bench: c.bench }}
          search={(s) => ({ ...s, finding: undefined })}
          className="flex-none"
        >
          {c.label.template}{' '}
          <span className="figure text-xs">
            <span className="text-muted">{c.from} →</span> {c.to}
          </span>
        </Link>
      ))}
    </div>
  );
}
