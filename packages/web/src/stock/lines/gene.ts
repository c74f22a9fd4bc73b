import type { Reply } from '../../data';

export type Genes = Reply<'genes'>;
/** A gene that a species of this house varies in. */
export type Gene = Genes['genes'][number];
