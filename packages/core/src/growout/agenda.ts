import { BAR_RANK, type Agenda, type Alarm, type Bar } from '../agenda';
import type { LarderView } from '../larder';
import { totalHeads } from '../stock';
import { formatDay, houseDay } from '../time';
import { formatNumber } from '../units';
import { bookingAlarms } from './bookingAlarms';
import { crowdingForecast, youngCarried } from './crowding';

const CROWD_LOOKAHEAD_DAYS = 14;

/** Tanks that become tight or too full within two weeks: said before stunting begins. */
function crowdingAlarms(view: LarderView): Alarm[] {
  return [...view.lotsByTank.keys()].flatMap((tankId): Alarm[] => {
    const tank = view.tanks.get(tankId);
    const crowd = crowdingForecast(view, tankId, CROWD_LOOKAHEAD_DAYS);
    if (!tank || !crowd?.tightOn) return [];
    const { tightOn, fullOn, most } = crowd;
    const { figures, commonName } = most.species;
    const isFull = fullOn !== null && fullOn <= view.today;
    const mm = most.lengthMm ?? figures.saleMm[0];
    const carried = (side: 'tight' | 'full') => Math.max(1, Math.floor(youngCarried(figures, mm, tank, side)));
    const room =
      figures.limitedBy === 'floor' ? `${formatNumber(tank.floorM2 * 10_000)} cm² of floor` : `${formatNumber(tank.litres)} L`;
    return [
      {
        key: `crowd:${tankId}`,
        severity: isFull ? 'now' : 'soon',
        title: isFull
          ? `${tank.code} is crowded.`
          : tightOn <= view.today
            ? `${tank.code} is getting tight.`
            : `${tank.code} is tight from ${formatDay(tightOn, view.today)}.`,
        text: `${crowd.others > 0 ? 'All together: ' : ''}${most.heads} ${commonName.toLowerCase()} at ${formatNumber(mm)} mm${most.lengthBy === 'curve' ? ' by the curve' : ''}${crowd.others > 0 ? ` and ${crowd.others} others` : ''}; ${room}${crowd.others > 0 ? ' alone' : ''} carries about ${carried('tight')} to ${carried('full')} of that size${fullOn && !isFull ? `; full on ${formatDay(fullOn, view.today)}` : ''}. Split them before they stunt: crowding is for good.`,
        subject: most.brood ? { kind: 'brood', id: most.brood.brood.id } : { kind: 'tank', id: tankId },
      },
    ];
  });
}

/** When broods can be sold. */
function readyBars(view: LarderView): Bar[] {
  const items: Bar[] = [];
  for (const { brood, species, state, lots } of view.broods)
    if (state.ready) {
      const [from, to] = [houseDay(state.ready.from, view.timeZone), houseDay(state.ready.to, view.timeZone)];
      const count = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
      if (from > view.today)
        items.push({
          key: `${brood.id}:ready`,
          kind: 'ready',
          rank: BAR_RANK.ready,
          from,
          to,
          label: `${count} ${species.commonName.toLowerCase()} ready`,
          predicted: true,
          urgent: false,
          subject: { kind: 'brood', id: brood.id },
        });
    }
  return items;
}

export const growoutAgenda: Agenda<LarderView> = {
  kinds: {},
  alarms: (view) => [...crowdingAlarms(view), ...bookingAlarms(view)],
  bars: readyBars,
};
