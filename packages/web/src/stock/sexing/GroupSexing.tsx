import { Link } from 'react-router';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { expectedMaleShare, findSexShift, groupOdds, groupSize, ratioInterval } from '@freshet/core/stock';
import { formatNumber, parseQuantity } from '@freshet/core/units';
import { showChance, showTemperature, temperatureSign, useHouse, type Reply } from '../../data';
import { Fact, Notice, Panel, TextField, Why } from '../../ui';

type Lot = Reply<'lots'>[number];
const WISHES = [
  ['a pair', 1, 1],
  ['a trio', 1, 2],
  ['two males, four females', 2, 4],
] as const;
const CONFIDENCE = 0.95;

/** What a group that nobody sexed yet may hold, and how many to buy to be sure. */
function UnsexedOdds({ lot }: { lot: Lot }) {
  const [typed, setTyped] = useState('0.5');
  const maleShare = Number(typed.replace(',', '.'));
  const valid = maleShare >= 0 && maleShare <= 1 && typed.trim() !== '';
  const [own, setOwn] = useState({ males: '', females: '' });
  const [males, females] = [own.males, own.females].map((text) => (/^\d{1,4}$/.test(text.trim()) ? Number(text) : null));
  const wish =
    males != null && females != null && males + females > 0 ? ([`${males} and ${females}`, males, females] as const) : null;
  const isWrong = (text: string) => text.trim() !== '' && !/^\d{1,4}$/.test(text.trim());
  return (
    <>
      <TextField
        label="Share of males to expect, 0 to 1"
        boxClass="mb-2 max-w-56"
        inputMode="decimal"
        value={typed}
        error={valid ? undefined : 'Between 0 and 1.'}
        onChange={(event) => setTyped(event.target.value)}
      />
      {valid &&
        [...WISHES, ...(wish ? [wish] : [])].map(([words, wantedMales, wantedFemales]) => {
          const wanted = { males: wantedMales, females: wantedFemales };
          const reachable = maleShare > 0 && maleShare < 1;
          return (
            <Fact
              key={words}
              label={`At least ${words === wish?.[0] ? `${wantedMales} male, ${wantedFemales} female` : words} among ${lot.unsexed}`}
            >
              {showChance(groupOdds({ count: lot.unsexed, maleShare, ...wanted }).probability)}
              <span className="font-normal text-quiet">
                {reachable
                  ? `; 95 % sure with ${groupSize({ maleShare, ...wanted, confidence: CONFIDENCE }).count}`
                  : '; one sex is missing'}
              </span>
            </Fact>
          );
        })}
      <div className="mt-3 grid max-w-sm grid-cols-2 gap-3">
        {(['males', 'females'] as const).map((side) => (
          <TextField
            key={side}
            label={side === 'males' ? 'Or so many males' : 'and so many females'}
            inputMode="numeric"
            value={own[side]}
            error={isWrong(own[side]) ? 'A whole number.' : undefined}
            onChange={(event) => setOwn({ ...own, [side]: event.target.value })}
          />
        ))}
      </div>
      <p className="pt-1 text-note text-quiet">
        Counts each animal separately, as with eggs from many pairs. A brood of one sex breaks that.{' '}
        <Why
          about="Chance of a group"
          formula="Binomial chances, added up over every split that leaves enough of both."
          source="docs/sources.md#group"
        />
      </p>
    </>
  );
}

/** Is the sex ratio really skewed, and does the water of the first weeks shift it? */
function Ratio({ lot }: { lot: Lot }) {
  const { males, females } = lot;
  const { maleShare, low95, high95, pValue } = ratioInterval({ males, females });
  return (
    <>
      <Fact label="Males among the sexed">
        {showChance(maleShare)}{' '}
        <span className="font-normal text-quiet">
          ({showChance(low95)} to {showChance(high95)})
        </span>
      </Fact>
      <Fact label="Chance if males and females are equally common">{showChance(pValue)}</Fact>
      <p className="pt-1">
        {pValue < 0.05 ? 'More uneven than chance explains.' : 'Chance explains this. No need to change anything.'}{' '}
        <Why
          about="Sex ratio"
          formula="Jeffreys interval of the share of males; exact two-sided binomial test against one half."
          source="docs/sources.md#ratio"
        />
      </p>
    </>
  );
}

