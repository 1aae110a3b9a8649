import { expect, it } from 'vitest';
import type { Block } from '../api/client';
import { benchOf } from './useFocusField';

const block = (bench: Block['bench'], pointers: string[], table: string | null = null): Block => ({
  bench,
  title: '',
  hint: '',
  table,
  one: '',
  fresh: {},
  electric: false,
  folded: false,
  entries: pointers.map((pointer) => ({ pointer, label: '', kind: 'figure' as const, choices: [], drag: false })),
});
const BLOCKS = [
  block('craft', ['reading', 'tare'], '/craft/supports'),
  block('craft', ['/craft/limits/gross']),
  block('drive', ['~/unit/power']),
  block('drive', ['ratio'], '~/drive/stages'),
  block('mount', ['strength'], '~/mount/points'),
  block('align', ['unit_aft'], '~/mount/points'),
  block('align', ['~/placement/down', '/craft/references/firewall/station']),
];

it.each([
  ['/craft/supports/tail/reading', 'craft'],
  ['/craft/limits/gross', 'craft'],
  ['/loadings/solo/fuel/main', 'balance'],
  ['/fits/a/ledger/pump/mass', 'balance'],
  ['/ledger/old-exhaust/station', 'balance'],
  ['/fits/a/installations/main/unit/power', 'drive'],
  ['/fits/a/installations/port/drive/stages/belt/ratio', 'drive'],
  ['/old_installations/main/mount/points/p/strength', 'mount'],
  ['/fits/a/installations/main/mount/points/p/unit_aft', 'align'],
  ['/fits/a/installations/main/mount/points', 'mount'],
  ['/fits/a/installations/main/placement/down', 'align'],
  ['/craft/references/firewall/station', 'align'],
])('%s is on %s', (pointer, bench) => {
  expect(benchOf(pointer, BLOCKS)).toBe(bench);
});
