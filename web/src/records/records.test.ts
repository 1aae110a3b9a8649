// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { asRecord, FORMS, type Form, saidOf } from './forms';

const form = (kind: string) => FORMS.find((f) => f.kind === kind) as Form;
const typed = (of: Record<string, string>) => {
  const made = new FormData();
  for (const [name, text] of Object.entries(of)) made.set(name, text);
  return made;
};

describe('what is typed into a form', () => {
  it('is a record: figures as they were written, marked as measured', () => {
    expect(asRecord(form('fluid'), typed({ system: 'oil', drained: '3.2 L', level: 'at the mark' }))).toEqual({
      kind: 'fluid',
      system: 'oil',
      drained: { entered: '3.2 L', source: 'measured' },
      level: 'at the mark',
    });
  });
  it('leaves out what is blank, also where only spaces are typed', () => {
    expect(asRecord(form('spend'), typed({ what: '  gasket ', amount: '   ' }))).toEqual({
      kind: 'spend',
      what: 'gasket',
    });
  });
  it('has a target that comes from its maker, and a reading that was measured', () => {
    const made = asRecord(form('torque'), typed({ fastener: 'sump', target: '25 N·m', actual: '24 N·m' }));
    expect(made.target).toEqual({ entered: '25 N·m', source: 'maker' });
    expect(made.actual).toEqual({ entered: '24 N·m', source: 'measured' });
  });
  it.each([
    ['station', 'datum', 'aft'],
    ['butt_line', 'centreline', 'starboard'],
    ['water_line', 'level line', 'up'],
  ])('has a %s from the %s', (name, from, dir) => {
    expect(asRecord(form('removed'), typed({ part: 'tank', [name]: '120 mm' }))[name]).toEqual({
      entered: '120 mm',
      source: 'measured',
      from,
      dir,
    });
  });
  it('has a number as a number', () => {
    expect(asRecord(form('closure'), typed({ squawk: '7', evidence: 'tight' })).squawk).toBe(7);
    expect(asRecord(form('squawk'), typed({ text: 'weeps', severity: '2' })).severity).toBe(2);
  });
  it('takes nothing that the form does not ask for', () => {
    expect(asRecord(form('hours'), typed({ hours: '3 h', amount: '9' }))).not.toHaveProperty('amount');
  });
});

describe('a record in one line', () => {
  it.each([
    [
      'torque',
      { fastener: 'sump', place: '3', actual: { entered: '24 N·m' }, marked: 'yes' },
      'sump 3, 24 N·m, marked',
    ],
    ['torque', { fastener: 'sump', marked: 'no' }, 'sump'],
    ['fastener', { of: 'cover', hole: '4', length: { entered: '45 mm' } }, 'cover, hole 4, 45 mm'],
    ['fluid', { system: 'oil', filled: { entered: '3.5 L' } }, 'oil, 3.5 L filled'],
    ['removed', { part: 'tank', mass: { entered: '16 kg' }, becomes: 'sold' }, 'tank, 16 kg, sold'],
    ['connection', { label: 'F1', step: 'capped' }, 'F1, capped'],
    ['squawk', { text: 'weeps', severity: 2 }, 'weeps, severity 2'],
    ['closure', { squawk: 4, evidence: 'new seal' }, 'squawk 4, new seal'],
    ['spend', { what: 'hose', amount: { entered: '12' } }, 'hose, 12'],
    ['hours', { hours: { entered: '3 h' } }, '3 h'],
    ['step', { step: 'done' }, 'done'],
    ['witness', { role: 'inspector', evidence: 'looked at it' }, 'seen as inspector: looked at it'],
    ['card', { card: 'first-start', result: 'failed', why: 'no oil' }, 'first-start: failed, no oil'],
    ['card', { card: 'first-start', result: 'passed' }, 'first-start: passed'],
    ['reading', { what: 'oil_pressure', entered: '4 bar' }, 'oil pressure: 4 bar'],
    ['log', { name: 'run 1', rows: 200 }, 'run 1, 200 rows'],
    ['photo', { of: 'mount' }, 'photograph: mount'],
    ['second weighing', { support: 'tail', reading: { entered: '24 kg' } }, 'tail: 24 kg'],
    ['withdrawn', { corrects: 3 }, 'withdraws record 3'],
    ['of a later version', {}, 'of a later version'],
  ])('%s', (kind, data, said) => {
    expect(saidOf(kind, data)).toBe(said);
  });
});

describe('the forms', () => {
  it.each(FORMS)('$kind asks for each thing once, and for what it must have first', ({ asks }) => {
    const names = asks.map((a) => a.name);
    expect(new Set(names).size).toBe(names.length);
    expect(asks[0]?.required).toBe(true);
    for (const a of asks) expect(a.as === 'choice').toBe(a.choices !== undefined);
  });
  it('say nothing of a blank record that reads like a figure', () => {
    for (const f of FORMS) expect(f.said({})).not.toMatch(/\d/);
  });
});