function Shift({ lot }: { lot: Lot }) {
  const house = useHouse();
  const shift = findSexShift(lot.speciesKey);
  const [typed, setTyped] = useState('');
  if (!shift) return <p className="text-quiet">No known effect of temperature or water on sex in this species.</p>;
  const [low, high] = [shift.points[0]?.[0] ?? 0, shift.points.at(-1)?.[0] ?? 1];
  const isWarmth = shift.by === 'tempC';
  const read = isWarmth ? parseQuantity(typed, 'temperature', house.units.temperature) : null;
  const number = read ? (read.ok ? read.value : Number.NaN) : Number(typed.replace(',', '.'));
  const value = typed.trim() === '' ? (low + high) / 2 : number;
  const share = Number.isFinite(value) ? expectedMaleShare(shift, value) : null;
  const name = isWarmth ? `Temperature, ${temperatureSign(house.units)}` : 'pH';
  const shownAt = (x: number) => (isWarmth ? showTemperature(x, house).replace(/ °[CF]$/, '') : formatNumber(x));
  return (
    <>
      <ResponsiveContainer width="100%" height={150}>
        <LineChart data={shift.points.map(([x, y]) => ({ x, y: y * 100 }))} margin={{ top: 6, right: 12, bottom: 0, left: 0 }}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={[low, high]}
            ticks={shift.points.map(([x]) => x)}
            tickFormatter={shownAt}
            tick={{ fontSize: 12, fill: 'var(--quiet)' }}
            stroke="var(--ink)"
          />
          <YAxis
            width={50}
            domain={[0, 100]}
            ticks={[0, 50, 100]}
            unit=" %"
            tick={{ fontSize: 12, fill: 'var(--quiet)' }}
            stroke="var(--ink)"
          />
          <Line
            dataKey="y"
            stroke="var(--ink)"
            strokeDasharray="5 4"
            strokeWidth={1.8}
            dot={{ r: 3, fill: 'var(--ink)', strokeDasharray: '0' }}
            isAnimationActive={false}
          />
          {share !== null && (
            <ReferenceDot x={Math.min(high, Math.max(low, value))} y={share * 100} r={5} fill="var(--deep)" stroke="none" />
          )}
        </LineChart>
      </ResponsiveContainer>
      <div className="flex flex-wrap items-end gap-4">
        <TextField
          label={`${name} of the first weeks`}
          boxClass="w-48"
          inputMode="decimal"
          placeholder={`like ${shownAt((low + high) / 2)}`}
          value={typed}
          error={share === null ? 'Give a number.' : undefined}
          onChange={(event) => setTyped(event.target.value)}
        />
        {share !== null && (
          <p className="pb-2.5">
            about <b>{formatNumber(share * 100)} %</b> males
          </p>
        )}
      </div>
      <Notice className="mt-3 text-note">
        {shift.evidence} a reason to count, not a forecast{' '}
        <Link to={`/broods/record/${lot.speciesKey}`} className="link">
          With your own broods in it
        </Link>
      </Notice>
    </>
  );
}

/** Sex of a group: what it may hold, whether its ratio is skewed, and what shifts it. */
export default function GroupSexing({ lot }: { lot: Lot }) {
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-2 md:divide-x md:divide-y-0">
      <div className="divide-y divide-rule">
        {lot.unsexed > 0 && (
          <Panel title="What they may hold">
            <UnsexedOdds lot={lot} />
          </Panel>
        )}
        {lot.males + lot.females > 0 && (
          <Panel title="Is the ratio off?">
            <Ratio lot={lot} />
          </Panel>
        )}
      </div>
      <Panel title="What shifts the sex">
        <Shift lot={lot} />
      </Panel>
    </div>
  );
}
