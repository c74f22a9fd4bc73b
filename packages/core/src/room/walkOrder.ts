/** Where a tank stands, as far as the order of a walk asks. */
export interface WalkPlace {
  /** Served last, with its own tools. */
  quarantine: boolean;
  rackPosition: number;
  /** Holds eggs or fry: served before the adults of its rack, so that nothing is carried to them. */
  nursery: boolean;
  /** 1 is the top shelf. */
  shelfLevel: number;
  /** Left edge on the shelf, cm. */
  leftCm: number;
  code: string;
}

/** Order of a walk that crosses the room once: rack by rack, nursery before adults, top to bottom, left to right, quarantine last. */
export function compareWalk(a: WalkPlace, b: WalkPlace): number {
  return (
    Number(a.quarantine) - Number(b.quarantine) ||
    a.rackPosition - b.rackPosition ||
    Number(b.nursery) - Number(a.nursery) ||
    a.shelfLevel - b.shelfLevel ||
    a.leftCm - b.leftCm ||
    (a.code < b.code ? -1 : a.code > b.code ? 1 : 0)
  );
}
