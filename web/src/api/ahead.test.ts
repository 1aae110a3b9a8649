import { describe, expect, it } from 'vitest';
import { ALL } from '../../testing/stage';
import { joined } from './ahead';
import type { Assessment, Bench } from './client';

const LISTED: Bench[] = ['choose', 'drive', 'mount', 'align', 'systems', 'prove'];

/** What the server answers of some benches: of the others nothing. */
function of(made: Assessment, sections: Bench[]): Assessment {
  const own = (of: { bench: Bench }) => sections.includes(of.bench);
  return {
    ...made,
    benches: made.benches.filter(own),
    findings: made.findings.filter(own),
    values: made.values.filter(own),
    missing: [],
    rough: [],
    balance: sections.includes('balance') ? made.balance : null,
    build: sections.includes('build') ? made.build : null,
    installations: made.installations.map((i) => ({
      ...i,
      ...Object.fromEntries(LISTED.filter((b) => !sections.includes(b)).map((b) => [b, null])),
    })),
  };
}
const bench = (made: Assessment, one: Bench) => of(made, [one]);

describe('what was asked of one bench, in its place', () => {
  it.each(ALL.map((d) => [`${d.craft}, ${d.fit}`, d.state.assessment] as const))('%s', (_, whole) => {
    for (const { bench: one } of whole.benches) {
      const changed = {
        ...bench(whole, one),
        findings: bench(whole, one).findings.map((f) => ({ ...f, level: 'stop' as const })),
        values: bench(whole, one).values.map((v) => ({ ...v, si: 4711 })),
      };
      const made = joined(whole, changed);
      expect(bench(made, one)).toEqual(changed);
      for (const { bench: other } of whole.benches) {
        if (other !== one) expect(bench(made, other)).toEqual(bench(whole, other));
      }
      expect(made.rough).toEqual(whole.rough);
      expect(made.missing).toEqual(whole.missing);
      expect(made.findings).toHaveLength(whole.findings.length);
    }
  });
  it('is all there is where every bench was asked', () => {
    const whole = ALL[0]?.state.assessment as Assessment;
    const part = { ...whole, findings: [] };
    expect(joined(whole, part)).toBe(part);
  });
});
