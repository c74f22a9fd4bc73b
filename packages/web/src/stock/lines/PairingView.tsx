import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { showPercent, useHouse, type Reply } from '../../data';
import { ButtonLink, Empty, Panel, TextField, Why } from '../../ui';
import { kinshipWork, useWork } from '../../workers';
import { LimitPrices } from './LimitPrices';
import { PairingGrid, type Wish } from './PairingGrid';
import { useKinshipOf, type LineAnimal } from './useLine';

const MOST = 60;
const asWhole = (text: string) => (/^\d{1,3}$/.test(text.trim()) && Number(text) > 0 ? Number(text) : null);

function Candidates({
  title,
  animals,
  left,
  toggle,
}: {
  title: string;
  animals: readonly LineAnimal[];
  left: ReadonlySet<string>;
  toggle: (id: string) => void;
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">
        {title} <span className="font-normal text-quiet">{animals.length - animals.filter(({ id }) => left.has(id)).length}</span>
      </legend>
      <div className="max-h-44 overflow-y-auto">
        {animals.map((animal) => (
          <label
            key={animal.id}
            className="flex min-h-9 items-center gap-2 border-b border-rule"
            title={animal.missing.join(' ')}
          >
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-[var(--deep)]"
              checked={!left.has(animal.id)}
              onChange={() => toggle(animal.id)}
            />
            <span className="min-w-0 flex-1 truncate">
              <Link to={`/stock/${animal.lotId}`} className="hover:link">
                {animal.label}
              </Link>
            </span>
            <span className={`text-note ${animal.isReady ? 'text-deep' : 'text-quiet'}`}>
              {animal.certainty < 0.995 && `${Math.round(animal.certainty * 100)} % sure, `}
              {animal.isReady ? 'ready' : 'not ready'}
            </span>
          </label>
        ))}
        {animals.length === 0 && <p className="py-2 text-quiet">None.</p>}
      </div>
    </fieldset>
  );
}

