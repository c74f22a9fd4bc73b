import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { describeBrood, describeCarrier, type BroodFacts } from './index';

const DAY_MS = 86_400_000;
const LAID = '2026-03-01T08:00:00.000Z';
const day = (count: number) => new Date(Date.parse(LAID) + count * DAY_MS).toISOString();
const exactly = (at: string) => ({ from: at, to: at });
const carrier = (key: string, more: Partial<BroodFacts> = {}, now = day(3), tempC = 24) => {
  const profile = SHIPPED_SPECIES.find((candidate) => candidate.key === key);
  if (!profile) throw new Error(key);
  const species = resolveSpecies(profile);
  const facts: BroodFacts = { laid: exactly(LAID), hatched: null, freeSwimming: null, eggsSeenAt: null, alive: 30, ...more };
  return describeCarrier(facts, species, describeBrood(facts, species, [{ at: LAID, tempC }], now, 'Europe/Dublin'));
};

describe('describeCarrier', () => {
  it('takes a shrimp from carrying over eyed to let go, in order', () => {
    const found = carrier('green-babaulti');
    expect(found?.steps.map(({ step }) => step)).toEqual(['carrying', 'eyed', 'letGo']);
    expect(found?.now).toBe('carrying');
    const from = (found?.steps ?? []).map((span) => span.from ?? '');
    expect([...from].sort()).toEqual(from);
    // Babaulti carry 26 to 36 days at 24 °C: eyes show between the middle and two thirds of that.
    const eyed = found?.steps[1];
    expect((Date.parse(eyed?.from ?? '') - Date.parse(LAID)) / DAY_MS).toBeGreaterThan(11);
    expect((Date.parse(eyed?.to ?? '') - Date.parse(LAID)) / DAY_MS).toBeLessThan(27);
  });

  it('keeps the young of crayfish hanging for a while after the hatch', () => {
    expect(carrier('cajun-dwarf-crayfish')?.steps.map(({ step }) => step)).toEqual(['carrying', 'eyed', 'attached', 'letGo']);
    const hanging = carrier('cajun-dwarf-crayfish', { hatched: exactly(day(24)) }, day(25));
    expect(hanging).toMatchObject({ now: 'attached' });
    expect(hanging?.steps.map(({ step, isSeen }) => [step, isSeen])).toEqual([
      ['carrying', true],
      ['attached', true],
      ['letGo', false],
    ]);
    expect(hanging?.advice.join(' ')).toContain('Calcium');
  });

  it('says nothing once they are let go or lost, of eggs that are laid, or of dates at a warmth that holds them still', () => {
    expect(carrier('green-babaulti', { freeSwimming: exactly(day(30)) }, day(31))).toBeNull();
    expect(carrier('green-babaulti', { alive: 0 })).toBeNull();
    expect(carrier('dwarf-egyptian-mouthbrooder')?.mayStrip).toBe(true);
    expect(carrier('dwarf-egyptian-mouthbrooder', { stripped: exactly(day(3)) })).toBeNull();
    expect(carrier('lemon-tetra')).toBeNull();
    expect(carrier('green-babaulti', {}, day(3), 5)?.steps.at(-1)).toMatchObject({ step: 'letGo', from: null, to: null });
  });
});
