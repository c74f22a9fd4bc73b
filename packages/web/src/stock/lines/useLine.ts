import { useMemo } from 'react';
import { useGet, type Reply } from '../../data';
import { kinshipWork, useWork } from '../../workers';

type Lot = Reply<'lots'>[number];

/** A living animal of a line, with what matters for breeding from it. */
export interface LineAnimal {
  id: string;
  lotId: string;
  label: string;
  sex: 'males' | 'females' | 'unsexed';
  /** How sure the sex is: 1 where it is booked and nobody doubts it. */
  certainty: number;
  likelySex: 'males' | 'females' | null;
  isReady: boolean;
  missing: readonly string[];
  tankCode: string | null;
}

const toAnimal = (lot: Lot | undefined, label: string, { id, lotId, sex }: Reply<'pedigree'>['animals'][number]): LineAnimal => {
  const pMale = lot?.pMale ?? null;
  const booked = sex === 'unsexed' ? null : sex;
  const byTraits = pMale === null ? null : pMale >= 0.5 ? ('males' as const) : ('females' as const);
  return {
    id,
    lotId,
    label,
    sex,
    likelySex: booked ?? byTraits,
    certainty:
      pMale === null
        ? booked
          ? 1
          : 0.5
        : booked === 'males'
          ? pMale
          : booked === 'females'
            ? 1 - pMale
            : Math.max(pMale, 1 - pMale),
    isReady: lot?.readiness === 'ready',
    missing: lot?.missing ?? [],
    tankCode: lot?.tankCode ?? null,
  };
};

/** The living breeders of a species with their pedigree. */
export function useLine(speciesKey: string) {
  const pedigree = useGet('pedigree', { params: { speciesKey } });
  const lots = useGet('lots');
  const animals = useMemo(() => {
    const byId = new Map((lots.data ?? []).map((lot) => [lot.id, lot]));
    return (pedigree.data?.animals ?? [])
      .filter(({ isBreeder, isRetired }) => isBreeder && !isRetired)
      .map((animal) => toAnimal(byId.get(animal.lotId), pedigree.data?.labels[animal.id] ?? animal.id, animal))
      .sort((a, b) => (a.label < b.label ? -1 : 1));
  }, [pedigree.data, lots.data]);
  return { pedigree, animals, label: (id: string) => pedigree.data?.labels[id] ?? 'an unknown animal' };
}

/** Kinship of some animals, worked out away from the page. */
export function useKinshipOf(records: Reply<'pedigree'>['pedigree'] | undefined, ids: readonly string[]) {
  const asked = ids.join(' ');
  return useWork(
    records && ids.length > 0 ? () => kinshipWork().groupKinship({ pedigree: records, ids: asked.split(' ') }) : null,
    [records, asked],
  );
}
