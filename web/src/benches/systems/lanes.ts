import type { Block, Finding, Level } from '../../api/client';

/** Lanes in the order of the work, and what each is called. */
export const LANES = {
  cooling: 'Cooling',
  water: 'Sea water',
  oil: 'Oil',
  exhaust: 'Exhaust',
  induction: 'Induction',
  fuel: 'Fuel',
  current: 'Current',
  voltage: 'High voltage',
  reach: 'Reach',
  joints: 'Joints',
} as const;
export type Lane = keyof typeof LANES;

/** The lane that a finding is of. */
export function laneOf(finding: Pick<Finding, 'rule' | 'key'>): Lane | null {
  const [name = ''] = (finding.rule.split('.')[1] ?? '').split('-');
  if (name === 'begun') return (finding.key.split(':')[1]?.split('@')[0] ?? null) as Lane | null;
  if (name === 'joint') return 'joints';
  return name in LANES ? (name as Lane) : null;
}

/** The lane in which a field is, by its pointer in the document or in a sheet. */
export function laneAt(pointer: string): Lane | null {
  const part = pointer.match(/\/systems\/([a-z_]+)(?:\/([a-z_]+))?/);
  if (!part) return pointer.startsWith('/craft/tanks') ? 'fuel' : null;
  const [, name, field] = part;
  if (name === 'cooling') return ['water', 'pump', 'sea', 'keel_area'].includes(field ?? '') ? 'water' : 'cooling';
  if (name === 'electric') return 'current';
  if (name === 'high_voltage') return 'voltage';
  if (name === 'access') return 'reach';
  return name !== undefined && name in LANES ? (name as Lane) : null;
}

/** The lane to which a block of the sheet belongs. */
export function laneOfBlock(block: Block): Lane | null {
  const pointers = [block.table ?? '', ...block.entries.map((e) => e.pointer)];
  return pointers.map(laneAt).find((l) => l !== null) ?? null;
}

const ORDER: Level[] = ['stop', 'watch', 'unknown', 'ok'];

/** The worst of some findings; null where there is none. */
export function worst(findings: Finding[]): Finding | null {
  return [...findings].sort((a, b) => ORDER.indexOf(a.level) - ORDER.indexOf(b.level))[0] ?? null;
}
