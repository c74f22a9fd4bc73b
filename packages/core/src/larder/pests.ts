import type { Pest } from './keys';

/** Whom a treatment can harm. */
export type Harmed = 'snails' | 'shrimp' | 'worms' | 'fish' | 'plants' | 'culture';

/** A way of getting rid of a pest. */
export interface Treatment {
  key: string;
  words: string;
  harms: readonly Harmed[];
  /** It comes from a bottle: the label's dose, half of it where invertebrates live. */
  isDosed: boolean;
  /** Water is changed so many days after. */
  changesAfterDays: readonly number[];
  caution: string | null;
}

/** What is known of a pest. Source: docs/sources.md#pests */
export interface PestKind {
  words: string;
  /** Where it harms. */
  harm: string;
  /** What it comes with. */
  comesWith: string;
  treatments: readonly Treatment[];
}

const HOT: Treatment = {
  key: 'scald',
  words: 'empty it and scald vessel, net and stones',
  harms: ['culture', 'plants'],
  isDosed: false,
  changesAfterDays: [],
  caution: 'Hot water burns: pour it away from you, keep children away, let glass warm up slowly or it cracks.',
};
const DEWORM: Treatment = {
  key: 'dewormer',
  words: 'a wormer for fish, by its label',
  harms: ['snails', 'worms', 'shrimp'],
  isDosed: true,
  changesAfterDays: [1, 3, 7],
  caution: 'A medicine: ask a vet where local rules want it, wear gloves, and keep it from drains, children and other animals.',
};
const STARVE: Treatment = {
  key: 'starve',
  words: 'feed less and take it out by trap or pipette',
  harms: [],
  isDosed: false,
  changesAfterDays: [],
  caution: null,
};
const RESTART: Treatment = {
  key: 'restart',
  words: 'start anew from rinsed animals in a clean vessel',
  harms: [],
  isDosed: false,
  changesAfterDays: [],
  caution: null,
};

export const PEST_KINDS: Record<Pest, PestKind> = {
  hydra: {
    words: 'hydra',
    harm: 'Takes the smallest young and brine shrimp.',
    comesWith: 'plants, pond catch, and too much brine shrimp',
    treatments: [STARVE, DEWORM, HOT],
  },
  flatworm: {
    words: 'flatworms',
    harm: 'Some eat eggs and moulting shrimp; most only what is left over.',
    comesWith: 'plants, snails, leftover food',
    treatments: [STARVE, DEWORM],
  },
  mite: {
    words: 'mites',
    harm: 'Take over worm cultures; they do not harm fish.',
    comesWith: 'flour, oats and other worm cultures',
    treatments: [RESTART, HOT],
  },
  seedShrimp: {
    words: 'seed shrimp',
    harm: 'Eat what a culture is fed; harmless to fish, some pester eggs.',
    comesWith: 'plants, pond catch, leaf litter',
    treatments: [STARVE, RESTART],
  },
  leech: {
    words: 'leeches',
    harm: 'A few take snails, shrimp or blood.',
    comesWith: 'pond catch and plants',
    treatments: [STARVE, DEWORM],
  },
  snail: {
    words: 'snails',
    harm: 'Eat eggs in some tanks; clean others.',
    comesWith: 'plants',
    treatments: [STARVE],
  },
  insectLarva: {
    words: 'dragonfly, beetle or midge larvae',
    harm: 'Dragonfly and beetle larvae eat young fish.',
    comesWith: 'tubs and pond catch',
    treatments: [
      {
        ...STARVE,
        key: 'net',
        words: 'net out by hand with a torch',
        caution:
          'Some bite. Where mosquito larvae are reared or caught, local rules on disease carriers hold: keep a lid or mesh on, and use them before they fly.',
      },
    ],
  },
  fungusGnat: {
    words: 'gnats or flies in worm cultures',
    harm: 'Foul the culture and the room.',
    comesWith: 'open lids',
    treatments: [RESTART],
  },
};

/** What to hold in mind before treating where some animals live. @param lives - who lives there */
export function treatmentWarnings(treatment: Treatment, lives: { invertebrates: boolean; isCulture: boolean }): string[] {
  const hurt = treatment.harms.filter((one) => (one === 'culture' ? lives.isCulture : one !== 'plants'));
  return [
    ...(hurt.length > 0 && (lives.invertebrates || lives.isCulture || treatment.isDosed) ? [`Harms ${hurt.join(', ')}.`] : []),
    ...(treatment.isDosed && lives.invertebrates
      ? ['Shrimp, crayfish or snails live here: move them, or give half the dose on the label and watch.']
      : treatment.isDosed
        ? ['The label’s dose, for the water that’s really in the tank.']
        : []),
    ...(treatment.changesAfterDays.length > 0
      ? [`Change a third of the water after ${treatment.changesAfterDays.join(', ')} days; carbon in at the end.`]
      : []),
    'Animals can hide for days. Count before you log a loss.',
  ];
}
