import * as v from 'valibot';
import { CONTACT_KINDS } from '@freshet/core/room';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id, Instant, Note } from '../values';

export const NewIllness = v.object({
  id: Id,
  tankId: Id,
  at: Instant,
  what: v.pipe(Note, v.minLength(3, 'Say what was seen.')),
});
export const NewContact = v.pipe(
  v.object({
    id: Id,
    fromTankId: Id,
    toTankId: v.pipe(v.string(), v.minLength(1, 'Choose a tank.'), Id),
    kind: v.picklist(['tools', 'water']),
    at: Instant,
  }),
  v.forward(
    v.check(({ fromTankId, toTankId }) => fromTankId !== toTankId, 'Choose another tank.'),
    ['toTankId'],
  ),
);

const Step = v.object({
  fromTankId: v.string(),
  toTankId: v.string(),
  kind: v.picklist(CONTACT_KINDS),
  /** Null for a lasting contact. */
  at: v.nullable(v.string()),
});

/** Where illness may have gone, or come from. */
export const ExposureReply = v.object({
  tankId: v.string(),
  direction: v.picklist(['exposed', 'sources']),
  day: Day,
  tanks: v.array(v.object({ tankId: v.string(), since: v.string(), path: v.array(Step) })),
  /** Animals that left the house from a tank after it may have been reached. */
  left: v.array(
    v.object({
      lotId: v.string(),
      speciesKey: v.string(),
      tankId: v.string(),
      heads: v.number(),
      at: v.string(),
      cause: v.string(),
    }),
  ),
  illnesses: v.array(v.object({ id: v.string(), tankId: v.string(), at: v.string(), what: v.string() })),
  contacts: v.number(),
});

/** What is logged here: who may, and which addresses show it. */
export const biosecurityEntries = entries({
  illness: { role: 'sitter', words: 'illness seen', touches: [...TOUCHES.room] },
  contact: { role: 'sitter', words: 'carried from tank to tank', touches: [...TOUCHES.room] },
});

export const biosecurityEndpoints = {
  exposure: endpoint({
    method: 'GET',
    path: '/api/room/exposure',
    summary: 'Illness seen in a tank on a day: which tanks may be exposed, or be its source, by what path and since when',
    role: 'viewer',
    query: v.object({
      tankId: Id,
      day: Day,
      direction: v.optional(v.picklist(['exposed', 'sources'])),
      /** Days it may have been there before it was seen, or, for sources, before it shows. */
      unseenDays: v.optional(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(0), v.maxValue(365))),
      /** Kinds of contact that count, with commas; all but the same tools by default. */
      kinds: v.optional(v.pipe(v.string(), v.regex(/^[A-Za-z]+(,[A-Za-z]+)*$/, 'Kinds of contact, with commas.'))),
    }),
    reply: ExposureReply,
  }),
  logIllness: biosecurityEntries.illness({
    path: '/api/illnesses',
    summary: 'Log signs of illness in a tank',
    body: NewIllness,
  }),
  logContact: biosecurityEntries.contact({
    path: '/api/contacts',
    summary: 'Log tools or water carried from one tank to another',
    body: NewContact,
  }),
};
