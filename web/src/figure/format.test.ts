import { describe, expect, it } from 'vitest';
import golden from '../../../tests/golden/format.json';
import type { Message, Value, View, Working } from '../api/client';
import { answerOf, formatNumber, needed, sentence, workingLines } from './format';

const views = golden.views as unknown as Record<string, View>;

describe('numbers, against the table that the server is held to', () => {
  it.each(golden.numbers)('$si $dimension in $units', ({ si, dimension, units, shown }) => {
    expect(formatNumber(si, dimension, views[units] as View)).toBe(shown);
  });
  it('knows no other dimension', () => {
    expect(() => formatNumber(1, 'warmth', views['mm-kg'] as View)).toThrow('warmth');
  });
});

describe('sentences and workings', () => {
  it.each(['mm-kg', 'in-lb'] as const)('fills the slots in %s', (units) => {
    const message = { template: golden.sentence.template, params: golden.sentence.params } as unknown as Message;
    expect(sentence(message, views[units] as View)).toBe(golden.sentence.shown[units]);
  });
  it.each(golden.answers)('says in words which way, $value.si', ({ value, shown }) => {
    expect(answerOf(value as unknown as Value, views['mm-kg'] as View)).toEqual(shown);
  });
  it('says what cannot be used with what was given and what is accepted', () => {
    expect(needed(golden.needed.gaps)).toBe(golden.needed.shown);
  });
  it('puts the numbers into the formula', () => {
    for (const { working, shown } of golden.workings) {
      const [formula, filled, result] = workingLines(working as Working, views['mm-kg'] as View);
      expect([formula, `  = ${filled}`, `  = ${result}`]).toEqual(shown);
    }
  });
});
