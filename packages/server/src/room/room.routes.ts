import type {
  biosecurityEndpoints,
  careEndpoints,
  hoursEndpoints,
  probeEndpoints,
  roomEndpoints,
  waterEndpoints,
} from '@freshet/contract/room';
import type { Handlers, Who } from '../platform';
import type { CareService } from './care.service';
import type { BiosecurityService } from './biosecurity.service';
import type { HoursService } from './hours.service';
import type { ProbesService } from './probes.service';
import type { ReadinessService } from './readiness.service';
import type { RoomService } from './room.service';
import type { WaterService } from './water.service';

const USUAL_DAYS = 60;

export const roomHandlers = (
  room: RoomService,
  readiness: ReadinessService,
  water: WaterService,
): Handlers<typeof roomEndpoints> => ({
  room: ({ who }) => room.room(who),
  addRack: ({ who, body }) => room.addRack(who, body),
  addShelf: ({ who, body }) => room.addShelf(who, body),
  addTank: ({ who, body }) => room.addTank(who, body),
  readings: ({ who, params, query }) => water.readings(who, params.tankId ?? '', query.days ?? USUAL_DAYS),
  addReading: ({ who, body }) => room.addReading(who, body),
  moveTank: ({ who, body }) => room.moveTank(who, body),
  equip: ({ who, body }) => room.equip(who, body),
  tankEvent: ({ who, body }) => readiness.tankEvent(who, body),
});

export const waterHandlers = (water: WaterService, probes: ProbesService): Handlers<typeof waterEndpoints> => ({
  waters: ({ who }) => water.waters(who),
  addWater: ({ who, body }) => water.addWater(who, body),
  addAnalysis: ({ who, body }) => water.addAnalysis(who, body),
  async logChange({ who, body }) {
    const written = await water.logChange(who, body);
    if (!written.replayed) await probes.tellChange(who, body);
    return written;
  },
  setRegime: ({ who, body }) => water.setRegime(who, body),
  tankRegime: ({ who, params }) => water.tankRegime(who, params.tankId ?? ''),
  meters: ({ who }) => water.meters(who),
  addMeter: ({ who, body }) => water.addMeter(who, body),
  calibrate: ({ who, body }) => water.calibrate(who, body),
});

/** @param wantedOf - temperature ranges by tank, from the species that live there */
export const probeHandlers = (
  probes: ProbesService,
  wantedOf: (who: Who) => Promise<ReadonlyMap<string, readonly [number, number]>>,
): Handlers<typeof probeEndpoints> => ({
  probes: async ({ who }) => probes.probes(who, await wantedOf(who)),
  addProbe: ({ who, body }) => probes.addProbe(who, body),
  probeKey: ({ who, params }) => probes.probeKey(who, params.probeId ?? ''),
  playFault: ({ who, params, body }) => probes.playFault(who, params.probeId ?? '', body.fault),
  series: ({ who, params, query }) => probes.series(who, params.tankId ?? '', query),
  sendSamples: async ({ request, body }) => ({
    accepted: await probes.accept((request.headers.authorization ?? '').replace(/^Bearer /, ''), body.readings),
  }),
});

export const careHandlers = (care: CareService): Handlers<typeof careEndpoints> => ({
  logCare: ({ who, body }) => care.logCare(who, body),
});
export const hoursHandlers = (hours: HoursService): Handlers<typeof hoursEndpoints> => ({
  hours: ({ who }) => hours.current(who),
  setHours: ({ who, body }) => hours.setHours(who, body),
});
export const biosecurityHandlers = (biosecurity: BiosecurityService): Handlers<typeof biosecurityEndpoints> => ({
  exposure: ({ who, query }) => biosecurity.exposure(who, query),
  logIllness: ({ who, body }) => biosecurity.logIllness(who, body),
  logContact: ({ who, body }) => biosecurity.logContact(who, body),
});
