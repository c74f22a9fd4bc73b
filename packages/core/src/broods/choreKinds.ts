import { choreKinds } from '../agenda';

/** What there is to do about eggs and young. */
export const BROODS_CHORES = choreKinds({
  pickWhite: {
    seconds: 180,
    words: 'pick white eggs',
    asks: { label: 'White eggs picked', of: 'count', unit: 'eggs', needed: false },
  },
  boxEggs: { stays: true, seconds: 240, words: 'take the eggs out' },
  eggChange: { seconds: 240, words: 'change water for eggs', covers: ['waterChange'] },
  dye: { seconds: 60, words: 'dye' },
  clearDye: { seconds: 240, words: 'clear the dye out' },
  sighting: {
    seconds: 40,
    way: 'watch',
    words: 'look for a stage',
    asks: { label: 'Seen', of: 'sighting', unit: '', needed: true },
  },
  lookEggs: { seconds: 20, way: 'watch', words: 'look at eggs and wrigglers' },
  eggCare: { seconds: 90, words: 'care of eggs by the method' },
  peatCheck: { seconds: 60, way: 'watch', words: 'check the peat' },
  collectPeat: { anyHour: true, stays: true, seconds: 300, words: 'collect the peat' },
  bagPeat: { anyHour: true, stays: true, seconds: 300, words: 'bag the peat' },
  wetPeat: { stays: true, seconds: 300, words: 'wet the peat' },
  pickEggs: {
    seconds: 120,
    words: 'pick eggs from the mop',
    asks: { label: 'Eggs picked', of: 'count', unit: 'eggs', needed: false },
  },
  birthDue: { stays: true, seconds: 120, words: 'cover for newborn' },
  strip: { stays: true, seconds: 600, words: 'strip a holder' },
  setApart: { stays: true, seconds: 300, words: 'set a holder apart' },
  larvalJar: { anyHour: true, stays: true, seconds: 600, words: 'ready a jar for larvae' },
  larvaeOut: { stays: true, seconds: 600, words: 'larvae into their jar' },
  larvalSalt: { seconds: 240, words: 'salt for larvae' },
  larvalFood: { seconds: 60, words: 'green water for larvae' },
  settled: { seconds: 90, way: 'watch', words: 'look for settled young' },
  leave: { stays: true, seconds: 240, words: 'who leaves' },
  lookForMales: { seconds: 60, way: 'watch', words: 'look for young males' },
  takeTemperature: {
    seconds: 20,
    words: 'take the temperature',
    asks: { label: 'Temperature', of: 'temperature', unit: '°C', needed: true },
  },
});
