import { exposureIn, illnessIn, mayMove, type ExposureFacts } from './exposure';

const at = (day: string) => `${day}T09:00:00.000Z`;
/** T1 and T2 share S1, T3 and T4 share S2, T5 stands alone; illness as told. */
const facts = (illnesses: ExposureFacts['illnesses'], today = '2026-03-28'): ExposureFacts => ({
  tanks: new Map(
    (
      [
        ['T1', 'S1'],
        ['T2', 'S1'],
        ['T3', 'S2'],
        ['T4', 'S2'],
        ['T5', null],
      ] as const
    ).map(([id, sump]) => [id, { id, code: id, sump, inTankId: null }]),
  ),
  illnesses,
  timeZone: 'Europe/Dublin',
  today,
});
const spots = { tankId: 'T1', at: at('2026-03-01'), what: 'white spots' };
const worms = { tankId: 'T2', at: at('2026-03-10'), what: 'flukes' };

describe('illness', () => {
  it('counts for 28 days after it was last seen, and the newest is told', () => {
    const on = (today: string) => illnessIn(facts([spots], today), 'T1');
    expect(on('2026-03-01')).toEqual({ what: 'white spots', on: '2026-03-01', until: '2026-03-29' });
    expect(on('2026-03-29')).not.toBeNull();
    expect(on('2026-03-30')).toBeNull();
    expect(illnessIn(facts([spots]), 'T2')).toBeNull();
    expect(illnessIn(facts([spots, { ...spots, at: at('2026-03-05'), what: 'fin rot' }]), 'T1')?.what).toBe('fin rot');
  });

  it('exposes whom it was seen in and those of the same sump, no others', () => {
    const seen = facts([spots]);
    expect(exposureIn(seen, 'T1')).toMatchObject({ tankId: 'T1', code: 'T1', isShared: false, until: '2026-03-29' });
    expect(exposureIn(seen, 'T2')).toMatchObject({ tankId: 'T1', code: 'T1', isShared: true, what: 'white spots' });
    expect(['T3', 'T4', 'T5', 'gone'].map((id) => exposureIn(seen, id))).toEqual([null, null, null, null]);
    expect(exposureIn(facts([{ ...spots, tankId: 'T5' }]), 'T5')?.isShared).toBe(false);
    expect(exposureIn(facts([spots], '2026-03-30'), 'T2')).toBeNull();
  });

  it('of two in one sump the longer one counts for the others, its own for each', () => {
    const both = facts([spots, worms, { ...worms, tankId: 'T3', at: at('2026-03-20') }]);
    expect(exposureIn(both, 'T1')).toMatchObject({ tankId: 'T1', until: '2026-03-29' });
    expect(exposureIn(both, 'T2')).toMatchObject({ tankId: 'T2', until: '2026-04-07' });
    const three = { ...both, tanks: new Map([...both.tanks, ['T6', { id: 'T6', code: 'T6', sump: 'S1', inTankId: null }]]) };
    expect(exposureIn(three, 'T6')).toMatchObject({ tankId: 'T2', what: 'flukes', until: '2026-04-07' });
  });
});

describe('a vessel that hangs in a tank', () => {
  const withBoxes = (illnesses: ExposureFacts['illnesses']): ExposureFacts => {
    const base = facts(illnesses);
    const box = (id: string, inTankId: string) => [id, { id, code: id, sump: null, inTankId }] as const;
    return { ...base, tanks: new Map([...base.tanks, box('B1', 'T5'), box('B2', 'T5'), box('B3', 'T1')]) };
  };
  it.each([
    ['is exposed to what its tank has', 'T5', 'B1', 'T5'],
    ['exposes its tank', 'B1', 'T5', 'B1'],
    ['exposes what hangs beside it', 'B1', 'B2', 'B1'],
    ['has its own water, not the sump’s', 'T2', 'B3', null],
    ['has nothing to do with another tank', 'T4', 'B1', null],
  ])('%s', (_what, ill, asked, where) => {
    expect(exposureIn(withBoxes([{ ...spots, tankId: ill }]), asked)?.tankId ?? null).toBe(where);
  });
});

describe('animals may move', () => {
  it.each([
    ['from a sick tank to a healthy one', 'T1', 'T5', false, 'T1'],
    ['from a sick tank to one that shares its water', 'T1', 'T2', false, null],
    ['from one that shares its water to a healthy one', 'T2', 'T5', false, 'T1'],
    ['from one that shares its water to the sick one', 'T2', 'T1', false, null],
    ['from a sick tank to quarantine', 'T1', 'T5', true, null],
    ['between healthy ones', 'T3', 'T5', false, null],
    ['from a healthy one to a sick one', 'T5', 'T1', false, null],
  ])('%s', (_name, from, to, isQuarantine, exposedIn) => {
    const verdict = mayMove(facts([spots]), from, { id: to, isQuarantine });
    expect(verdict.ok ? null : verdict.exposure.tankId).toBe(exposedIn);
  });

  it('not between tanks where different things were seen', () => {
    const both = facts([spots, { ...worms, tankId: 'T3' }]);
    expect(mayMove(both, 'T1', { id: 'T3', isQuarantine: false }).ok).toBe(false);
    expect(mayMove(both, 'T4', { id: 'T3', isQuarantine: false }).ok).toBe(true);
  });
});
