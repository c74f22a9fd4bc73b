export { CountAids } from './CountAids';
export { COUNT_WAY_WORDS, type CountWay, type WorkedCount } from './WorkedCount';
