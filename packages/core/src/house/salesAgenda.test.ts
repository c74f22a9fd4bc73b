import { barOf, salesAgenda } from '../sales';
import { addDays } from '../time';
import { house, lot, tank, TODAY, view, type Told } from './houseFixture';

const at = (day: string) => `${day}T09:00:00.000Z`;
/** T1 and T2 share a sump, T3 stands alone; ten danios in each; an order of two from T1 for today. */
const told = (more: Partial<Told> = {}) =>
  view(
    house({
      tanks: [tank('T1', { sump: 'S1' }), tank('T2', { sump: 'S1' }), tank('T3')],
      lots: ['T1', 'T2', 'T3'].map((code) => lot(`in ${code}`, code, 'zebra-danio')),
      sales: {
        orders: [
          {
            orderId: 'o',
            number: 7,
            buyerKind: 'shop',
            dueOn: TODAY,
            lines: [
              {
                lineId: 'l',
                speciesKey: 'zebra-danio',
                sex: 'any',
                leastMm: null,
                heads: 2,
                broodId: null,
                reserved: [{ lotId: 'in T1', males: 0, females: 0, unsexed: 2 }],
                collected: 0,
              },
            ],
          },
        ],
      },
      ...more,
    }),
  );
const bars = (seen: ReturnType<typeof told>) => ['T1', 'T2', 'T3'].map((tankId) => barOf(seen, { tankId }));
const seenOn = (tankId: string, day: string) => ({ room: { illnesses: [{ tankId, at: at(day), what: 'flukes' }] } });
const breach = (day: string) => ({
  stock: { breaches: [{ lotId: 'x', fromTankId: 'T3', toTankId: 'T1', at: at(day), endsOn: addDays(day, 9) }] },
});
const pest = (changesOn: string[], treatedWith: string | null = 'dewormer') => ({
  larder: { pests: [{ id: 'p', pest: 'flatworm', tankId: 'T3', cultureId: null, at: at('2026-03-01'), changesOn, treatedWith }] },
});

describe('what does not go now', () => {
  it('is what is ill, shares its water, broke a quarantine, is in one, or is under treatment', () => {
    expect(bars(told())).toEqual([null, null, null]);
    expect(bars(told(seenOn('T1', '2026-03-01')))).toEqual([
      'a tank where illness was seen',
      'a tank that shares its water with T1, where illness was seen',
      null,
    ]);
    // 28 days: seen on the 10th of February it counts until today, on the 9th no more.
    expect(bars(told(seenOn('T3', '2026-02-10')))[2]).toBe('a tank where illness was seen');
    expect(bars(told(seenOn('T3', '2026-02-09')))[2]).toBeNull();
    const early = 'a tank that took animals out of quarantine early';
    expect(bars(told(breach('2026-03-01')))).toEqual([early, null, null]);
    expect(bars(told(breach('2026-02-10')))[0]).toBe(early);
    expect(bars(told(breach('2026-02-09')))[0]).toBeNull();
    expect(bars(told({ stock: { quarantines: { T2: null } } }))).toEqual([null, 'quarantine', null]);
    expect(bars(told(pest([TODAY])))).toEqual([null, null, 'a tank under treatment']);
    expect(bars(told(pest(['2026-03-09'])))).toEqual([null, null, null]);
    expect(bars(told(pest([TODAY], null)))).toEqual([null, null, null]);
    expect(barOf(told(seenOn('T1', TODAY)), { tankId: null })).toBeNull();
  });

  it('is not asked to be bagged: the stop says why, and what to do', () => {
    const packing = (seen: ReturnType<typeof told>) =>
      (salesAgenda.chores?.(seen, TODAY) ?? []).filter(({ chore }) => chore.kind === 'packOrder').map(({ chore }) => chore);
    expect(packing(told())[0]?.text).toBe('Look over, catch and bag 2 zebra danio for order 7');
    expect(packing(told(seenOn('T3', TODAY)))[0]?.text).toBe('Look over, catch and bag 2 zebra danio for order 7');
    const barred = packing(told(seenOn('T2', TODAY)))[0];
    expect(barred?.text).toBe('Leave 2 zebra danio for order 7 where they are');
    expect(barred?.why[0]).toBe(
      'They are in a tank that shares its water with T2, where illness was seen, so they could carry it to others.',
    );
  });
});

describe('an order in trouble', () => {
  const alarms = (more: Partial<Told> = {}) =>
    salesAgenda.alarms?.(told(more)).map(({ title, text }) => `${title} ${text}`) ?? [];

  it('says that it can’t be filled, and why, in whole sentences', () => {
    expect(alarms()).toEqual([]);
    expect(alarms({ lots: [lot('in T1', 'T1', 'zebra-danio', { unsexed: 1 })] })).toEqual([
      'Order 7 can’t be filled as promised. Only 1 is left in T1, and 2 are promised of them. Choose others, or tell the buyer.',
    ]);
  });
});