/** Who with whom? */
export function PairingView({
  records,
  animals,
  label,
  speciesKey,
  chosenLots,
}: {
  records: Reply<'pedigree'>['pedigree'];
  animals: readonly LineAnimal[];
  label: (id: string) => string;
  speciesKey: string;
  chosenLots: readonly string[];
}) {
  const house = useHouse();
  const males = useMemo(() => animals.filter(({ likelySex }) => likelySex === 'males').slice(0, MOST), [animals]);
  const females = useMemo(() => animals.filter(({ likelySex }) => likelySex === 'females').slice(0, MOST), [animals]);
  const [left, setLeft] = useState<ReadonlySet<string>>(
    () => new Set(chosenLots.length > 0 ? animals.filter(({ lotId }) => !chosenLots.includes(lotId)).map(({ id }) => id) : []),
  );
  const sires = males.filter(({ id }) => !left.has(id));
  const dams = females.filter(({ id }) => !left.has(id));
  const [typed, setTyped] = useState({ wanted: '', matings: '1', certainty: '90', inbred: '25' });
  const [onlyReady, setOnlyReady] = useState(false);
  const [wishes, setWishes] = useState<Readonly<Record<string, Exclude<Wish, null>>>>({});
  const kin = useKinshipOf(
    records,
    [...males, ...females].map(({ id }) => id),
  );
  const matings = asWhole(typed.matings);
  const most = Math.min(dams.length, sires.length * (matings ?? 1));
  const wanted = typed.wanted.trim() === '' ? most : asWhole(typed.wanted);
  const certainty = /^\d{1,3}$/.test(typed.certainty) && Number(typed.certainty) <= 100 ? Number(typed.certainty) / 100 : null;
  const inbred = /^\d{1,3}([.,]\d+)?$/.test(typed.inbred.trim()) ? Number(typed.inbred.replace(',', '.')) / 100 : null;
  const question = JSON.stringify({
    inbred,
    sires: sires.map(({ id }) => id),
    dams: dams.map(({ id }) => id),
    matings,
    wanted,
    certainty,
    onlyReady,
    wishes,
  });
  const ready =
    kin && matings && wanted && certainty !== null && inbred !== null && inbred <= 1 && sires.length > 0 && dams.length > 0;
  const plan = useWork(
    ready
      ? () => {
          const pairs = (which: Wish) =>
            Object.entries(wishes).flatMap(([key, asked]) => (asked === which ? [key.split(' ') as [string, string]] : []));
          const among = (pair: readonly string[]) =>
            sires.some(({ id }) => id === pair[0]) && dams.some(({ id }) => id === pair[1]);
          return kinshipWork().planPairings({
            males: sires.map(({ id, certainty: sure, isReady }) => ({ id, certainty: sure, isReady })),
            females: dams.map(({ id, certainty: sure, isReady }) => ({ id, certainty: sure, isReady })),
            kinship: kin,
            limits: {
              matingsPerMale: matings,
              wanted,
              minCertainty: certainty,
              onlyReady,
              maxInbreeding: inbred,
              apart: pairs('apart').filter(among),
              keep: pairs('keep').filter(among),
            },
          });
        }
      : null,
    [kin, question],
  );
  const shown = plan ? (plan.best ?? plan.fewer) : null;
  if (males.length === 0 || females.length === 0)
    return (
      <Empty title="No pairs to make">
        {males.length === 0 ? 'No males of this species' : 'No females of this species'}. Sex some of them first.
      </Empty>
    );
  const at = new Map((kin?.ids ?? []).map((id, i) => [id, i]));
  const inbreedingOf = (male: string, female: string) => kin?.matrix[at.get(male) ?? -1]?.[at.get(female) ?? -1] ?? 0;
  const toggle = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  const lotOf = new Map(animals.map((animal) => [animal.id, animal]));
  const spawnPath = (male: string, female: string) =>
    `/spawns/new?species=${speciesKey}&sire=${lotOf.get(male)?.lotId ?? ''}&dam=${lotOf.get(female)?.lotId ?? ''}&name=${encodeURIComponent(`${label(male)} × ${label(female)}`)}`;
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet lg:grid-cols-[1.45fr_1fr] lg:divide-x lg:divide-y-0">
      <div className="min-w-0 divide-y divide-rule">
        <div className="grid gap-x-6 gap-y-2 px-4 py-3 sm:grid-cols-2">
          <Candidates title="Males" animals={males} left={left} toggle={toggle} />
          <Candidates title="Females" animals={females} left={left} toggle={toggle} />
        </div>
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 px-4 py-3">
          <TextField
            label="Pairs"
            boxClass="w-20"
            inputMode="numeric"
            placeholder={String(most)}
            error={wanted ? undefined : '1 or more.'}
            value={typed.wanted}
            onChange={(event) => setTyped({ ...typed, wanted: event.target.value })}
          />
          <TextField
            label="Matings a male"
            boxClass="w-32"
            inputMode="numeric"
            error={matings ? undefined : '1 or more.'}
            value={typed.matings}
            onChange={(event) => setTyped({ ...typed, matings: event.target.value })}
          />
          <TextField
            label="Count as sexed from (%)"
            boxClass="w-36"
            inputMode="numeric"
            error={certainty === null ? '0 to 100.' : undefined}
            value={typed.certainty}
            onChange={(event) => setTyped({ ...typed, certainty: event.target.value })}
          />
          <TextField
            label="Inbreeding limit, %"
            boxClass="w-52"
            inputMode="decimal"
            error={inbred === null || inbred > 1 ? '0 to 100.' : undefined}
            value={typed.inbred}
            onChange={(event) => setTyped({ ...typed, inbred: event.target.value })}
          />
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-6 accent-[var(--deep)]"
              checked={onlyReady}
              onChange={(event) => setOnlyReady(event.target.checked)}
            />
            only those ready to spawn
          </label>
        </div>
        <div className="px-4 py-3">
          <PairingGrid
            males={sires}
            females={dams}
            inbreedingOf={inbreedingOf}
            paired={new Set(shown?.pairs.map(({ male, female }) => `${male} ${female}`))}
            wishOf={(male, female) => wishes[`${male} ${female}`] ?? null}
            wish={(male, female, next) => {
              const { [`${male} ${female}`]: _before, ...others } = wishes;
              setWishes(next ? { ...others, [`${male} ${female}`]: next } : others);
            }}
          />
          <p className="mt-1 text-note text-quiet">
            Framed: paired. Tap a square to keep the pair, again to keep them apart, again to leave it free.
          </p>
        </div>
      </div>
      <div className="divide-y divide-rule">
        <Panel
          title="Best set"
          aside={
            <Why
              about="Best set of pairs"
              formula="The set with the least inbreeding on average, within your limits. Each female once, each male as often as you allow."
              source="docs/sources.md#pairings"
            />
          }
        >
          {!plan && (
            <p className="text-quiet">
              {ready ? 'Working it out …' : 'Give whole numbers, and at least one male and one female.'}
            </p>
          )}
          {plan && !plan.best && (typed.wanted.trim() !== '' || plan.mostPairs === 0) && (
            <p className="border-l-4 border-rust bg-rust-wash px-3 py-2">
              {wanted} {wanted === 1 ? 'pair' : 'pairs'} don’t fit these limits;{' '}
              {plan.mostPairs > 0 ? `${plan.mostPairs} can, and ${plan.mostPairs === 1 ? 'is' : 'are'} shown` : 'none can'}.
            </p>
          )}
          {plan && !plan.best && typed.wanted.trim() === '' && plan.mostPairs > 0 && (
            <p className="text-quiet">
              As many as the limits allow: {plan.mostPairs} {plan.mostPairs === 1 ? 'pair' : 'pairs'}.
            </p>
          )}
          {shown && (
            <>
              <p>
                Fry inbred by <b className="text-code">{showPercent(shown.meanInbreeding)}</b> in the mean
              </p>
              <ul>
                {[...shown.pairs]
                  .sort((a, b) => a.offspringInbreeding - b.offspringInbreeding)
                  .map(({ male, female, offspringInbreeding }) => (
                    <li key={female} className="flex items-center gap-3 border-b border-rule py-1">
                      <span className="min-w-0 flex-1">
                        <b>{label(male)}</b> × <b>{label(female)}</b>
                      </span>
                      <span>{showPercent(offspringInbreeding)}</span>
                      {house.may('keeper') && (
                        <ButtonLink to={spawnPath(male, female)} className="min-h-9! px-2.5!">
                          Spawn
                        </ButtonLink>
                      )}
                    </li>
                  ))}
              </ul>
            </>
          )}
        </Panel>
        {plan && plan.alternatives.length > 0 && (
          <Panel title="Nearly as good">
            {plan.alternatives.map(({ pairs, meanInbreeding, without }) => (
              <p key={`${without.male} ${without.female}`} className="border-b border-rule py-1">
                <b>{showPercent(meanInbreeding)}</b>{' '}
                <span className="text-note">
                  {pairs.map(({ male, female }) => `${label(male)} × ${label(female)}`).join('; ')}
                </span>
              </p>
            ))}
          </Panel>
        )}
        {plan && <LimitPrices plan={plan} label={label} matings={matings ?? 1} />}
      </div>
    </div>
  );
}
