import { choreKinds } from '../agenda';

export const GROWOUT_CHORES = choreKinds({
  moveYoung: { anyHour: true, stays: true, seconds: 600, words: 'move young on' },
  measureYoung: {
    anyHour: true,
    stays: true,
    seconds: 180,
    way: 'watch',
    words: 'how long are they',
    asks: { label: 'usual length, mm', of: 'count', unit: 'mm', needed: true },
  },
  gradeYoung: { anyHour: true, stays: true, seconds: 900, way: 'watch', words: 'sort by size' },
  partSexes: { anyHour: true, stays: true, seconds: 600, way: 'watch', words: 'part the sexes' },
  outOfColony: { anyHour: true, stays: true, seconds: 300, way: 'watch', words: 'young out of the colony' },
});
