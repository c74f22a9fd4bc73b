import * as v from 'valibot';
import { VESSEL_KINDS, vesselFault } from '@freshet/core/room';
import { entries, TOUCHES } from '../log';
import { Code, Id } from '../values';

const Place = v.nullable(v.pipe(v.string(), v.trim(), v.minLength(1, 'Where is it?'), v.maxLength(60, 'At most 60 characters.')));

/** A box, bag or jar: in a tank or at a place of its own, by its litres. */
export const NewVessel = v.pipe(
  v.object({
    id: Id,
    vesselId: Id,
    kind: v.picklist(VESSEL_KINDS),
    code: Code,
    litres: v.number('Give the litres.'),
    /** The tank it hangs in; null where it stands elsewhere. */
    inTankId: v.nullable(Id),
    /** "Linen shelf"; null where it hangs in a tank. */
    place: Place,
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const { kind, litres } = dataset.value;
    const fault = vesselFault(kind, litres, dataset.value);
    if (fault)
      addIssue({
        message: fault.message,
        path: [
          {
            type: 'object',
            origin: 'value',
            input: dataset.value,
            key: fault.field,
            value: (dataset.value as Record<string, unknown>)[fault.field],
          },
        ],
      });
  }),
);

/** A vessel in use. */
export const Vessel = v.object({
  id: v.string(),
  kind: v.picklist(VESSEL_KINDS),
  code: v.string(),
  litres: v.number(),
  inTankId: v.nullable(v.string()),
  place: v.nullable(v.string()),
});

/** A vessel hung elsewhere, or labelled anew. */
export const VesselMove = v.object({ id: Id, vesselId: Id, code: Code, inTankId: v.nullable(Id), place: Place });

/** A vessel that holds nothing any more, washed and put away. */
export const VesselAway = v.object({ id: Id, vesselId: Id });

/** What is logged here: who may, and which addresses show it. */
export const vesselEntries = entries({
  vessel: { role: 'sitter', words: 'box, bag or jar set up', touches: TOUCHES.room },
  vesselMove: { role: 'sitter', words: 'box, bag or jar moved', touches: TOUCHES.room },
  vesselAway: { role: 'sitter', words: 'box, bag or jar put away', touches: TOUCHES.room },
});

export const vesselEndpoints = {
  addVessel: vesselEntries.vessel({
    path: '/api/vessels',
    summary: 'Set up an egg box, tumbler, bag of peat, jar, tub or bowl',
    body: NewVessel,
  }),
  moveVessel: vesselEntries.vesselMove({
    path: '/api/vessel-moves',
    summary: 'Hang a box, bag or jar elsewhere, or label it anew',
    body: VesselMove,
  }),
  putVesselAway: vesselEntries.vesselAway({
    path: '/api/vessels-away',
    summary: 'Put an empty box, bag or jar away',
    body: VesselAway,
  }),
};
