/** Numbers from a seed, 0..1, so that a picture can be drawn again (Park & Miller 1988). */
export function seeded(seed: number): () => number {
  let state = (seed % 2147483646) + 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
