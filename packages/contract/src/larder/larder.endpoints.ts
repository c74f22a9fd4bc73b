import * as v from 'valibot';
import { FOODS } from '@freshet/core/species';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id } from '../values';
import { CultureKin, CultureReply, NewCulture, NewCultureEvent, NewCultureKind } from './cultures.schema';
import {
  NewCalibration,
  NewMealLook,
  NewPest,
  NewPestEvent,
  NewShelfEvent,
  NewShelfItem,
  PestReply,
  ShelfReply,
  TakePlan,
} from './shelf.schema';
import { LadderReply, PourReply, TideReply } from './tide.schema';

export const FoodPlan = v.object({
  key: v.string(),
  broodId: v.nullable(v.string()),
  attemptId: v.nullable(v.string()),
  tankId: v.nullable(v.string()),
  from: Day,
  to: Day,
  status: v.picklist(['safe', 'single', 'start', 'late', 'shelf']),
  food: v.picklist(FOODS),
  label: v.string(),
  cultureIds: v.array(v.string()),
  startBy: v.nullable(Day),
  startFrom: v.nullable(Day),
  backUpBy: v.nullable(Day),
  title: v.string(),
  text: v.string(),
  why: v.array(v.string()),
});

/** What is logged here: who may, and which addresses show it. */
export const larderEntries = entries({
  culture: { role: 'sitter', words: 'culture started', touches: [...TOUCHES.cultures] },
  cultureEvent: { role: 'sitter', words: 'culture fed, looked at, harvested or emptied', touches: [...TOUCHES.cultures] },
  cultureKind: { role: 'keeper', words: 'kind of culture of one’s own', touches: [...TOUCHES.cultures] },
  culturePlan: { role: 'keeper', words: 'plan of cultures taken', touches: [...TOUCHES.cultures] },
  doseMeasured: { role: 'keeper', words: 'measure weighed or counted', touches: [...TOUCHES.cultures] },
  mealLook: { role: 'sitter', words: 'seen after a meal', touches: [...TOUCHES.cultures] },
  shelfItem: { role: 'keeper', words: 'put on the shelf', touches: [...TOUCHES.cultures] },
  shelfEvent: { role: 'sitter', words: 'shelf weighed, used, opened or finished', touches: [...TOUCHES.cultures] },
  pest: { role: 'sitter', words: 'pest seen', touches: [...TOUCHES.cultures] },
  pestEvent: { role: 'keeper', words: 'pest treated or gone', touches: [...TOUCHES.cultures] },
});

export const larderEndpoints = {
  cultures: endpoint({
    method: 'GET',
    path: '/api/cultures',
    summary: 'Running cultures, how ripe they are, what they give for good and what threatens them',
    role: 'viewer',
    reply: v.array(CultureReply),
  }),
  cultureFamily: endpoint({
    method: 'GET',
    path: '/api/cultures/:cultureId/family',
    summary: 'Who was started from whom: the culture’s line back and all that came of it',
    role: 'viewer',
    reply: v.array(CultureKin),
  }),
  cultureKinds: endpoint({
    method: 'GET',
    path: '/api/larder/kinds',
    summary: 'Kinds of culture of the house’s own',
    role: 'viewer',
    reply: v.array(v.object({ id: Id, name: v.string(), standsFor: v.string() })),
  }),
  addCulture: larderEntries.culture({
    path: '/api/cultures',
    summary: 'Start a culture or a hatch',
    body: NewCulture,
  }),
  cultureEvent: larderEntries.cultureEvent({
    path: '/api/culture-events',
    summary: 'Log a culture fed, ripe, looked at, harvested, counted, renewed or ended',
    body: NewCultureEvent,
  }),
  addCultureKind: larderEntries.cultureKind({
    path: '/api/culture-kinds',
    summary: 'Add a kind of culture of one’s own',
    body: NewCultureKind,
  }),
  foodPlans: endpoint({
    method: 'GET',
    path: '/api/food-plans',
    summary: 'Which culture to start when, for every first feed',
    role: 'viewer',
    reply: v.array(FoodPlan),
  }),
  larderTide: endpoint({
    method: 'GET',
    path: '/api/larder/tide',
    summary: 'Supply and demand of live food by class for eight weeks; with a spawning that is only thought of, if one is named',
    role: 'viewer',
    query: v.object({
      speciesKey: v.optional(v.pipe(v.string(), v.maxLength(60))),
      day: v.optional(Day),
      eggs: v.optional(
        v.pipe(v.string(), v.transform(Number), v.integer('Eggs come whole.'), v.minValue(1), v.maxValue(100_000)),
      ),
    }),
    reply: TideReply,
  }),
  takePlan: larderEntries.culturePlan({
    path: '/api/culture-plans',
    summary: 'Take a plan of starts over: they become chores and bars and move with the hatch they are for',
    body: TakePlan,
  }),
  pours: endpoint({
    method: 'GET',
    path: '/api/larder/pours',
    summary: 'What is ripe today divided among the tanks in walking order',
    role: 'viewer',
    reply: PourReply,
  }),
  ladders: endpoint({
    method: 'GET',
    path: '/api/larder/ladders',
    summary: 'Foods of every brood by size, with their days',
    role: 'viewer',
    reply: LadderReply,
  }),
  mealLook: larderEntries.mealLook({ path: '/api/meal-looks', summary: 'Log what was seen after a meal', body: NewMealLook }),
  measureDose: larderEntries.doseMeasured({
    path: '/api/dose-measures',
    summary: 'Weigh or count a measure',
    body: NewCalibration,
  }),
  shelf: endpoint({
    method: 'GET',
    path: '/api/larder/shelf',
    summary: 'What stands on the shelf, until when it is good and lasts, and what to buy',
    role: 'viewer',
    reply: ShelfReply,
  }),
  addShelfItem: larderEntries.shelfItem({
    path: '/api/shelf-items',
    summary: 'Put a tin, bag or bottle on the shelf',
    body: NewShelfItem,
  }),
  shelfEvent: larderEntries.shelfEvent({
    path: '/api/shelf-events',
    summary: 'Log a tin weighed, used, opened or finished',
    body: NewShelfEvent,
  }),
  pests: endpoint({
    method: 'GET',
    path: '/api/larder/pests',
    summary: 'Pests that were seen, and what was done about them',
    role: 'viewer',
    reply: v.array(PestReply),
  }),
  seePest: larderEntries.pest({ path: '/api/pests', summary: 'Log a pest seen in a tank or vessel', body: NewPest }),
  pestEvent: larderEntries.pestEvent({
    path: '/api/pest-events',
    summary: 'Log a treatment, or that a pest is gone',
    body: NewPestEvent,
  }),
};
