import type { Agenda } from '../agenda';
import { broodsAgenda } from '../broods';
import { growoutAgenda } from '../growout';
import type { HouseView } from '../house';
import { larderAgenda } from '../larder';
import { roomAgenda } from '../room';
import { salesAgenda } from '../sales';
import { spawningAgenda } from '../spawning';
import { stockAgenda } from '../stock';

/** What each area asks for, in the order it is done at a tank: look at eggs, feed, then what is worked at. */
export const AGENDAS: readonly Agenda<HouseView>[] = [
  broodsAgenda,
  larderAgenda,
  stockAgenda,
  spawningAgenda,
  growoutAgenda,
  salesAgenda,
  roomAgenda,
];

const SECONDS = new Map(
  AGENDAS.flatMap(({ kinds }) => Object.values(kinds).map(({ name, seconds }) => [name, seconds] as const)),
);
/** Rough time of a chore by its key, s; none for kinds nobody knows any more. */
export const choreSeconds = (key: string): number => SECONDS.get(key.split(':')[0] ?? '') ?? 0;

/** The same in the order their alarms are read: food first, it cannot be made up for. */
export const ALARM_ORDER: readonly Agenda<HouseView>[] = [
  larderAgenda,
  broodsAgenda,
  growoutAgenda,
  salesAgenda,
  stockAgenda,
  spawningAgenda,
  roomAgenda,
];
