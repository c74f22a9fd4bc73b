export { CountAids } from './CountAids';
export { COUNT_WAY_WORDS, COUNT_WAYS, type CountWay, type WorkedCount } from './WorkedCount';
