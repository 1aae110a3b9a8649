import { createRootRoute, createRoute, createRouter, Outlet } from '@tanstack/react-router';
import type { Bench, Units } from '../api/client';
import { LibraryPage } from '../library/LibraryPage';
import { UnitPage } from '../library/UnitPage';
import { BENCHES } from './Keel';
import { ProjectList } from './ProjectList';
import { Workshop } from './Workshop';

export interface Search {
  fit?: string;
  finding?: string;
  units?: Units;
  unit?: string;
}
const root = createRootRoute({
  component: Outlet,
  notFoundComponent: () => <p className="p-8">There is no such page. The list of repowers is at the start.</p>,
});
const list = createRoute({ getParentRoute: () => root, path: '/', component: ProjectList });
const inUnits = (s: Record<string, unknown>): { units?: Units } => ({
  units: s.units === 'mm-kg' || s.units === 'in-lb' ? s.units : undefined,
});
const library = createRoute({
  getParentRoute: () => root,
  path: '/library',
  validateSearch: inUnits,
  component: LibraryPage,
});
const unit = createRoute({
  getParentRoute: () => root,
  path: '/library/$key',
  validateSearch: inUnits,
  component: UnitPage,
});
export const workshop = createRoute({
  getParentRoute: () => root,
  path: '/p/$id/$bench',
  params: {
    parse: (p) => ({ id: p.id, bench: (BENCHES.includes(p.bench as Bench) ? p.bench : 'craft') as Bench }),
    stringify: (p) => p,
  },
  validateSearch: (s: Record<string, unknown>): Search => ({
    fit: typeof s.fit === 'string' ? s.fit : undefined,
    finding: typeof s.finding === 'string' ? s.finding : undefined,
    ...inUnits(s),
    unit: typeof s.unit === 'string' ? s.unit : undefined,
  }),
  component: Workshop,
});
export const router = createRouter({ routeTree: root.addChildren([list, library, unit, workshop]) });
declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
