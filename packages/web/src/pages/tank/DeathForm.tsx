import { v7 as newId } from 'uuid';
import { useHouse, useLog, type Reply } from '../../data';
import { Button } from '../../ui';

type Life = Reply<'tankLife'>[number];
const SEXES = [
  ['males', 'male'],
  ['females', 'female'],
  ['unsexed', 'young or unsexed'],
] as const;

/** One found dead: who, and it is logged. */
export function DeathForm({ life, done }: { life: Life; done: () => void }) {
  const house = useHouse();
  const log = useLog();
  return (
    <div className="flex flex-col gap-3">
      {life.lots.map((lot) => (
        <div key={lot.id}>
          <h3>
            {lot.speciesName}
            {lot.broodId && (
              <span className="font-normal text-quiet"> {life.broods.find(({ id }) => id === lot.broodId)?.name}</span>
            )}
          </h3>
          <div className="mt-1 flex flex-wrap gap-2">
            {SEXES.filter(([sex]) => lot[sex] > 0).map(([sex, words]) => (
              <Button
                key={sex}
                onClick={() => {
                  void log(
                    'lose',
                    {
                      id: newId(),
                      lotId: lot.id,
                      heads: { males: 0, females: 0, unsexed: 0, [sex]: 1 },
                      cause: 'death',
                      at: house.now(),
                    },
                    `${life.code}: one ${lot.speciesName.toLowerCase()} dead`,
                  );
                  done();
                }}
              >
                One {words}
              </Button>
            ))}
          </div>
        </div>
      ))}
      <p className="text-note text-quiet">
        More than one, or another cause? Use “loss” beside the animals. If several died at once, test the water.
      </p>
    </div>
  );
}
