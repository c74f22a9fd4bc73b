import type { Sign, TriggerSchool } from '@freshet/core/spawning';

/** One spawning of the story. Days count back from today; negative ones lie ahead. */
export interface AttemptPlan {
  species: string;
  name: string;
  tank: string;
  sires: string[];
  dams: string[];
  /** When eggs were laid or young born; null when nothing came of it. */
  laidDaysAgo: number | null;
  /** When the tank was taken. */
  fromDaysAgo: number;
  eggs: number;
  trigger: TriggerSchool;
  eggPlan?: 'leaveWithParents' | 'removeParents' | 'pullEggs' | 'tumbler';
  fungus?: 'dye' | 'leaves' | 'flow';
  note?: string;
  /** Parents that are moved into the spawning tank and back home after it, by lot. */
  visit?: Record<string, string>;
  /** Where the young go, and when, counted from laying. */
  moves?: { day: number; tank: string; share: number }[];
  /** What was picked on the days after the first eggs of a daily layer. */
  picks?: number[];
  /** The box its eggs were taken to. */
  box?: string;
  /** `raised`: sold by now; `lost`: none left; otherwise they live. */
  fate?: 'raised' | 'lost';
  /** Signs of settling, so many days ago. */
  signs?: [number, Sign][];
  /** Planned, not begun. */
  plan?: { setUpInDays: number; triggerInDays: number; untilInDays: number; reason?: string };
}

type Living = [
  species: string,
  name: string,
  tank: string,
  sires: string[],
  dams: string[],
  laid: number,
  eggs: number,
  more?: Partial<AttemptPlan>,
];

const LIVING: Living[] = [
  [
    'sixray-aspidoras',
    'Aspidoras 21',
    'B2.3',
    ['aspidoras'],
    ['aspidorasF'],
    0.7,
    120,
    {
      trigger: 'coolChange',
      eggPlan: 'pullEggs',
      fungus: 'dye',
      visit: { aspidoras: 'B2.2', aspidorasF: 'B2.2' },
      note: 'Large change with rain at 17 °C in the evening, T-position by midnight',
    },
  ],
  ['red-lizard-whiptail', 'Whiptail 5', 'A2.4', ['whiptail'], ['whiptail'], 4.3, 46],
  [
    'lambchop-rasbora',
    'Lambchop 4',
    'C2.1',
    ['lambchop'],
    ['lambchop'],
    0.6,
    38,
    { trigger: 'dawnLightAndFood', eggPlan: 'pullEggs', fungus: 'leaves', visit: { lambchop: 'B2.1' } },
  ],
  ['fighting-fish', 'Tern spawning 6', 'B1.4', ['betta'], ['bettaF'], 2.5, 210, { visit: { bettaF: 'B2.1' } }],
  [
    'angelfish',
    'Angels 9',
    'C2.2',
    ['angel'],
    ['angel', 'angelB'],
    6.2,
    260,
    { eggPlan: 'pullEggs', fungus: 'leaves', note: 'Two females beside the male; which one laid was not seen' },
  ],
  ['golden-dwarf-cichlid', 'Golden 3', 'B3.1', ['golden'], ['goldenF'], 9.4, 70, { visit: { golden: 'B2.2' } }],
  ['kribensis', 'Kribensis 7', 'A1.2', ['krib'], ['krib'], 20.5, 96],
  ['zebra-danio', 'Danio 4', 'A1.5', ['danio'], ['danio'], 12.3, 180, { trigger: 'dawnLightAndFood', eggPlan: 'removeParents' }],
  [
    'lemon-tetra',
    'Lemon tetra 20',
    'A1.3',
    ['lemonM'],
    ['lemonF'],
    27.3,
    138,
    { trigger: 'dawnLightAndFood', eggPlan: 'removeParents', moves: [{ day: 19, tank: 'A1.4', share: 0.4 }] },
  ],
  ['paradise-fish', 'Paradise 2', 'A1.1', ['paradise'], ['paradise'], 41.4, 160],
  ['telmatochromis-vittatus', 'Vittatus 4', 'A2.1', ['vittatus'], ['vittatus'], 66.5, 40],
  ['telmatochromis-shell', 'Shells 5', 'A2.2', ['shell'], ['shell'], 40.4, 18],
  ['boesemans-rainbowfish', 'Rainbows 3', 'A1.6', ['boesemani'], ['boesemani'], 14.5, 34, { eggPlan: 'pullEggs' }],
  ['forktail-blue-eye', 'Forktails 7', 'B2.4', ['forktail'], ['forktail'], 4.4, 7, { picks: [5, 9, 6], box: 'C1.3' }],
  ['amano-shrimp', 'Amano 1', 'B2.2', ['amano'], ['amano'], 22.4, 900],
  ['forktail-blue-eye', 'Forktails 6', 'A1.6', ['forktail'], ['forktail'], 35.4, 24, { eggPlan: 'pullEggs' }],
  ['angelfish', 'Angels 8', 'A2.5', ['torn'], ['blue'], 71.4, 170, { moves: [{ day: 24, tank: 'A2.5', share: 1 }] }],
  ['humpback-limia', 'Limia 12', 'A3.4', ['sorrel'], ['marrowNew'], 5.4, 22],
  ['humpback-limia', 'Limia 10', 'Q3', ['sorrel'], ['limia'], 74.4, 26, { moves: [{ day: 58, tank: 'A3.4', share: 1 }] }],
  ['butterfly-goodeid', 'Goodeids 5', 'A2.3', ['goodeid'], ['goodeid'], 21.4, 14],
  ['green-babaulti', 'Babaulti 9', 'B3.2', ['babaulti'], ['babaulti'], 12.4, 24],
  ['green-babaulti', 'Babaulti 8', 'B3.2', ['babaulti'], ['babaulti'], 66.4, 28],
  ['cajun-dwarf-crayfish', 'Cajun 3', 'B3.3', ['cajun'], ['cajun'], 19.4, 35],
  ['odessa-barb', 'Odessa 5', 'B1.3', ['odessaOld'], ['odessaOld'], 128.4, 52],
  [
    'lemon-tetra',
    'Lemon tetra 19',
    'B1.2',
    ['lemonM'],
    ['lemonF'],
    84.3,
    76,
    { trigger: 'dawnLightAndFood', eggPlan: 'removeParents' },
  ],
  ['rachows-nothobranch', 'Beira peat 4', 'C2.3', ['notho'], ['notho'], 31.4, 60],
];

