import { createRootRoute, createRoute, createRouter, lazyRouteComponent, Outlet } from '@tanstack/react-router';
import type { Units } from '../api/client';
import type { Search } from '../api/route';
import { PAGES, type Page } from './benches';
import { ProjectList } from './ProjectList';

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
  component: lazyRouteComponent(() => import('../library/LibraryPage'), 'LibraryPage'),
});
const unit = createRoute({
  getParentRoute: () => root,
  path: '/library/$key',
  validateSearch: inUnits,
  component: lazyRouteComponent(() => import('../library/UnitPage'), 'UnitPage'),
});
const workshop = createRoute({
  getParentRoute: () => root,
  path: '/p/$id/$bench',
  params: {
    parse: (p) => ({ id: p.id, bench: (PAGES.includes(p.bench as Page) ? p.bench : 'craft') as Page }),
    stringify: (p) => p,
  },
  validateSearch: (s: Record<string, unknown>): Search => ({
    fit: typeof s.fit === 'string' ? s.fit : undefined,
    finding: typeof s.finding === 'string' ? s.finding : undefined,
    ...inUnits(s),
    unit: typeof s.unit === 'string' ? s.unit : undefined,
  }),
  component: lazyRouteComponent(() => import('./Workshop'), 'Workshop'),
});
export const router = createRouter({ routeTree: root.addChildren([list, library, unit, workshop]) });
declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
