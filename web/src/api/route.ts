import { getRouteApi } from '@tanstack/react-router';
import type { Units } from './client';

/** What the address says of an open project beside its id and its bench. */
export interface Search {
  fit?: string;
  finding?: string;
  units?: Units;
  unit?: string;
}

/** The page of an open project, for what is shown on it. */
export const workshop = getRouteApi('/p/$id/$bench');
