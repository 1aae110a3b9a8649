import { expect, it } from 'vitest';
import { benchOf } from './useFocusField';

it.each([
  ['/craft/supports/tail/reading', 'craft'],
  ['/craft/limits/gross', 'craft'],
  ['/loadings/solo/fuel/main', 'balance'],
  ['/fits/a/ledger/pump/mass', 'balance'],
  ['/ledger/old-exhaust/station', 'balance'],
  ['/fits/a/installations/main/unit/power', 'drive'],
  ['/fits/a/installations/main/drive/stages/belt/ratio', 'drive'],
  ['/old_installation/propeller/diameter', 'drive'],
  ['/old_installation/mount/thrust', 'mount'],
  ['/fits/a/installations/main/mount/points/p/strength', 'mount'],
  ['/fits/a/installations/main/mount/points/p/unit_aft', 'align'],
  ['/fits/a/installations/main/placement/down', 'align'],
  ['/fits/a/installations/main/unit/mass', 'align'],
  ['/assumptions/tip_mach', 'drive'],
  ['/assumptions/yaw_rate', 'mount'],
])('%s is on %s', (pointer, bench) => {
  expect(benchOf(pointer)).toBe(bench);
});
