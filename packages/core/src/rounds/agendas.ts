import type { Agenda } from '../agenda';
import { broodsAgenda } from '../broods';
import { growoutAgenda } from '../growout';
import type { HouseView } from '../house';
import { larderAgenda } from '../larder';
import { roomAgenda } from '../room';
import { spawningAgenda } from '../spawning';
import { stockAgenda } from '../stock';

/** What each area asks for, in the order it is done at a tank: look at eggs, feed, then what is worked at. */
export const AGENDAS: readonly Agenda<HouseView>[] = [
  broodsAgenda,
  larderAgenda,
  stockAgenda,
  spawningAgenda,
  growoutAgenda,
  roomAgenda,
];

/** The same in the order their alarms are read: food first, it cannot be made up for. */
export const ALARM_ORDER: readonly Agenda<HouseView>[] = [
  larderAgenda,
  broodsAgenda,
  growoutAgenda,
  stockAgenda,
  spawningAgenda,
  roomAgenda,
];
