/** Whoever draws a long list in part: told a place in the document, it brings the row of it into view. */
type Revealer = (pointer: string) => boolean;

const revealers = new Set<Revealer>();

/** Be asked when a field is looked for that is not drawn. Gives back how to stop. */
export function onReveal(ask: Revealer): () => void {
  revealers.add(ask);
  return () => {
    revealers.delete(ask);
  };
}

/** Ask every long list for a place in the document; whether one of them has it. */
export function reveal(pointer: string): boolean {
  return [...revealers].some((ask) => ask(pointer));
}
