import { createContext, useContext } from 'react';
import type { Operation, Reference, View } from './client';

/** What fields write on: the document of a project, or a unit of the library. */
export interface SheetApi {
  reference: Reference;
  view: View;
  units: 'mm-kg' | 'in-lb';
  /** Decimal mark of what is written here. */
  numberStyle: 'point' | 'comma';
  /** On which side of its flange the unit of a field lies, +1 aft or −1 ahead; nought where units lie across. */
  unitSide: (pointer: string) => number;
  at: (pointer: string) => unknown;
  /** The rough figure that stands in at a blank; nothing where none does. */
  rough: (pointer: string) => { si: number; dimension: string } | undefined;
  edit: (operations: Operation[], summary: string, burst?: string) => Promise<void>;
  say: (notice: string | null) => void;
  /** What would follow from an edit while a hand moves, until it is made or left; not where nothing is worked out. */
  follow?: (operations: Operation[], summary: string) => void;
  leaveAhead?: () => void;
}

export const SheetContext = createContext<SheetApi | null>(null);

/** The sheet that a field stands on. */
export function useSheet(): SheetApi {
  const found = useContext(SheetContext);
  if (!found) throw new Error('no sheet is open here');
  return found;
}
