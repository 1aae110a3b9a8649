import type { Operation } from '../../api/client';

/** Operations as the server gives them, as an edit takes them. */
export function asOperations(given: { op: string; path: string; value?: unknown }[]): Operation[] {
  return given.map((o) => ({ op: o.op as Operation['op'], path: o.path, value: o.value }));
}
