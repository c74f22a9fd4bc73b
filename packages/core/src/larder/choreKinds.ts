import { choreKinds } from '../agenda';

export const LARDER_CHORES = choreKinds({
  feedYoung: { seconds: 30, meal: true, words: 'feed young' },
  feedAdults: { seconds: 30, meal: true, words: 'feed' },
  startCulture: { anyHour: true, stays: true, seconds: 300, words: 'start a culture' },
  setHatch: { seconds: 180, words: 'set a hatch' },
  feedCulture: { stays: true, seconds: 60, words: 'feed a culture' },
  checkRipe: { stays: true, seconds: 40, way: 'watch', words: 'is a culture ripe' },
  lookAtCulture: {
    stays: true,
    seconds: 30,
    way: 'watch',
    words: 'how dense is a culture',
    asks: { label: 'density, 0 none to 4 full', of: 'count', unit: '', needed: true },
  },
  harvest: { seconds: 120, words: 'harvest' },
  splitCulture: { anyHour: true, stays: true, seconds: 300, words: 'split a culture' },
  renewCulture: { anyHour: true, stays: true, seconds: 300, words: 'renew a culture' },
  emptyCulture: { anyHour: true, stays: true, seconds: 180, words: 'empty a culture' },
  discardHatch: { stays: true, seconds: 60, words: 'discard a hatch' },
  changeAfterTreatment: { seconds: 300, covers: ['waterChange'], words: 'change water after a treatment' },
});
