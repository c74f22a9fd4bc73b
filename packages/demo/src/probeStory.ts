import { DEMO_PROBES } from './probes';
import type { Places } from './broodStory';
import type { Story } from './story';

/** One value that a probe sent. */
export interface DemoSample {
  tankId: string;
  atMs: number;
  quantity: 'tempC' | 'ph' | 'tdsPpm' | 'oxygenPpm';
  value: number;
}

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const DAY_MS = 24 * HOUR_MS;
const EVERY_MS = 10 * MINUTE_MS;
const HISTORY_DAYS = 10;
const SILENT_DAYS = 6;
const STUCK_HOURS = 9;
const FAILED_HOURS = 7;
const DRIFT_DAYS = 4;
const ROOM_C = 18.5;

/** Ten days of the probes' series, along the temperatures taken by hand, with the faults they have now. */
export function tellProbes(
  story: Story,
  places: Places,
  byHand: readonly { tankId: string; at: string; value: number }[],
): DemoSample[] {
  const nowMs = Date.parse(story.now);
  const samples: DemoSample[] = [];
  const at = story.daysAgo(30, '10:00');
  for (const plan of DEMO_PROBES) {
    const tankId = places.tankId(plan.tank);
    story.write(at, 'addProbe', { id: story.newId(at), probeId: story.newId(at), name: plan.name, tankId });
    const hand = byHand
      .filter((reading) => reading.tankId === tankId)
      .map(({ at: when, value }) => ({ ms: Date.parse(when), value }));
    const near = (ms: number) => {
      const i = hand.findIndex((reading) => reading.ms > ms);
      const [a, b] = [hand[i === -1 ? hand.length - 1 : Math.max(0, i - 1)], hand[i === -1 ? hand.length - 1 : i]];
      if (!a || !b) return plan.targetC;
      const share = b.ms === a.ms ? 0 : Math.min(1, Math.max(0, (ms - a.ms) / (b.ms - a.ms)));
      return a.value + (b.value - a.value) * share;
    };
    let stuckAt: number | null = null;
    for (let ms = nowMs - HISTORY_DAYS * DAY_MS; ms <= nowMs; ms += EVERY_MS) {
      const agoMs = nowMs - ms;
      if (plan.fault === 'silent' && agoMs < SILENT_DAYS * DAY_MS) break;
      const daily = 0.15 * Math.sin((2 * Math.PI * (ms % DAY_MS)) / DAY_MS);
      let value = near(ms) + daily + story.random.between(-0.04, 0.04);
      if (plan.fault === 'heaterFailed' && agoMs < FAILED_HOURS * HOUR_MS) {
        const cooling = Math.exp(-(FAILED_HOURS * HOUR_MS - agoMs) / (11 * HOUR_MS));
        value = ROOM_C + (value - ROOM_C) * cooling;
      }
      if (plan.fault === 'drifting') value += 1.6 * Math.max(0, 1 - agoMs / (DRIFT_DAYS * DAY_MS));
      value = Math.round(value * 100) / 100;
      if (plan.fault === 'stuck' && agoMs < STUCK_HOURS * HOUR_MS) value = stuckAt ??= value;
      samples.push({ tankId, atMs: ms, quantity: 'tempC', value });
      if (agoMs % HOUR_MS < EVERY_MS)
        for (const quantity of plan.also) {
          const usual = { ph: 6.6, tdsPpm: 92, oxygenPpm: 7.6 }[quantity] + story.random.between(-0.05, 0.05);
          samples.push({ tankId, atMs: ms, quantity, value: Math.round(usual * 100) / 100 });
        }
    }
  }
  return samples;
}
