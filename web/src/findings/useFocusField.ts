import { useNavigate } from '@tanstack/react-router';
import { useCallback } from 'react';
import type { Bench } from '../api/client';
import { useProject } from '../api/project';

/** The bench whose sheet holds the field of a pointer. */
export function benchOf(pointer: string): Bench {
  const part = pointer.replace(/^\/fits\/[^/]+\/installations\/[^/]+/, '').replace(/^\/old_installation/, '');
  if (/^\/(loadings|ledger|fits)/.test(part)) return 'balance';
  if (/^\/(drive|propeller|assumptions\/(tip|ground)|unit\/(name|kind|cylinders|power|rated|turns))/.test(part))
    return 'drive';
  if (/^\/(mount\/(mass|thrust|torque)|mount\/points\/[^/]+\/(stiff|strength)|assumptions)/.test(part)) return 'mount';
  if (/^\/(placement|unit|mount)/.test(part)) return 'align';
  return 'craft';
}

function fieldOf(pointer: string): HTMLElement | undefined {
  const fields = [...document.querySelectorAll<HTMLElement>('main [data-pointer]')];
  return (
    fields.find((f) => f.dataset.pointer === pointer) ??
    fields.find((f) => f.dataset.pointer?.startsWith(`${pointer}/`))
  );
}

/** Bring the field of a figure into view, going to its bench if it is on another, and to the craft as found if it is the old unit's. */
export function useFocusField(): (pointer: string) => void {
  const { id } = useProject();
  const go = useNavigate();
  return useCallback(
    (pointer: string) => {
      const show = (triesLeft: number) => {
        const field = fieldOf(pointer);
        if (field) {
          field.scrollIntoView({ block: 'center' });
          field.focus();
        } else if (triesLeft > 0) setTimeout(() => show(triesLeft - 1), 50);
      };
      if (!fieldOf(pointer)) {
        const old = pointer.startsWith('/old_installation');
        const own = pointer.match(/^\/fits\/([^/]+)/)?.[1];
        void go({
          to: '/p/$id/$bench',
          params: { id, bench: benchOf(pointer) },
          search: (s) => ({ ...s, finding: undefined, fit: old ? 'none' : (own ?? s.fit) }),
        });
      }
      show(40);
    },
    [go, id],
  );
}
