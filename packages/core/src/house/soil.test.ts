import { addDays } from '../time';
import type { Readiness } from '../room';
import { defaultRecipe } from '../spawning';
import { attempt, brood, house, lot, NOW, TODAY, view } from './houseFixture';
import { tankLife } from './tankLife';

const readiness = (soilLaidOn: string | null): Readiness => ({
  state: 'inUse',
  since: null,
  ready: true,
  hindrances: [],
  notes: [],
  expected: null,
  cycling: null,
  soilLaidOn,
});
const young = (feeding: 'heavy' | 'vanishes') =>
  house({
    lots: [lot('young', 'T1', 'green-babaulti', { broodId: 'b', since: `${addDays(TODAY, -70)}T08:00:00.000Z` })],
    attempts: [attempt('a', 'T2', 'green-babaulti', { recipe: { ...defaultRecipe('shrimpDirect'), feeding } })],
    broods: [brood('b', 'green-babaulti', { attemptId: 'a', laid: { from: NOW, to: NOW } })],
    room: { readiness: { T1: readiness(addDays(TODAY, -400)), T2: readiness(null) } },
  });
const notesOf = (told: ReturnType<typeof young>) => tankLife(view(told)).find(({ tankId }) => tankId === 'T1')?.readiness.notes;

it('a tank says that heavy feeding brings new soil nearer, and nothing while there is time', () => {
  expect(notesOf(young('vanishes'))).toEqual([]);
  // 400 days and half of 70 more: 14 months; a month and a half left, worn one and a half times as fast.
  expect(notesOf(young('heavy'))).toEqual([
    'Active soil, 13 months old. Fed heavily for 10 weeks, which counts one and a half times (a guess): like 14 months. Fed on like this it serves about 1 more month.',
  ]);
});
