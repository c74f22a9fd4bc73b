import { lazy, Suspense } from 'react';
import { NEW_BLOOD_AT, newBloodIn, projectDiversity, withNewAnimal } from '@freshet/core/stock';
import { addDays, formatDate } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showPercent, useGet, useHouse, type Reply } from '../../data';
import { Fact, Loading, Why } from '../../ui';
import { kinshipWork, useWork } from '../../workers';
import type { LineAnimal } from './useLine';

const DiversityChart = lazy(() => import('./DiversityChart'));
const GENERATIONS = 8;
/** Below the first a line is near its end, below the second it wants new blood soon. */
const COLLAPSE = 0.5;
const LOW = 0.75;

/** Diversity left, who is precious, whose genes they are, and what is to come. */
export function DiversityPart({
  records,
  animals,
  label,
  speciesKey,
}: {
  records: Reply<'pedigree'>['pedigree'];
  animals: readonly LineAnimal[];
  label: (id: string) => string;
  speciesKey: string;
}) {
  const ids = animals.map(({ id }) => id).join(' ');
  const house = useHouse();
  const kind = useGet('species').data?.find(({ key }) => key === speciesKey);
  const held = useWork(() => kinshipWork().diversity(records, ids.split(' ')), [records, ids]);
  if (!held) return <Loading what="what is left" />;
  const males = animals.filter(({ likelySex }) => likelySex === 'males').length;
  const females = animals.filter(({ likelySex }) => likelySex === 'females').length;
  const [sires, dams] = [Math.max(1, males), Math.max(1, females)];
  const now = projectDiversity(held.geneDiversity, sires, dams, GENERATIONS);
  const rescued = projectDiversity(withNewAnimal(held.groupMeanKinship, animals.length), sires + 1, dams, GENERATIONS);
  const newBlood = kind
    ? newBloodIn(held.groupMeanKinship, now.ne, (kind.figures.maturityDays[0] + kind.figures.maturityDays[1]) / 2)
    : null;
  const verdict =
    held.geneDiversity < COLLAPSE
      ? 'Nearly used up. Bring in unrelated fish before the next brood.'
      : held.geneDiversity < LOW
        ? 'Running low. Bring in unrelated fish soon.'
        : (now.geneDiversity.at(-1) ?? 1) < LOW
          ? 'Enough for now, but this plan runs it down.'
          : 'In good shape.';
  return (
    <>
      <p
        className={`mb-1 border-l-4 px-3 py-1.5 ${held.geneDiversity < LOW ? 'border-rust bg-rust-wash' : 'border-deep bg-shade'}`}
      >
        {verdict}
      </p>
      <Fact
        label={
          <>
            Diversity of the founders left{' '}
            <Why
              about="Diversity left"
              inputs={[
                { label: 'Mean kinship', value: showPercent(held.groupMeanKinship) },
                { label: 'Founder equivalents', value: formatNumber(held.founderEquivalents) },
                { label: 'Founder genomes', value: formatNumber(held.founderGenomes) },
              ]}
              formula="1 less the mean kinship of all living breeders, each with all and with itself."
              source="docs/sources.md#diversity"
            />
          </>
        }
      >
        {showPercent(held.geneDiversity)}
      </Fact>
      <Fact
        label={`Effective size of ${males} ${males === 1 ? 'male' : 'males'}, ${females} ${females === 1 ? 'female' : 'females'}`}
      >
        {formatNumber(now.ne)}
      </Fact>
      <Fact label="As if so many founders had given alike">{formatNumber(held.founderEquivalents)}</Fact>
      {held.rescuer && (
        <Fact label={`Without ${label(held.rescuer.id)} and descendants`}>{showPercent(held.rescuer.without)}</Fact>
      )}
      {kind && (
        <Fact label={`Fry inbred by ${showPercent(NEW_BLOOD_AT)} on average. Bring in unrelated fish by`}>
          {newBlood === null
            ? 'not within ten years'
            : newBlood === 0
              ? 'now'
              : `about ${formatDate(addDays(house.today, newBlood), house.today)}`}
        </Fact>
      )}
      <h3 className="mt-2">Next generations</h3>
      <Suspense fallback={<Loading what="the curve" />}>
        <DiversityChart now={now.geneDiversity} rescued={rescued.geneDiversity} />
      </Suspense>
      <p className="text-note text-quiet">
        One new unrelated male: {showPercent(rescued.geneDiversity[0] ?? 0)} at once, {showPercent(rescued.geneDiversity[4] ?? 0)}{' '}
        instead of {showPercent(now.geneDiversity[4] ?? 0)} after four generations.
      </p>
      <div className="mt-2 grid grid-cols-2 gap-x-5">
        <div>
          <h3>Genetically precious</h3>
          {held.meanKinship.slice(0, 4).map(({ id, meanKinship }) => (
            <Fact key={id} label={<span className="block truncate">{label(id)}</span>}>
              {showPercent(meanKinship)}
            </Fact>
          ))}
        </div>
        <div>
          <h3>Founders’ shares</h3>
          {held.founders.slice(0, 4).map(({ id, share }) => (
            <Fact key={id} label={<span className="block truncate">{label(id)}</span>}>
              {showPercent(share)}
            </Fact>
          ))}
        </div>
      </div>
    </>
  );
}
