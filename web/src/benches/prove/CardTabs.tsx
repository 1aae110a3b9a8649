import type { Level, Prove } from '../../api/client';
import { Mark } from '../../findings/Mark';

type Card = Prove['cards'][number];
export const LEVEL: Record<string, Level> = {
  passed: 'ok',
  failed: 'stop',
  aborted: 'stop',
  begun: 'watch',
  open: 'unknown',
  shut: 'unknown',
};

/** Cards in the order of the work, each with its stroke. */
export function CardTabs(props: { cards: Card[]; open: string; onOpen: (card: string) => void }) {
  return (
    <nav
      aria-label="Cards"
      className="grid border-b border-ink"
      style={{ gridTemplateColumns: `repeat(${props.cards.length}, minmax(0, 1fr))` }}
    >
      {props.cards.map((c) => (
        <button
          key={c.id}
          type="button"
          data-card={c.id}
          data-word={c.word}
          aria-pressed={c.id === props.open}
          aria-label={`${c.title}: ${c.word}`}
          className={`grid cursor-pointer content-between gap-1 border-r border-rule px-1.5 py-1.5 text-left hover:bg-tray ${
            c.id === props.open ? 'border-b-[3px] border-b-act bg-sheet' : 'bg-ground'
          }`}
          onClick={() => props.onOpen(c.id)}
        >
          <span
            className={`head text-[13px] leading-tight ${c.id === props.open ? 'text-act' : c.word === 'shut' ? 'text-muted' : ''}`}
          >
            {c.title}
          </span>
          <span className="flex items-center gap-1 text-xs text-muted">
            <Mark level={LEVEL[c.word] ?? 'unknown'} silent />
            {c.word}
          </span>
        </button>
      ))}
    </nav>
  );
}
