import { TRIGGER_SCHOOLS } from '@freshet/core/spawning';
import { FOOD_NAMES, METHOD_TEMPLATES } from '@freshet/core/species';
import { formatRange } from '@freshet/core/units';
import { showTemperature, showVolume, useHouse, type Reply } from '../data';
import { Fact, Notice, Panel } from '../ui';
import { SCHOOL_WORDS } from './schools';

type Species = Reply<'species'>[number];

/** What is known of the species before anything is set up. */
export function SpeciesAside({
  species,
  attempts,
  litres,
}: {
  species: Species | undefined;
  attempts: Reply<'attempts'>['attempts'] | undefined;
  litres: number | null;
}) {
  const house = useHouse();
  if (!species) return <Panel title="The species">Choose a species, and what is known of it stands here.</Panel>;
  const { figures } = species;
  const past = (attempts ?? []).filter((attempt) => attempt.speciesKey === species.key && attempt.outcome);
  const byTrigger = TRIGGER_SCHOOLS.map((trigger) => {
    const tried = past.filter((attempt) => attempt.recipe.trigger === trigger);
    return { trigger, tried: tried.length, worked: tried.filter((attempt) => attempt.outcome === 'spawned').length };
  }).filter(({ tried }) => tried > 0);
  return (
    <>
      <Panel title={species.commonName}>
        <p className="mb-2 text-quiet first-letter:uppercase">
          {METHOD_TEMPLATES[species.method].name}. {species.eggPlan}
        </p>
        {species.caution && <Notice className="mb-2">{species.caution}</Notice>}
        <Fact label="Adults are kept at">
          {showTemperature(figures.tempC[0], house)} to {showTemperature(figures.tempC[1], house)}
        </Fact>
        <Fact label="pH, hardness">
          {formatRange(figures.ph)}, {formatRange(figures.ghDeg)} °dGH
        </Fact>
        <Fact label="Clutch">{formatRange(figures.clutch)}</Fact>
        {figures.hatch && (
          <Fact label={species.start === 'carried' ? 'Carried for' : 'Hatch after'}>
            {formatRange(figures.hatch.days)} days at {showTemperature(figures.hatch.atC, house)}
          </Fact>
        )}
        <Fact label="Eggs are eaten by">
          {figures.eggsEatenBy === 'anyAdult' ? 'any adult' : figures.eggsEatenBy === 'parents' ? 'the parents' : 'nobody'}
        </Fact>
        <Fact label="First food">{FOOD_NAMES[figures.ladder[0]?.food ?? 'finePowder']}</Fact>
        {litres !== null && <Fact label="The tank holds">{showVolume(litres, house)}</Fact>}
      </Panel>
      {byTrigger.length > 0 && (
        <Panel title="What you did before">
          {byTrigger.map(({ trigger, tried, worked }) => (
            <Fact key={trigger} label={SCHOOL_WORDS.trigger[trigger]}>
              {worked} of {tried} spawned
            </Fact>
          ))}
          <p className="mt-1 text-note text-quiet">Plain counts; few tries say little.</p>
        </Panel>
      )}
    </>
  );
}
