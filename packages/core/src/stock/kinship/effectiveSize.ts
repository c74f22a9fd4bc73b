/**
 * Effective size of a group with unequal numbers of males and females, Ne = 4MF / (M + F), and what random mating among them
 * costs. Real groups are usually smaller in effect: a few animals have most of the young. Source: docs/sources.md#effective-size
 * @param input.generations - how many ahead; 1 when left out
 * @returns share of diversity lost each generation, and the inbreeding after them all, from a start without any
 */
export function effectiveSize({
  males,
  females,
  generations,
}: {
  males: number;
  females: number;
  generations?: number | null | undefined;
}): {
  ne: number;
  lossPerGeneration: number;
  inbreedingAfter: number;
} {
  const ne = (4 * males * females) / (males + females);
  const lossPerGeneration = 1 / (2 * ne);
  return { ne, lossPerGeneration, inbreedingAfter: 1 - (1 - lossPerGeneration) ** (generations ?? 1) };
}
