import type { Installation } from './client';
import { useProject, useShown } from './project';
import { workshop } from './route';

interface Chosen {
  pointer: string | null;
  id: string;
  name: string;
  all: Installation[];
  electric: boolean;
}

/** The installation that a bench works on: the one picked, or the first of the fit; the old ones for the craft as found.
 * As it was saved: it stands while something is dragged. */
export function useInstallation(): Chosen {
  const { state, at } = useProject();
  const { unit } = workshop.useSearch();
  const all = state.assessment.installations;
  const one = all.find((i) => i.id === unit) ?? all[0] ?? null;
  const pointer = one?.pointer ?? null;
  return {
    pointer,
    id: one?.id ?? '',
    name: one?.name ?? 'unit',
    all,
    electric: pointer !== null && at(`${pointer}/unit/kind`) === 'electric',
  };
}

/** What is assessed of that installation, as it is shown: it follows the hand. */
export function useAssessed(): Installation | null {
  const { shown } = useShown();
  const { id } = useInstallation();
  return shown.installations.find((i) => i.id === id) ?? shown.installations[0] ?? null;
}
