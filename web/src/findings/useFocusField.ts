import { useNavigate } from '@tanstack/react-router';
import { useCallback } from 'react';
import type { Bench, Block } from '../api/client';
import { useProject } from '../api/project';
import { reveal } from '../parts/reveal';

/** The bench whose sheet holds the field of a pointer: the sheets of the kind say it. */
export function benchOf(pointer: string, blocks: Block[]): Bench {
  const part = pointer
    .replace(/^\/(fits\/[^/]+\/installations|old_installations)\/[^/]+/, '~')
    .replace(/^\/fits\/[^/]+\/(tanks|tasks|plan)(?=\/|$)/, '^/$1');
  if (part.startsWith('/records/')) return /^\/records\/\d/.test(part) ? 'build' : 'prove';
  for (const block of blocks) {
    if (block.table && (part === block.table || part.startsWith(`${block.table}/`))) {
      const field = part.slice(block.table.length).split('/')[2];
      if (!field || block.entries.some((e) => e.pointer === field)) return block.bench;
    }
    if (!block.table && block.entries.some((e) => e.pointer === part || e.pointer.startsWith(`${part}/`)))
      return block.bench;
  }
  return /^\/(loadings|ledger|fits)/.test(part) ? 'balance' : 'craft';
}

/** The field on the bench that is open; one that is still drawn while the next bench is fetched does not count. */
function fieldOf(pointer: string): HTMLElement | undefined {
  const open = window.location.pathname.split('/')[3];
  const fields = [...document.querySelectorAll<HTMLElement>('main [data-pointer]')].filter(
    (f) => (f.closest<HTMLElement>('[data-bench]')?.dataset.bench ?? open) === open,
  );
  return (
    fields.find((f) => f.dataset.pointer === pointer) ??
    fields.find((f) => f.dataset.pointer?.startsWith(`${pointer}/`))
  );
}

/** What the person does next ends the search for the field that was asked for before. */
let searching: AbortController | undefined;

/** Bring the field of a figure into view, going to its bench if it is on another, and to the craft as found if it is the old unit's. */
export function useFocusField(): (pointer: string) => void {
  const { id, reference, state } = useProject();
  const blocks = reference.sheets[state.document.kind as string] ?? [];
  const go = useNavigate();
  return useCallback(
    (pointer: string) => {
      searching?.abort();
      const search = new AbortController();
      searching = search;
      for (const input of ['pointerdown', 'keydown'])
        window.addEventListener(input, () => search.abort(), { once: true, signal: search.signal });
      // A bench may have to be fetched, and a dialog that closes keeps the focus for a moment.
      const show = (triesLeft: number) => {
        if (search.signal.aborted) return;
        const field = fieldOf(pointer);
        if (field) {
          field.closest('details')?.setAttribute('open', '');
          field.scrollIntoView({ block: 'center' });
          field.focus();
        } else reveal(pointer);
        if (field && document.activeElement === field) search.abort();
        else if (triesLeft > 0) setTimeout(() => show(Math.min(triesLeft - 1, field ? 40 : 400)), 50);
      };
      if (!fieldOf(pointer) && !reveal(pointer)) {
        const old = pointer.startsWith('/old_installations');
        const unit = pointer.match(/^\/(?:fits\/[^/]+\/installations|old_installations)\/([^/]+)/)?.[1];
        const own = pointer.match(/^\/fits\/([^/]+)/)?.[1];
        void go({
          to: '/p/$id/$bench',
          params: { id, bench: benchOf(pointer, blocks) },
          search: (s) => ({ ...s, finding: undefined, fit: old ? 'none' : (own ?? s.fit), unit: unit ?? s.unit }),
        });
      }
      show(400);
    },
    [go, id, blocks],
  );
}
