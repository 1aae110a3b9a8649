// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ALL, stand, UNITS } from '../../testing/stage';
import { BENCHES } from '../app/benches';
import { named } from '../figure/format';
import { Answers } from './Answers';

const flat = (text: string | null | undefined) => (text ?? '').replace(/[\s\u00a0]+/g, ' ').trim();

/** Every headline value stands on its bench as the server says it, in both systems of units. */
describe.each(ALL.flatMap((one) => UNITS.map((units) => ({ ...one, units }))))(
  'answers of $craft $fit, $units',
  ({ craft, fit, units, said, state }) => {
    it.each(BENCHES)('on %s', (bench) => {
      for (const unit of state.assessment.installations.length > 1
        ? state.assessment.installations.map((i) => i.id)
        : [undefined]) {
        const { draw, assessment } = stand(craft, fit, units, undefined, unit);
        const own = assessment.values.filter(
          (v) => v.bench === bench && (!unit || !v.id.includes('@') || v.id.endsWith(`@${unit}`)),
        );
        const drawn = draw(<Answers bench={bench} />);
        if (drawn.querySelector('[aria-label="Nothing can be said here yet"]')) {
          expect(own.every((v) => v.si == null && !v.text)).toBe(true);
          for (const v of own) expect(flat(drawn.textContent).toLowerCase()).toContain(flat(v.label).toLowerCase());
          continue;
        }
        const shown = [...drawn.querySelectorAll('[data-value]')];
        expect(shown.map((e) => e.getAttribute('data-value'))).toEqual(own.map((v) => v.id));
        shown.forEach((e, i) => {
          const v = own[i] as (typeof own)[number];
          const words = flat(e.textContent);
          const {
            was_and_is: [before, now],
            plus_minus,
          } = said[units].values[v.id] as (typeof said)[typeof units]['values'][string];
          expect(words).toContain(flat(v.label));
          if (now === null) {
            expect(words).toContain('cannot say yet: needs');
            if (v.needs[0]) expect(words).toContain(flat(named(v.needs[0])));
            return;
          }
          expect(words).toContain(flat(now));
          if (before !== null && before !== now) expect(words).toContain(`${flat(before)} →`);
          if (plus_minus !== null) expect(words).toContain(`±${flat(plus_minus)}`);
          expect(words.includes('rests on rough figures')).toBe(v.rough);
        });
      }
    });
  },
);

describe('an answer', () => {
  const one = (change: object) => {
    const { draw, assessment } = stand('Lapwing', 'a', 'mm-kg', (made) => ({
      ...made,
      values: made.values.filter((v) => v.id === 'balance.empty-mass').map((v) => ({ ...v, ...change })),
    }));
    expect(assessment.values).toHaveLength(1);
    return flat(draw(<Answers bench="balance" />).textContent);
  };
  it('that cannot be said names what it needs first, and how many more', () => {
    const needs = ['mass of the unit', 'place of the unit'].map((what, i) => ({
      pointer: `/x/${i}`,
      what,
      given: null,
      allowed: null,
    }));
    expect(one({ si: null, text: null, needs })).toContain('cannot say yet: needs mass of the unit and 1 more');
  });
  it('that was no other before is said once', () => {
    expect(one({ si: 300, before_si: 300 })).not.toContain('→');
    expect(one({ si: 300, before_si: 290 })).toContain('290.0 kg → 300.0 kg');
  });
  it('of which the old is not known shows that it is not', () => {
    const gap = [{ pointer: '/x', what: 'old mass', given: null, allowed: null }];
    expect(one({ si: 300, before_si: null, before_needs: gap })).toContain('? →');
  });
  it('that rests on rough figures says so', () => {
    expect(one({ si: 300, rough: true })).toContain('rests on rough figures');
  });
  it('says a figure that cannot be used with what was given', () => {
    const needs = [{ pointer: '/x', what: 'mass of the unit', given: '-3 kg', allowed: 'above zero' }];
    expect(one({ si: null, text: null, needs })).toContain('mass of the unit (given: -3 kg; accepted: above zero)');
  });
});

it('answers are in their groups, those of none last', () => {
  const { draw } = stand('Lapwing', 'a');
  const drawn = draw(
    <Answers
      bench="balance"
      groups={[
        ['Limits', /margin$/],
        ['As it stands', /^empty/],
      ]}
    />,
  );
  expect([...drawn.querySelectorAll('section')].map((s) => s.getAttribute('aria-label'))).toEqual([
    'Limits',
    'As it stands',
    'Others',
  ]);
  const limits = drawn.querySelector('[aria-label="Limits"]');
  expect(limits?.querySelectorAll('[data-value$="margin"]')).toHaveLength(2);
});
