import { useMemo, useState } from 'react';
import { formatNumber } from '@freshet/core/units';
import { Empty, Loading, Panel, useWidth, Why } from '../../ui';
import { kinshipWork, useWork } from '../../workers';
import type { Reply } from '../../data';
import { DiversityPart } from './DiversityPart';
import { HeatMap, KinLegend, KinPatterns } from './HeatMap';
import { useKinshipOf, type LineAnimal } from './useLine';

const MOST_CELLS = 60;

/** One animal for each lot, called after the lot with its number: those of one lot stand alike. */
function oneOfEachLot(animals: readonly LineAnimal[]): LineAnimal[] {
  const counts = new Map<string, number>();
  for (const { lotId } of animals) counts.set(lotId, (counts.get(lotId) ?? 0) + 1);
  const seen = new Set<string>();
  return animals.flatMap((animal) => {
    if (seen.has(animal.lotId)) return [];
    seen.add(animal.lotId);
    const count = counts.get(animal.lotId) ?? 1;
    return [count === 1 ? animal : { ...animal, label: `${animal.label.replace(/ \d+$/, '')} (${count})` }];
  });
}

/** Through whom two animals are related. */
function Paths({
  records,
  pair,
  label,
  inbreeding,
}: {
  records: Reply<'pedigree'>['pedigree'];
  pair: readonly [string, string];
  label: (id: string) => string;
  inbreeding: Record<string, number>;
}) {
  const [first, second] = pair;
  const paths = useWork(
    () => kinshipWork().findKinPaths(records, first, second, inbreeding),
    [records, first, second, inbreeding],
  );
  if (!paths) return <p className="text-quiet">Working out who is related …</p>;
  if (paths.length === 0) return <p>No common ancestor known.</p>;
  const byAncestor = new Map<string, { sum: number; example: (typeof paths)[number] }>();
  for (const path of paths) {
    const found = byAncestor.get(path.ancestor);
    byAncestor.set(path.ancestor, { sum: (found?.sum ?? 0) + path.contribution, example: found?.example ?? path });
  }
  return (
    <ul>
      {[...byAncestor]
        .sort(([, a], [, b]) => b.sum - a.sum)
        .slice(0, 4)
        .map(([ancestor, { sum, example }]) => (
          <li key={ancestor} className="border-b border-rule py-1">
            <b>{label(ancestor)}</b> {formatNumber(sum * 100)} %
            <span className="block text-note text-quiet">
              {[...example.up, ...example.down].map((id, i) => (
                <span key={`${id} ${i}`}>
                  {i > 0 && ' – '}
                  {id === ancestor ? <b className="text-ink">{label(id)}</b> : label(id)}
                </span>
              ))}
            </span>
          </li>
        ))}
      {byAncestor.size > 4 && <li className="py-1 text-note text-quiet">and {byAncestor.size - 4} more</li>}
    </ul>
  );
}

/** How near are they to each other, and what is left of the line? */
export function KinshipView({
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
  const [measure, width] = useWidth<HTMLDivElement>();
  const [chosen, setChosen] = useState<[string, string] | null>(null);
  const shown = useMemo(() => oneOfEachLot(animals).slice(0, MOST_CELLS), [animals]);
  const kin = useKinshipOf(
    records,
    shown.map(({ id }) => id),
  );
  if (animals.length === 0) return <Empty title="No breeders of this species">Record stock, or let its young grow up.</Empty>;
  const pair = chosen && shown.some(({ id }) => id === chosen[0]) && shown.some(({ id }) => id === chosen[1]) ? chosen : null;
  const value =
    pair && kin
      ? (kin.matrix[shown.findIndex(({ id }) => id === pair[0])]?.[shown.findIndex(({ id }) => id === pair[1])] ?? 0)
      : null;
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet lg:grid-cols-[1.35fr_1fr] lg:divide-x lg:divide-y-0">
      <div className="min-w-0 px-4 py-3">
        <div className="mb-1 flex items-baseline justify-between gap-3">
          <h2>Kinship, %</h2>
          <Why
            about="Kinship"
            formula="The chance that a gene of one and a gene of the other are copies of the same one: the inbreeding of their fry. The diagonal shows each animal’s own."
            source="docs/sources.md#group-kinship"
            notes={[
              'Bought fish count as unrelated and not inbred, though they may not be.',
              'One animal stands for its whole group.',
            ]}
          />
        </div>
        <KinPatterns />
        <div ref={measure}>
          {!kin ? (
            <Loading what="kinship" />
          ) : (
            width > 0 && <HeatMap animals={shown} matrix={kin.matrix} chosen={pair} choose={setChosen} width={width} />
          )}
        </div>
        {shown.length === MOST_CELLS && <p className="text-note text-quiet">The first {MOST_CELLS} lots.</p>}
        <KinLegend />
        {pair && value !== null && kin ? (
          <div className="mt-2 border-t border-ink pt-2">
            <p>
              <b>
                {label(pair[0])} and {label(pair[1])}
              </b>
              : {formatNumber(value * 100)} %
            </p>
            <Paths records={records} pair={pair} label={label} inbreeding={kin.inbreeding} />
          </div>
        ) : (
          <p className="mt-2 text-note text-quiet">Tap a square to see how two are related.</p>
        )}
      </div>
      <Panel title="What the line holds">
        <DiversityPart records={records} animals={animals} label={label} speciesKey={speciesKey} />
      </Panel>
    </div>
  );
}
