// Names alone, apart from sums: the first page fetches the schemas that list them.

/** What holds animals or eggs without being a tank of its own on a shelf. */
export const VESSEL_KINDS = ['eggBox', 'tumbler', 'peatBag', 'larvalJar', 'tub', 'bowl'] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];
