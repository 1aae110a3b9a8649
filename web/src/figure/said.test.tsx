import { describe, expect, it } from 'vitest';
import { ALL, UNITS, view } from '../../testing/stage';
import { answerOf, between, formatNumber, sentence, workingLines } from './format';

/** The screen and the server put numbers into sentences apart from each other: what the one says the other must. */
describe.each(ALL)('$craft, $fit: screen and server say the same', ({ state, said }) => {
  it.each(UNITS)('of every finding, in %s', (units) => {
    const ours = state.assessment.findings.map((f) => ({
      key: f.key,
      title: sentence(f.title, view(units)),
      message: sentence(f.message, view(units)),
      working: f.working ? workingLines(f.working, view(units)) : null,
    }));
    const theirs = Object.entries(said[units].findings).map(([key, f]) => ({ key, ...f }));
    expect(ours.length).toBeGreaterThan(0);
    expect(ours).toEqual(theirs);
  });

  it.each(UNITS)('of every headline value, in %s', (units) => {
    const ours = state.assessment.values.map((v) => ({
      id: v.id,
      was_and_is: answerOf(v, view(units)),
      plus_minus: v.plus_minus_si == null ? null : formatNumber(v.plus_minus_si, between(v.dimension), view(units)),
    }));
    const theirs = Object.entries(said[units].values).map(([id, v]) => ({ id, ...v }));
    expect(ours.length).toBeGreaterThan(0);
    expect(ours).toEqual(theirs);
  });
});
