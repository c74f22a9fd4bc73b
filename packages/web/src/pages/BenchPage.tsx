import { useState } from 'react';
import { CALCULATIONS } from '@freshet/contract/bench';
import { SumPanel, SUMS, type Sum } from '../bench';
import { useSumFacts } from '../room';
import { useGet, useHouse } from '../data';
import { ChangeForm } from '../room';
import { Button, Dialog, PageHead, SelectField, usePageParams } from '../ui';

const GROUPS = [...new Set(SUMS.map((sum) => sum.group))];
const asksFor = (sum: Sum, fact: string) => Object.values(sum.prefill ?? {}).some((from) => from.startsWith(fact));

const titleOf = ({ name }: Sum) => CALCULATIONS.find((calculation) => calculation.name === name)?.title ?? name;

/** What does the sum come to? */
export function BenchPage() {
  const house = useHouse();
  const [search, setSearch] = usePageParams();
  const life = useGet('tankLife');
  const waters = useGet('waters');
  const [waterIds, setWaterIds] = useState<readonly string[]>(['', '']);
  const [basis, setBasis] = useState<'newest' | 'season'>('newest');
  const [change, setChange] = useState<{ litres: number; tempC: number | null } | null>(null);
  const name = search.get('sum') ?? SUMS[0]?.name ?? '';
  const tankId = search.get('tank') ?? '';
  const sum = SUMS.find((candidate) => candidate.name === name) ?? SUMS[0];
  const facts = useSumFacts(tankId || null, waterIds, basis);
  const choose = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    next.set(key, value);
    setSearch(next);
  };
  if (!sum) return null;
  const tank = life.data?.find((one) => one.tankId === tankId);
  return (
    <>
      <PageHead title="Bench" about="Results come while you type; 20 gal and 78F are understood." />
      <div className="mb-4 grid gap-4 sm:grid-cols-2 lg:grid-cols-[2fr_1fr_1fr_1fr_1fr]">
        <SelectField label="Sum" value={sum.name} onChange={(event) => choose('sum', event.target.value)}>
          {GROUPS.map((group) => (
            <optgroup key={group} label={group}>
              {SUMS.filter((candidate) => candidate.group === group).map((candidate) => (
                <option key={candidate.name} value={candidate.name}>
                  {titleOf(candidate)}
                </option>
              ))}
            </optgroup>
          ))}
        </SelectField>
        {asksFor(sum, 'tank.') && (
          <SelectField label="For tank" value={tankId} onChange={(event) => choose('tank', event.target.value)}>
            <option value="">none</option>
            {(life.data ?? []).map((one) => (
              <option key={one.tankId} value={one.tankId}>
                {one.code}
              </option>
            ))}
          </SelectField>
        )}
        {[0, 1].map(
          (i) =>
            asksFor(sum, `water.${i}`) &&
            (waters.data?.length ?? 0) > 0 && (
              <SelectField
                key={i}
                label={asksFor(sum, 'water.1') ? (i === 0 ? 'First water' : 'Second water') : 'New water'}
                value={waterIds[i] ?? ''}
                onChange={(event) => setWaterIds(waterIds.map((id, at) => (at === i ? event.target.value : id)))}
              >
                <option value="">as typed</option>
                {(waters.data ?? []).map((water) => (
                  <option key={water.id} value={water.id}>
                    {water.name}
                  </option>
                ))}
              </SelectField>
            ),
        )}
        {waterIds.some(Boolean) && (
          <SelectField label="Its values" value={basis} onChange={(event) => setBasis(event.target.value as 'newest' | 'season')}>
            <option value="newest">newest</option>
            <option value="season">mean of this season</option>
          </SelectField>
        )}
      </div>
      <SumPanel
        key={`${sum.name} ${tankId} ${waterIds.join(' ')} ${basis} ${Object.keys(facts).length}`}
        sum={sum}
        facts={facts}
        foot={(result) => {
          if (!sum.change || !house.may('sitter')) return null;
          const found = result && tank ? sum.change(result.input, result.output, tank.litres) : null;
          return (
            <>
              <Button disabled={!found || !(found.litres > 0)} onClick={() => setChange(found)}>
                Log this change
              </Button>
              {!tank && <p className="mt-1 text-note text-quiet">Choose the tank it is for.</p>}
            </>
          );
        }}
      />
      <nav aria-label="The whole bench" className="mt-6 gap-x-8 sm:columns-2 lg:columns-4">
        {GROUPS.map((group) => (
          <section key={group} className="mb-4 break-inside-avoid">
            <h2 className="border-b border-ink">{group}</h2>
            <ul>
              {SUMS.filter((candidate) => candidate.group === group).map((candidate) => (
                <li key={candidate.name}>
                  <button
                    type="button"
                    aria-current={candidate.name === sum.name}
                    className="min-h-9 w-full text-left hover:link aria-[current=true]:font-semibold"
                    onClick={() => choose('sum', candidate.name)}
                  >
                    {titleOf(candidate)}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      {change && tank && (
        <Dialog title="Water change" about={tank.code} open onClose={() => setChange(null)}>
          <ChangeForm
            tank={{ id: tank.tankId, code: tank.code, litres: tank.litres }}
            start={change}
            done={() => setChange(null)}
          />
        </Dialog>
      )}
    </>
  );
}
