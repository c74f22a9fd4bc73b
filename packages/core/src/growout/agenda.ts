import { BAR_RANK, type Agenda, type Alarm, type Bar } from '../agenda';
import type { LarderView } from '../larder';
import { totalHeads } from '../stock';
import { formatDay, houseDay } from '../time';
import { formatNumber } from '../units';
import { crowdedOn, youngPerLitre } from './crowding';

const CROWD_LOOKAHEAD_DAYS = 14;

function crowdingAlarms(view: LarderView): Alarm[] {
  const alarms: Alarm[] = [];
  for (const read of view.broods) {
    const { brood, species } = read;
    const subject = { kind: 'brood', id: brood.id } as const;
    for (const lot of read.lots) {
      const tank = view.tanks.get(lot.tankId ?? '');
      if (!tank) continue;
      const crowd = crowdedOn(read, totalHeads(lot), tank.litres, view.today, CROWD_LOOKAHEAD_DAYS);
      if (!crowd) continue;
      const nowCrowded = crowd.day === view.today;
      alarms.push({
        key: `crowd:${lot.id}`,
        severity: nowCrowded ? 'now' : 'soon',
        title: nowCrowded ? `${tank.code} is crowded.` : `${tank.code} crowds on ${formatDay(crowd.day, view.today)}.`,
        text: `${totalHeads(lot)} ${species.commonName.toLowerCase()} at ${formatNumber(crowd.lengthMm)} mm; ${formatNumber(tank.litres)} L carries about ${Math.floor(youngPerLitre(species.figures, crowd.lengthMm) * tank.litres)}. Split them: crowding stunts for good.`,
        subject,
      });
    }
  }
  return alarms;
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

export const growoutAgenda: Agenda<LarderView> = { kinds: {}, alarms: crowdingAlarms, bars: readyBars };
