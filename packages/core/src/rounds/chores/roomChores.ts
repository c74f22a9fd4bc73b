import { daysBetween, formatDay, type Day } from '../../time';
import { formatNumber } from '../../units';
import type { HouseTank } from '../houseState';
import type { ReadHouse } from '../readHouse';
import { chore, type Chore } from './chore';

/** A cycling filter is fed this often and tested this often, days. */
const FEED_FILTER_DAYS = 2;
const TEST_DAYS = 2;

/** What a tank's own regime and readiness ask for on a day. @param others - chores that are there already: a brood's own change goes before */
export function roomChores(tank: HouseTank, house: ReadHouse, day: Day, others: readonly Chore[]): Chore[] {
  const { room } = house.state;
  const chores: Chore[] = [];
  const due = room.regimes.find((one) => one.tankId === tank.id);
  if (due?.dueOn && due.dueOn <= day && !others.some((other) => other.kind === 'change')) {
    const litres = tank.litres * due.regime.changeFraction;
    const late = daysBetween(due.dueOn, day);
    chores.push(
      chore({
        kind: 'waterChange',
        subject: tank.id,
        day,
        text: 'Change water',
        amount: { value: Math.round(litres * 10) / 10, unit: 'L' },
        amountText: `${formatNumber(litres)} L`,
        overdue: late > 1,
        why: [
          `${formatNumber(due.regime.changeFraction * 100)} % of ${formatNumber(tank.litres)} L every ${due.regime.everyDays} days, this tank's regime.`,
          late > 0 ? `It was due on ${formatDay(due.dueOn, house.today)}.` : 'It is due today.',
        ],
        caution: 'Unplug the heater before the level falls below it.',
        log: { kind: 'waterChange', tankId: tank.id },
      }),
    );
  }
  const cycling = room.cycling.get(tank.id);
  if (cycling && room.readiness.get(tank.id)?.state === 'cycling') {
    if (!cycling.lastFed || daysBetween(cycling.lastFed, day) >= FEED_FILTER_DAYS)
      chores.push(
        chore({
          kind: 'feedFilter',
          subject: tank.id,
          day,
          text: 'Feed the filter',
          amountText: 'as if it carried stock',
          why: ['A filter starts on what it is fed. Zeros without food prove nothing.'],
          log: { kind: 'filterFed', tankId: tank.id },
        }),
      );
    if (!cycling.lastTest || daysBetween(cycling.lastTest, day) >= TEST_DAYS)
      chores.push(
        chore({
          kind: 'testWater',
          mark: 'watch',
          subject: tank.id,
          day,
          text: 'Test ammonia and nitrite',
          amountText: cycling.lastTest ? `last on ${formatDay(cycling.lastTest, house.today)}` : 'not tested yet',
          why: ['Log both readings on the tank; the tank is ready once both show nothing for long enough.'],
        }),
      );
  }
  return chores;
}

/** Instruments whose calibration is due on a day. */
export function meterChores(house: ReadHouse, day: Day): Chore[] {
  return house.state.room.meters.flatMap((meter) =>
    meter.dueOn !== null && meter.dueOn <= day
      ? [
          chore({
            kind: 'calibrate',
            subject: meter.id,
            day,
            text: `Calibrate ${meter.name}`,
            amountText: `due ${formatDay(meter.dueOn, house.today)}`,
            overdue: daysBetween(meter.dueOn, day) > 7,
            why: ['A meter past its calibration is believed less: its error band widens until then.'],
            log: { kind: 'calibrated', meterId: meter.id },
          }),
        ]
      : [],
  );
}
