import { broodsAgenda } from '../broods';
import { growoutAgenda, tankFreeOn } from '../growout';
import { SHIPPED_SPECIES } from '../species';
import { addDays } from '../time';
import { grown, house, lot, tank, TODAY, view, type Told } from './houseFixture';

const askedFor = (kind: string, told: Partial<Told>, day = TODAY) => {
  const seen = view(house(told));
  return [...(growoutAgenda.chores?.(seen, day) ?? []), ...(broodsAgenda.chores?.(seen, day) ?? [])].filter(
    ({ chore }) => chore.kind === kind,
  );
};

describe('the sexes of young are parted', () => {
  it('where males fight at 25 mm or eight weeks, whichever comes first, said a week before', () => {
    const fish = SHIPPED_SPECIES.find(({ key }) => key === 'fighting-fish');
    if (!fish) throw new Error('no fighting fish');
    const first = (saleDays: readonly [number, number]) =>
      Array.from({ length: 120 }, (_, days) => days).find((days) => {
        const told = grown('fighting-fish', days);
        return askedFor('partSexes', { ...told, saved: [{ ...fish, figures: { saleDays } }] }).length > 0;
      });
    // Slow ones are not 25 mm by then: eight weeks less the week ahead. Fast ones are that long sooner.
    expect(first([400, 500])).toBe(49);
    expect(first([50, 60])).toBeLessThan(40);
    expect(askedFor('partSexes', grown('fighting-fish', 60))[0]?.chore.why.join(' ')).toContain('Males fight');
  });

  it('not of shoaling fish, and not once they are sexed and apart', () => {
    for (const days of [60, 120, 240]) expect(askedFor('partSexes', grown('lemon-tetra', days))).toEqual([]);
    expect(askedFor('partSexes', grown('fighting-fish', 60, { unsexed: 0, females: 30 }))).toEqual([]);
    expect(askedFor('partSexes', grown('fighting-fish', 60, { unsexed: 0, females: 29, males: 1 }))).toHaveLength(1);
  });
});

describe('young livebearers are looked at for males', () => {
  const LOOK = 'Look for young males and move them out';
  const looks = (days: number, lookedDaysAgo: number | null = null, more: Partial<Told['lots'][number]> = {}) => {
    const told = grown('humpback-limia', days, more);
    const at = lookedDaysAgo === null ? null : `${addDays(TODAY, -lookedDaysAgo)}T09:00:00.000Z`;
    const care = at ? { T1: [{ kind: 'looked' as const, what: 'young males', at }] } : {};
    const seen = view(house({ ...told, room: { care } }));
    return (broodsAgenda.chores?.(seen, TODAY) ?? []).filter(({ chore }) => chore.text === LOOK);
  };
  it('weekly from week four until all are sexed and apart', () => {
    expect([27, 28, 35, 36, 90].map((days) => looks(days).length)).toEqual([0, 1, 1, 1, 1]);
    expect([28, 35, 36].map((days) => looks(days)[0]?.chore.overdue)).toEqual([false, false, true]);
    expect([0, 1, 6, 7].map((ago) => looks(40, ago).length)).toEqual([1, 0, 0, 1]);
    expect(looks(40, 7)[0]?.chore.overdue).toBe(false);
    expect(looks(40, null, { unsexed: 0, females: 20 })).toEqual([]);
    expect(looks(40, null, { unsexed: 0, females: 20, males: 1 })).toHaveLength(1);
    expect(looks(40)[0]?.chore.tick).toEqual({ kind: 'looked', id: 'T1', what: 'young males' });
  });

  it('another look at the tank does not stand for it', () => {
    const told = grown('humpback-limia', 40);
    const care = { T1: [{ kind: 'looked' as const, what: 'eggs', at: `${addDays(TODAY, -1)}T09:00:00.000Z` }] };
    const seen = view(house({ ...told, room: { care } }));
    expect((broodsAgenda.chores?.(seen, TODAY) ?? []).filter(({ chore }) => chore.text === LOOK)).toHaveLength(1);
  });
});

describe('who lives with small young is named', () => {
  const notes = (others: Told['lots'], mm = 5) => {
    const seen = view(
      house({
        ...grown('humpback-limia', 2, { lengthMm: mm }),
        lots: [lot('y', 'T1', 'humpback-limia', { broodId: 'B', unsexed: 30 }), ...others],
      }),
    );
    return (broodsAgenda.notes?.(seen, 'T1') ?? []).filter((note) => note.includes('live here too'));
  };
  it('also a colony of their own kind, and shrimp never', () => {
    const adults = lot('a', 'T1', 'humpback-limia', { males: 0, females: 7, unsexed: 0, lengthMm: 50 });
    const males = lot('b', 'T1', 'humpback-limia', { males: 3, females: 0, unsexed: 0, lengthMm: 50 });
    expect(notes([adults, males])).toEqual(['10 humpback limia live here too: they eat small fry.']);
    expect(notes([lot('s', 'T1', 'green-babaulti', { unsexed: 20, lengthMm: 26 })])).toEqual([]);
    expect(notes([lot('t', 'T1', 'lemon-tetra', { unsexed: 6, lengthMm: 38 })])).toEqual([
      '6 lemon tetra live here too: they eat small fry.',
    ]);
  });

  it('crayfish beside fish of the floor', () => {
    const both = [
      lot('c', 'T1', 'cajun-dwarf-crayfish', { males: 1, females: 2, unsexed: 0, lengthMm: 35 }),
      lot('w', 'T1', 'red-lizard-whiptail', { unsexed: 4, lengthMm: 90 }),
    ];
    expect(notes(both).filter((note) => note.includes('grab'))).toEqual([
      '3 cajun dwarf crayfish live here too and grab red lizard whiptail resting on the bottom. Separate them.',
    ]);
    expect(notes(both.slice(0, 1)).filter((note) => note.includes('grab'))).toEqual([]);
  });
});

describe('young take room until they have left', () => {
  const barbs = (days: number, heads: number, litres: number) => {
    const told = grown('odessa-barb', days, { unsexed: heads });
    return view(house({ ...told, tanks: [tank('T1', { litres }), tank('T2')] }));
  };
  const crowds = (seen: ReturnType<typeof barbs>) =>
    (growoutAgenda.alarms?.(seen) ?? []).filter(({ key }) => key === 'crowd:T1').map(({ title }) => title);

  it('as small ones, at sale size and grown up, unsold: the same 33 crowd 22 litres at every age', () => {
    // About 35 mm grown: 22 L carry 1 to 2 a litre of 22 mm, that is (22/35)² of it, 9 to 17.
    for (const days of [150, 250, 400, 600]) expect([days, crowds(barbs(days, 33, 22))]).toEqual([days, ['T1 is too full.']]);
    for (const days of [150, 250, 400, 600]) expect([days, crowds(barbs(days, 4, 22))]).toEqual([days, []]);
    expect(crowds(barbs(400, 0, 22))).toEqual([]);
  });

  it('and their tank is free when they are gone, not when they should be', () => {
    const free = (days: number, heads = 20) => tankFreeOn(barbs(days, heads, 60), 'T1');
    const window = free(30);
    expect(window !== null && window > TODAY).toBe(true);
    expect(free(600)).toBeNull();
    expect(tankFreeOn(barbs(600, 20, 60), 'T2')).toBe(TODAY);
  });
});
