import { useState } from 'react';
import { FOOD_CLASS_KEYS, FOOD_CLASSES, foodClassOf } from '@freshet/core/larder';
import { useGet, useHouse } from '../../data';
import { Button, Dialog, Empty, Loaded } from '../../ui';
import { LarderHead } from '../LarderHead';
import { CultureForm } from './CultureForm';
import { CultureRow } from './CultureRow';
import { KindForm } from './KindForm';

/** Every vessel: how ripe, what it gives, what threatens it, and what to do so that its kind never dies out. */
export function CulturesPage() {
  const house = useHouse();
  const cultures = useGet('cultures');
  const [form, setForm] = useState<'start' | 'kind' | null>(null);
  const close = () => setForm(null);
  return (
    <Loaded reply={cultures} what="the cultures">
      {(data) => {
        const risky = data.filter(({ risks }) => risks.some(({ level }) => level === 'high')).length;
        return (
          <>
            <LarderHead
              title="Cultures"
              about={
                data.length > 0 && (
                  <>
                    {data.length === 1 ? 'one vessel' : `${data.length} vessels`}
                    {risky > 0 && <b className="text-rust">; {risky === 1 ? 'one is failing' : `${risky} are failing`}</b>}
                  </>
                )
              }
            >
              {house.may('keeper') && <Button onClick={() => setForm('kind')}>A kind of your own</Button>}
              {house.may('sitter') && (
                <Button look="main" onClick={() => setForm('start')}>
                  Start a culture
                </Button>
              )}
            </LarderHead>
            {data.length === 0 ? (
              <Empty
                title="No culture running"
                action={house.may('sitter') ? <Button onClick={() => setForm('start')}>Start the first</Button> : undefined}
              >
                First foods take days to ripen. Start one before the spawning, and a second a week later.
              </Empty>
            ) : (
              FOOD_CLASS_KEYS.map((key) => {
                const own = data.filter(({ food }) => foodClassOf(food) === key);
                return own.length === 0 ? null : (
                  <section key={key} className="mb-4">
                    <h2 className="mb-1 text-code">{FOOD_CLASSES[key].words}</h2>
                    <ul className="border-t border-ink bg-sheet px-3">
                      {own.map((culture) => (
                        <CultureRow key={culture.id} culture={culture} />
                      ))}
                    </ul>
                  </section>
                );
              })
            )}
            {form === 'start' && (
              <Dialog title="Start a culture" open onClose={close}>
                <CultureForm food="infusoria" done={close} />
              </Dialog>
            )}
            {form === 'kind' && (
              <Dialog title="A kind of your own" open onClose={close}>
                <KindForm done={close} />
              </Dialog>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
