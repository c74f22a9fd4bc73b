import type { biosecurityEndpoints, hoursEndpoints, probeEndpoints, roomEndpoints, waterEndpoints } from '@freshet/contract/room';
import type { Handlers, Who } from '../platform';
import type { BiosecurityService } from './biosecurity.service';
import type { HoursService } from './hours.service';
import type { ProbesService } from './probes.service';
import type { RoomService } from './room.service';
import type { WaterService } from './water.service';

const USUAL_DAYS = 60;

export const roomHandlers = (room: RoomService, water: WaterService): Handlers<typeof roomEndpoints> => ({
  room: ({ who }) => room.room(who),
  readings: ({ who, params, query }) => water.readings(who, params.tankId ?? '', query.days ?? USUAL_DAYS),
});

export const waterHandlers = (water: WaterService): Handlers<typeof waterEndpoints> => ({
  waters: ({ who }) => water.waters(who),
  tankRegime: ({ who, params }) => water.tankRegime(who, params.tankId ?? ''),
  meters: ({ who }) => water.meters(who),
});

/** @param wantedOf - temperature ranges by tank, from the species that live there */
export const probeHandlers = (
  probes: ProbesService,
  wantedOf: (who: Who) => Promise<ReadonlyMap<string, readonly [number, number]>>,
): Handlers<typeof probeEndpoints> => ({
  probes: async ({ who }) => probes.probes(who, await wantedOf(who)),
  probeKey: ({ who, params }) => probes.probeKey(who, params.probeId ?? ''),
  playFault: ({ who, params, body }) => probes.playFault(who, params.probeId ?? '', body.fault),
  series: ({ who, params, query }) => probes.series(who, params.tankId ?? '', query),
  sendSamples: async ({ request, body }) => ({
    accepted: await probes.accept((request.headers.authorization ?? '').replace(/^Bearer /, ''), body.readings),
  }),
});

export const hoursHandlers = (hours: HoursService): Handlers<typeof hoursEndpoints> => ({
  hours: ({ who }) => hours.current(who),
});
export const biosecurityHandlers = (biosecurity: BiosecurityService): Handlers<typeof biosecurityEndpoints> => ({
  exposure: ({ who, query }) => biosecurity.exposure(who, query),
});
