import * as v from 'valibot';
import { VESSEL_KINDS } from '@freshet/core/room';
import { entries, TOUCHES } from '../log';
import { Code, Id, PlaceWords } from '../values';

const Place = v.nullable(PlaceWords);

/** A box, bag or jar: in a tank or at a place of its own, by its litres. What a kind can be is `vesselFault` of core, on both sides. */
export const NewVessel = v.object({
  id: Id,
  vesselId: Id,
  kind: v.picklist(VESSEL_KINDS),
  code: Code,
  litres: v.number('Give the litres.'),
  /** The tank it hangs in; null where it stands elsewhere. */
  inTankId: v.nullable(Id),
  /** "Linen shelf"; null where it hangs in a tank. */
  place: Place,
});

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
  vessel: { role: 'sitter', words: 'box or jar set up', touches: TOUCHES.room },
  vesselMove: { role: 'sitter', words: 'box or jar moved', touches: TOUCHES.room },
  vesselAway: { role: 'sitter', words: 'box or jar put away', touches: TOUCHES.room },
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
