/** A seeded sequence in [0,1): the same seed gives the same test, order and values again (mulberry32). */
export function seededRandom(seed: string): () => number {
  let state = 0x811c9dc5;
  for (let i = 0; i < seed.length; i += 1) state = Math.imul(state ^ seed.charCodeAt(i), 0x01000193);
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A copy in random order; members for which `isFixed` holds keep their place (QTI 3.0, "shuffle" and "fixed"). */
export function shuffled<T>(list: readonly T[], random: () => number, isFixed: (member: T) => boolean): T[] {
  const loose = list.filter((member) => !isFixed(member));
  for (let i = loose.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    const [a, b] = [loose[i], loose[j]];
    if (a !== undefined && b !== undefined) [loose[i], loose[j]] = [b, a];
  }
  let next = 0;
  return list.map((member) => {
    if (isFixed(member)) return member;
    const taken = loose[next];
    next += 1;
    return taken ?? member;
  });
}
