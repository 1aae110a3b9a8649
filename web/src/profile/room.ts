interface At {
  x: number;
  y: number;
}
interface Size {
  width: number;
  height: number;
}

const EDGE = 8;
const TOP = 36;
const GROUND = 34;

/** Where in a picture a box of a size covers nothing that is drawn: over the tail, under it, then anywhere; null where there is no room. */
export function roomFor(box: Size, picture: Size, drawn: At[][]): At | null {
  const right = picture.width - box.width - EDGE;
  const low = picture.height - box.height - GROUND;
  const places: At[] = [{ x: right, y: TOP }];
  for (const y of [low, TOP, (TOP + low) / 2]) for (let x = right; x >= EDGE; x -= 20) places.push({ x, y });
  return places.find((at) => drawn.every((outline) => !touches(outline, at, box))) ?? null;
}

function touches(outline: At[], at: At, box: Size): boolean {
  const inside = (p: At) =>
    p.x > at.x - 4 && p.x < at.x + box.width + 4 && p.y > at.y - 4 && p.y < at.y + box.height + 4;
  for (let i = 0; i < outline.length; i += 1) {
    const a = outline[i] as At;
    const b = outline[(i + 1) % outline.length] as At;
    for (let k = 0; k <= 24; k += 1)
      if (inside({ x: a.x + ((b.x - a.x) * k) / 24, y: a.y + ((b.y - a.y) * k) / 24 })) return true;
  }
  return within(outline, { x: at.x + box.width / 2, y: at.y + box.height / 2 });
}

function within(outline: At[], p: At): boolean {
  let odd = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i, i += 1) {
    const a = outline[i] as At;
    const b = outline[j] as At;
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
  }
  return odd;
}
