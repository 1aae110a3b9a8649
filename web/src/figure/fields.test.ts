import { describe, expect, it } from 'vitest';
import type { Reference } from '../api/client';
import { completeUnit, fieldAt, stepText, tapeText } from './fields';

describe('a bare number gets the unit of the view', () => {
  it.each([
    ['570', 'mm', '570 mm'],
    ['43 1/4', 'in', '43 1/4 in'],
    ['-12.5', 'mm', '-12.5 mm'],
    ['12 ±1', 'mm', '12 mm ±1'],
    ['12 measured', 'mm', '12 mm measured'],
    ['570 mm', 'in', '570 mm'],
    ['3\' 7 1/4"', 'mm', '3\' 7 1/4"'],
    ['2.43', '', '2.43'],
    ['', 'mm', ''],
    ['rubbish', 'mm', 'rubbish'],
  ])('%s in %s', (text, unit, complete) => {
    expect(completeUnit(text, unit)).toBe(complete);
  });
});

describe('arrow keys step by the tape', () => {
  it.each([
    ['570 mm', 1, '571 mm'],
    ['1 mm', -1, '0 mm'],
    ['0 mm', -1, '-1 mm'],
    ['43 1/4 in', 1, '43 5/16 in'],
    ['43 15/16 in', 1, '44 in'],
    ['1/16 in', -1, '0 in'],
    ['71.0 kg ±0.8 kg', 1, '71.1 kg ±0.8 kg'],
    ['2°', 1, '2.25 °'],
    ['5600 rpm', -1, '5590 rpm'],
    ['34', 3, '37'],
    ['2.4286', -2, '2.4086'],
    ['68 in', 4, '68 1/4 in'],
  ] as const)('%s by %i', (text, way, next) => {
    expect(stepText(text, way)).toBe(next);
  });
  it('leaves alone what is no figure', () => {
    expect(stepText('rubbish', 1)).toBeNull();
  });
});

it('finds the field of a pointer, ids standing for stars', () => {
  const reference = {
    fields: [
      { pattern: '/fits/*/ledger/*/mass', dimension: 'mass' },
      { pattern: '/craft/limits/gross', dimension: 'mass' },
    ],
  } as unknown as Reference;
  expect(fieldAt(reference, '/fits/a/ledger/row-1/mass')?.pattern).toBe('/fits/*/ledger/*/mass');
  expect(fieldAt(reference, '/fits/a/ledger/row-1')).toBeUndefined();
});

it.each([
  [0.796, 'mm-kg', '796 mm'],
  [-0.0051, 'mm-kg', '-5 mm'],
  [0.7953125, 'in-lb', '31 5/16 in'],
  [0.0254, 'in-lb', '1 in'],
  [0.0127, 'in-lb', '1/2 in'],
  [0, 'in-lb', '0 in'],
  [-0.7953125, 'in-lb', '-31 5/16 in'],
] as const)('%d m stands on the %s tape as %s', (si, units, text) => {
  expect(tapeText(si, units)).toBe(text);
});
