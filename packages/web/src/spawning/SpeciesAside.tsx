import { Link } from 'react-router';
import { bundled, FEW, sureWords, usualRule, weighEvidence } from '@freshet/core/spawning';
import { FOOD_NAMES, METHOD_TEMPLATES } from '@freshet/core/species';
import { formatRange, inUnits } from '@freshet/core/units';
import { showTemperature, showVolume, useHouse, type Reply } from '../data';
import { Fact, Notice, Panel } from '../ui';
import type { OwnHistory } from './useOwnHistory';

type Species = Reply<'species'>[number];

/** What is known of the species before anything is set up. */
export function SpeciesAside({
  species,
  history,
  litres,
}: {
  species: Species | undefined;
  history: OwnHistory;
  litres: number | null;
}) {
  const house = useHouse();
  if (!species) return <Panel title="The species">Choose a species to see what’s known about it.</Panel>;
  const { figures } = species;
  const rule = usualRule(species);
  const { rows: all, tried, worked } = weighEvidence(history.records, rule);
  const rows = bundled(all).filter((row) => Math.min(row.with.trials, row.without.trials) >= FEW);
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
      {history.records.length > 0 && (
        <Panel
          title="What you did before"
          aside={
            <Link to={`/spawns/evidence/${species.key}`} className="link">
              all of it
            </Link>
          }
        >
          {tried > 0 && (
            <p className="mb-1">
              <b>
                {worked} of {tried}
              </b>{' '}
              spawned within {rule.withinDays} days.
            </p>
          )}
          {rows.slice(0, 3).map((row) => (
            <p key={row.factor} className="border-b border-rule py-1.5">
              <b>
                {row.with.successes} of {row.with.trials}
              </b>{' '}
              {inUnits(row.withWords, house.units)}, {row.without.successes} of {row.without.trials}{' '}
              {inUnits(row.withoutWords, house.units)}:{' '}
              <span className={row.claim ? 'font-semibold' : 'text-quiet'}>{sureWords(row)}</span>
            </p>
          ))}
          {history.lastWorked && (
            <p className="mt-2">
              Last time it worked:{' '}
              <Link to={`/spawns/${history.lastWorked.id}`} className="link">
                {history.lastWorked.name}
              </Link>
              .
            </p>
          )}
          {rows.length === 0 && <p className="text-quiet">Too few tries to compare yet.</p>}
        </Panel>
      )}
    </>
  );
}
