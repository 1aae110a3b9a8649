import { createRootRoute, createRoute, createRouter, Outlet } from '@tanstack/react-router';
import type { Bench, Units } from '../api/client';
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
    units: s.units === 'mm-kg' || s.units === 'in-lb' ? s.units : undefined,
    unit: typeof s.unit === 'string' ? s.unit : undefined,
  }),
  component: Workshop,
});
export const router = createRouter({ routeTree: root.addChildren([list, workshop]) });
declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
