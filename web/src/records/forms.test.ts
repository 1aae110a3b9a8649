import { describe, expect, it } from 'vitest';
import { FORMS } from './forms';

describe('forms of records', () => {
  it('are one of a kind, each with a first thing that must be said', () => {
    expect(new Set(FORMS.map((f) => f.kind)).size).toBe(FORMS.length);
    for (const f of FORMS) expect(f.asks.some((a) => a.required)).toBe(true);
  });
  it('ask each thing once, and give choices where one chooses', () => {
    for (const f of FORMS) {
      expect(new Set(f.asks.map((a) => a.name)).size).toBe(f.asks.length);
      for (const a of f.asks) expect(a.as !== 'choice' || (a.choices?.length ?? 0) > 1).toBe(true);
    }
  });
  it('tell a record in one line from what was written, and leave out what was not', () => {
    const of = (kind: string) => FORMS.find((f) => f.kind === kind);
    const torque = { fastener: 'head bolt', place: '3', actual: { entered: '66 N·m' }, marked: 'yes' };
    expect(of('torque')?.said(torque)).toBe('head bolt 3, 66 N·m, marked');
    expect(of('fluid')?.said({ system: 'oil', filled: { entered: '3.5 L' } })).toBe('oil, 3.5 L filled');
    for (const f of FORMS) {
      const least = Object.fromEntries(f.asks.filter((a) => a.required).map((a) => [a.name, 'x']));
      expect(f.said(least)).not.toMatch(/undefined|null|NaN|, ,/);
    }
  });
});
