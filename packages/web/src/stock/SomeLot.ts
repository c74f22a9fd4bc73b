/** What the stock forms must know of a lot. */
export interface SomeLot {
  id: string;
  speciesName: string;
  tankId: string | null;
  males: number;
  females: number;
  unsexed: number;
}