/** Attempts long over: species, tank, parents, first and last day back, how many, share that works by trigger. */
type Past = [
  species: string,
  title: string,
  tank: string,
  sires: string[],
  dams: string[],
  first: number,
  every: number,
  count: number,
  eggs: number,
  odds: Partial<Record<TriggerSchool, number>>,
];

const PAST: Past[] = [
  ['sixray-aspidoras', 'Aspidoras', 'B2.3', ['aspidoras'], ['aspidorasF'], 398, 18, 20, 110, { coolChange: 0.8, stable: 0.25 }],
  ['lemon-tetra', 'Lemon tetra', 'A1.3', ['lemonM'], ['lemonF'], 378, 18, 16, 130, { dawnLightAndFood: 0.8, stable: 0.25 }],
  ['kribensis', 'Kribensis', 'A1.2', ['krib'], ['krib'], 390, 90, 4, 90, { stable: 0.7, coolChange: 0.65 }],
  ['angelfish', 'Angels', 'C2.2', ['angel'], ['angel'], 396, 66, 5, 240, { warm: 0.6, stable: 0.55 }],
];

const pulls = ['sixray-aspidoras', 'angelfish'];

/** Every attempt of the story, oldest first; `pick` decides chance. */
export function attemptPlans(pick: {
  chance(probability: number): boolean;
  whole(low: number, high: number): number;
}): AttemptPlan[] {
  const plans: AttemptPlan[] = [];
  for (const [species, title, tank, sires, dams, first, every, count, eggs, odds] of PAST) {
    const triggers = Object.entries(odds) as [TriggerSchool, number][];
    for (let i = 0; i < count; i++) {
      const laid = first - i * every;
      // Two of one way, two of the other, as somebody would who wants to know.
      const [trigger, share] = triggers[Math.floor(i / 2) % triggers.length] ?? ['stable', 0.5];
      const works = pick.chance(share);
      const fate = laid > 115 && pick.chance(0.6) ? 'raised' : 'lost';
      const clutch = works ? Math.round(eggs * (0.7 + pick.whole(0, 60) / 100)) : 0;
      plans.push({
        species,
        name: `${title} ${i + 1}`,
        tank,
        sires,
        dams,
        laidDaysAgo: works ? laid - 0.9 : null,
        fromDaysAgo: laid + 3,
        eggs: clutch,
        trigger,
        fate,
        // Every other clutch of those that stick to glass was pulled, the next left on its leaf without the parents.
        ...(pulls.includes(species) ? { eggPlan: i % 2 === 0 ? 'pullEggs' : 'removeParents' } : {}),
      });
    }
  }
  for (const [species, name, tank, sires, dams, laidDaysAgo, eggs, more] of LIVING)
    plans.push({ species, name, tank, sires, dams, laidDaysAgo, fromDaysAgo: laidDaysAgo + 4, eggs, trigger: 'stable', ...more });
  plans.push(
    {
      species: 'odessa-barb',
      name: 'Odessa 6',
      tank: 'B1.3',
      sires: ['odessaOld'],
      dams: ['odessaOld'],
      laidDaysAgo: null,
      fromDaysAgo: 5,
      eggs: 0,
      trigger: 'coolChange',
      eggPlan: 'removeParents',
      signs: [
        [2, 'hiding'],
        [1, 'colour'],
      ],
    },
    {
      species: 'lemon-tetra',
      name: 'Lemon tetra 21',
      tank: 'B1.1',
      sires: ['lemonM'],
      dams: ['lemonF'],
      laidDaysAgo: null,
      fromDaysAgo: 0,
      eggs: 0,
      trigger: 'dawnLightAndFood',
      eggPlan: 'removeParents',
      plan: { setUpInDays: 3, triggerInDays: 5, untilInDays: 12 },
    },
    {
      species: 'golden-dwarf-cichlid',
      name: 'Golden 4',
      tank: 'Q3',
      sires: ['golden'],
      dams: ['goldenF'],
      laidDaysAgo: null,
      fromDaysAgo: 0,
      eggs: 0,
      trigger: 'stable',
      plan: { setUpInDays: 7, triggerInDays: 8, untilInDays: 16 },
    },
    {
      species: 'paradise-fish',
      name: 'Paradise 3',
      tank: 'Q3',
      sires: ['paradise'],
      dams: ['paradise'],
      laidDaysAgo: null,
      fromDaysAgo: 0,
      eggs: 0,
      trigger: 'warm',
      plan: { setUpInDays: 10, triggerInDays: 11, untilInDays: 20, reason: 'the cichlids should be out by then' },
    },
  );
  return plans.sort((a, b) => b.fromDaysAgo - a.fromDaysAgo);
}
