import { expect, test } from 'vitest';
import { roomFor } from './room';

const box = { width: 100, height: 60 };
const picture = { width: 800, height: 250 };
const square = (x: number, y: number, w: number, h: number) => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];

test('an empty picture has room at the upper right', () => {
  expect(roomFor(box, picture, [])).toEqual({ x: 692, y: 36 });
});

test('what is drawn there pushes it away, and it then covers nothing', () => {
  const fin = square(650, 20, 140, 120);
  const at = roomFor(box, picture, [fin]);
  expect(at).not.toBeNull();
  if (at) expect(at.x + box.width < 650 || at.y > 140).toBe(true);
});

test('inside something large there is no room, nor in a full picture', () => {
  expect(roomFor(box, picture, [square(-50, -50, 900, 400)])).toBeNull();
});
