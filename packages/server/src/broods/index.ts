export { createBroods, type BroodsService } from './broods.service';
export { createBroodPages, type BroodPages, type RationFor } from './broods.pages';
export { broodsHandlers } from './broods.routes';
export { createBroodsFacts } from './broods.facts';
export { createEvidence } from './broods.evidence';
export { createDrops, type DropsReader } from './broods.drops';
export { createRecord, type BroodRecordReader } from './broods.record';
