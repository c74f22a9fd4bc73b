import { chore, choreKinds, feedWords, mealsOf, type Chore } from '.';

const KINDS = choreKinds({ feed: { seconds: 30, meal: true, words: 'feed' }, look: { seconds: 10, words: 'look' } });
const fed = (subject: string, food: string, value: number, unit: string, more: Partial<Chore> = {}): Chore =>
  chore(KINDS.feed, {
    subject,
    day: '2026-03-10',
    text: feedWords(food),
    amount: { value, unit },
    amountText: unit === 'trace' ? 'a tiny pinch' : `${value} ${unit}${unit === 'pinch' && value > 1 ? 'es' : ''}`,
    ...more,
  });
const words = (...chores: Chore[]) => mealsOf(chores).map((meal) => `${meal.walk + 1}: ${meal.words}`);

describe('the meals of a stop', () => {
  it('are one line a walk, each with all its foods', () => {
    const shrimp = fed('a', 'brine shrimp', 4.5, 'ml');
    const later = fed('a@1', 'brine shrimp', 4.5, 'ml', { walk: 1 });
    const pellets = fed('t', 'pellets', 3, 'pinch', { more: 'for the humpback limia' });
    expect(words(shrimp, later, pellets)).toEqual([
      '1: Feed brine shrimp 4.5 ml; pellets 3 pinches for the humpback limia',
      '2: Feed brine shrimp 4.5 ml',
    ]);
    expect(mealsOf([shrimp, later, pellets]).map(({ keys }) => keys)).toEqual([[shrimp.key, pellets.key], [later.key]]);
  });

  it.each([
    // What is poured into one tank is one dose.
    [[fed('a', 'brine shrimp', 3.5, 'ml'), fed('b', 'brine shrimp', 4.5, 'ml')], 'Feed brine shrimp 8 ml'],
    [[fed('a', 'brine shrimp', 0.1, 'ml'), fed('b', 'brine shrimp', 0.2, 'ml')], 'Feed brine shrimp 0.3 ml'],
    [[fed('a', 'pellets', 2, 'pinch'), fed('b', 'pellets', 0.5, 'pinch')], 'Feed pellets 2.5 pinches'],
    // One and two are told in the plural, whichever comes first.
    [[fed('a', 'pellets', 1, 'pinch'), fed('b', 'pellets', 2, 'pinch')], 'Feed pellets 3 pinches'],
    // A pinch and grams are not added.
    [[fed('a', 'pellets', 2, 'pinch'), fed('b', 'pellets', 0.5, 'g')], 'Feed pellets 2 pinches + 0.5 g'],
    // Two tiny pinches stay one.
    [[fed('a', 'crushed flake', 1, 'trace'), fed('b', 'crushed flake', 1, 'trace')], 'Feed crushed flake a tiny pinch'],
    // What goes with both is said once, what differs one after the other.
    [
      [
        fed('a', 'brine shrimp', 1, 'ml', { more: 'plus a little crushed flake' }),
        fed('b', 'brine shrimp', 1, 'ml', { more: 'plus a little crushed flake' }),
      ],
      'Feed brine shrimp 2 ml, plus a little crushed flake',
    ],
    // Without an amount nothing trails.
    [
      [fed('a', 'grindal worms', 0, 'ml', { amount: null, amountText: '', more: 'conditioning' })],
      'Feed grindal worms, conditioning',
    ],
  ])('say %#', (chores, said) => {
    expect(words(...chores)).toEqual([`1: ${said}`]);
  });

  it('leave out what is no meal and what is logged', () => {
    const look = chore(KINDS.look, { subject: 'x', day: '2026-03-10', text: 'Look' });
    const outcome = { entryId: 'e', status: 'done' as const, amount: null, by: 'Ada' };
    expect(words(look, fed('a', 'pellets', 1, 'pinch', { outcome }))).toEqual([]);
    expect(words(look, fed('a', 'pellets', 1, 'pinch', { outcome }), fed('b', 'wafers', 1, 'piece'))).toEqual([
      '1: Feed wafers 1 piece',
    ]);
  });
});
