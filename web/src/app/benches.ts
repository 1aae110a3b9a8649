import { lazy } from 'react';
import type { Bench } from '../api/client';

/** All benches in the order of the work. */
export const BENCHES: Bench[] = ['craft', 'choose', 'balance', 'drive', 'mount', 'align', 'systems', 'build', 'prove'];

/** Benches whose own picture comes before the side view of the craft. */
export const OWN_PICTURE: Bench[] = ['systems', 'build', 'prove'];

/** The screens of the benches that are built, each loaded when it is first opened. */
export const SCREENS: Partial<Record<Bench, React.ComponentType>> = {
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
