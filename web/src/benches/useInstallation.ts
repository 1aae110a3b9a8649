import type { Installation } from '../api/client';
import { useProject } from '../api/project';
import { workshop } from '../app/router';

interface Chosen {
  pointer: string | null;
  id: string;
  name: string;
  out: Installation | null;
  all: Installation[];
  electric: boolean;
}

/** The installation that a bench works on: the one picked, or the first of the fit; the old ones for the craft as found. */
export function useInstallation(): Chosen {
  const { shown, at } = useProject();
  const { unit } = workshop.useSearch();
  const all = shown.installations;
  const out = all.find((i) => i.id === unit) ?? all[0] ?? null;
  const pointer = out?.pointer ?? null;
  return {
    pointer,
    id: out?.id ?? '',
    name: out?.name ?? 'unit',
    out,
    all,
    electric: pointer !== null && at(`${pointer}/unit/kind`) === 'electric',
  };
}
