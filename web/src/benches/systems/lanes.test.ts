import { describe, expect, it } from 'vitest';
import type { Block, Finding } from '../../api/client';
import { LANES, laneAt, laneOf, laneOfBlock, worst } from './lanes';

const finding = (rule: string, level: Finding['level'], key = rule) => ({ rule, key, level }) as Finding;

describe('which lane a finding is of', () => {
  it.each([
    ['systems.cooling-settles', 'cooling'],
    ['systems.water-outlet', 'water'],
    ['systems.exhaust-injection', 'exhaust'],
    ['systems.current-wire', 'current'],
    ['systems.voltage-isolation', 'voltage'],
    ['systems.reach', 'reach'],
    ['systems.joint', 'joints'],
  ] as const)('%s is of %s', (rule, lane) => expect(laneOf(finding(rule, 'ok'))).toBe(lane));
  it('reads the lane that nobody began out of its subject, of one unit of several too', () => {
    expect(laneOf(finding('systems.begun', 'unknown', 'systems.begun:fuel'))).toBe('fuel');
    expect(laneOf(finding('systems.begun', 'unknown', 'systems.begun:oil@port'))).toBe('oil');
  });
  it('knows no lane of another bench', () => expect(laneOf(finding('balance.trim', 'ok'))).toBeNull());
});

describe('which lane a field is in', () => {
  it.each([
    ['/fits/a/installations/main/systems/cooling/by', 'cooling'],
    ['/fits/a/installations/main/systems/cooling/water/pump/bore', 'water'],
    ['/fits/a/installations/main/systems/cooling/sea', 'water'],
    ['/fits/a/installations/main/systems/electric/wires/starter/run', 'current'],
    ['/fits/a/installations/main/systems/high_voltage/fuse', 'voltage'],
    ['/fits/a/installations/main/systems/access', 'reach'],
    ['/fits/a/installations/main/systems/joints/oil/done', 'joints'],
    ['/craft/tanks/main/depth', 'fuel'],
  ] as const)('%s is in %s', (pointer, lane) => expect(laneAt(pointer)).toBe(lane));
  it('knows none elsewhere', () => expect(laneAt('/fits/a/installations/main/unit/mass')).toBeNull());
  it('takes a block by its table or by its first field of a lane', () => {
    const block = (table: string, ...pointers: string[]) =>
      ({ table, entries: pointers.map((pointer) => ({ pointer })) }) as unknown as Block;
    expect(laneOfBlock(block('~/systems/fuel/path', 'bore'))).toBe('fuel');
    expect(laneOfBlock(block('', '~/unit/heat', '~/systems/cooling/limit'))).toBe('cooling');
    expect(laneOfBlock(block('~/mount/points', 'strength'))).toBeNull();
  });
});

describe('the worst of a lane', () => {
  it('is a stop before a watch, and what cannot be said before what is ok', () => {
    const levels = (['ok', 'unknown', 'watch', 'stop'] as const).map((l) => finding(`systems.oil-${l}`, l));
    expect(worst(levels)?.level).toBe('stop');
    expect(worst(levels.slice(0, 2))?.level).toBe('unknown');
    expect(worst([])).toBeNull();
  });
  it('has a name for every lane', () => {
    for (const words of Object.values(LANES)) expect(words).toMatch(/^[A-Z][a-z]+( [a-z]+)?$/);
  });
});
