import { expect, it } from 'vitest';
import { partAt } from './project';

it('finds the part of a document at a pointer', () => {
  const document = { craft: { tanks: { 'a/b': { name: 'odd' } }, limits: {} } };
  expect(partAt(document, '/craft/tanks/a~1b/name')).toBe('odd');
  expect(partAt(document, '/craft/limits/gross/entered')).toBeUndefined();
  expect(partAt(document, '')).toBe(document);
});
