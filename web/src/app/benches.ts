import { lazy } from 'react';
import type { Bench } from '../api/client';

/** All benches in the order of the work. */
export const BENCHES: Bench[] = ['craft', 'choose', 'balance', 'drive', 'mount', 'align', 'systems', 'build', 'prove'];

/** The pages of an open project: what is measured first, then the benches. */
export type Page = Bench | 'first';
export const PAGES: Page[] = ['first', ...BENCHES];

/** Benches whose own picture comes before the side view of the craft. */
export const OWN_PICTURE: Bench[] = ['systems', 'build', 'prove'];

/** The screens, each loaded when it is first opened. */
export const SCREENS: Record<Page, React.ComponentType> = {
  first: lazy(async () => ({ default: (await import('../first/FirstPage')).FirstPage })),
  craft: lazy(async () => ({ default: (await import('../benches/craft/CraftBench')).CraftBench })),
  choose: lazy(async () => ({ default: (await import('../benches/choose/ChooseBench')).ChooseBench })),
  balance: lazy(async () => ({ default: (await import('../benches/balance/BalanceBench')).BalanceBench })),
  drive: lazy(async () => ({ default: (await import('../benches/drive/DriveBench')).DriveBench })),
  mount: lazy(async () => ({ default: (await import('../benches/mount/MountBench')).MountBench })),
  align: lazy(async () => ({ default: (await import('../benches/align/AlignBench')).AlignBench })),
  systems: lazy(async () => ({ default: (await import('../benches/systems/SystemsBench')).SystemsBench })),
  build: lazy(async () => ({ default: (await import('../benches/build/BuildBench')).BuildBench })),
  prove: lazy(async () => ({ default: (await import('../benches/prove/ProveBench')).ProveBench })),
};
