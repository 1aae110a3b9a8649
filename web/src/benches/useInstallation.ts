import { useProject } from '../api/project';

/** Pointer of the installation that a bench works on: the first one of the fit, or the old one for the craft as found. */
export function useInstallation(): { pointer: string | null; name: string } {
  const { fit, at } = useProject();
  if (fit === null) {
    const old = at('/old_installation') as { unit?: { name?: string } } | undefined;
    return { pointer: old ? '/old_installation' : null, name: old?.unit?.name ?? 'old unit' };
  }
  const all = (at(`/fits/${fit}/installations`) ?? {}) as Record<string, { rank: number; unit?: { name?: string } }>;
  const first = Object.entries(all).sort(([, a], [, b]) => a.rank - b.rank)[0];
  return first
    ? { pointer: `/fits/${fit}/installations/${first[0]}`, name: first[1].unit?.name ?? 'unit' }
    : { pointer: null, name: 'unit' };
}
