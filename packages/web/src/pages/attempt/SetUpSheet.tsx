import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as newId } from 'uuid';
import { coverWords, fieldWords, RECIPE_FIELDS, type Recipe } from '@freshet/core/spawning';
import { formatDay } from '@freshet/core/time';
import { inUnits } from '@freshet/core/units';
import { showTemperature, showVolume, useGet, useHouse, useLog, type Reply } from '../../data';
import { useWaterWords } from '../../spawning';
import { Button, Loaded, Notice, PageHead } from '../../ui';

type Attempt = Reply<'attempt'>;
const KEY = (attemptId: string) => `freshet.setUp.${attemptId}`;

/** What was ticked on this device, kept until all of it is logged. */
function useTicks(attemptId: string): [ReadonlySet<string>, (what: string) => void] {
  const [ticks, setTicks] = useState<ReadonlySet<string>>(() => {
    try {
      return new Set(JSON.parse(localStorage.getItem(KEY(attemptId)) ?? '[]') as string[]);
    } catch {
      return new Set();
    }
  });
  return [
    ticks,
    (what) => {
      const next = new Set(ticks);
      if (!next.delete(what)) next.add(what);
      setTicks(next);
      try {
        localStorage.setItem(KEY(attemptId), JSON.stringify([...next]));
      } catch {
        // Without a store the ticks hold for this page.
      }
    },
  ];
}

const said = (recipe: Recipe, key: string): string | null => {
  const field = RECIPE_FIELDS.find((one) => one.key === key);
  return field ? fieldWords(field, recipe) : null;
};

function Sheet({ attempt }: { attempt: Attempt }) {
  const house = useHouse();
  const log = useLog();
  const [ticks, toggle] = useTicks(attempt.id);
  const life = useGet('tankLife');
  const { recipe } = attempt;
  const tank = life.data?.find(({ tankId }) => tankId === attempt.tankId);
  const litres = recipe.litres ?? tank?.litres ?? null;
  const mix = useWaterWords(recipe, tank?.litres ?? null);
  const items: [string, string][] = [
    [
      'clean',
      recipe.tankSchool === 'bare' ? 'The tank is clean, rinsed and filled fresh' : 'The tank is mature, its filter runs',
    ],
    ...(litres
      ? [
          [
            'fill',
            `Filled: ${showVolume(litres, house)}${recipe.depthCm ? `, ${inUnits(`${recipe.depthCm} cm`, house.units)} deep` : ''}`,
          ] as [string, string],
        ]
      : []),
    ...(mix ? [['mix', `Water: ${mix}`] as [string, string]] : []),
    ...(recipe.agedDays > 0
      ? [
          ['aged', `The water has stood ${recipe.agedDays === 1 ? 'a day' : `${recipe.agedDays} days`}, aired`] as [
            string,
            string,
          ],
        ]
      : []),
    [
      'temp',
      `It stands at ${recipe.tempC !== null ? showTemperature(recipe.tempC, house) : tank?.tempC ? `${showTemperature(tank.tempC.value, house)}, as now` : 'the species’ temperature'}; heater guarded`,
    ],
    ['flow', `Flow: ${said(recipe, 'flow') ?? 'gentle'}`],
    ...(recipe.cover.length > 0
      ? [['cover', `In it, clean: ${recipe.cover.map(coverWords).join(', ')}`] as [string, string]]
      : []),
    ...(recipe.covered ? [['covered', 'Sides covered'] as [string, string]] : []),
    ...(recipe.lampHours ? [['lamp', `Lamp ${recipe.lampHours} h a day`] as [string, string]] : []),
    ...(recipe.divider !== 'none' ? [['divider', `A ${recipe.divider} divider in place`] as [string, string]] : []),
    ...(recipe.company ? [['company', `Company: ${recipe.company}`] as [string, string]] : []),
    ['lid', 'Lid on, no gap a jumper finds'],
  ];
  const isDone = items.every(([key]) => ticks.has(key));
  return (
    <>
      <PageHead
        title={`Set up ${attempt.tankCode}`}
        about={
          <>
            for{' '}
            <Link to={`/spawns/${attempt.id}`} className="link">
              {attempt.name}
            </Link>
            {attempt.setUpOn && `, parents in on ${formatDay(attempt.setUpOn, house.today)}`}
          </>
        }
      />
      <ul className="max-w-2xl border-t border-ink bg-sheet">
        {items.map(([key, words]) => (
          <li key={key} className="border-b border-rule">
            <label className="flex min-h-12 items-center gap-4 px-3 py-1.5">
              <input
                type="checkbox"
                className="size-7 shrink-0 accent-[var(--deep)]"
                checked={ticks.has(key)}
                onChange={() => toggle(key)}
              />
              <span className={ticks.has(key) ? 'text-quiet' : ''}>{words}</span>
            </label>
          </li>
        ))}
      </ul>
      <Notice className="mt-4 max-w-2xl">
        Switch off at the wall before hands go in. Dry hands at sockets; a drip loop on every lead.
      </Notice>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button
          look="main"
          disabled={!isDone || !house.may('sitter')}
          onClick={() =>
            void log(
              'logCare',
              {
                id: newId(),
                tankId: attempt.tankId,
                care: 'sign',
                what: `set up for ${attempt.name}: ${items.map(([, words]) => words).join('; ')}`.slice(0, 1900),
                amount: null,
                unit: null,
                at: house.now(),
              },
              `${attempt.tankCode} is set up`,
            )
          }
        >
          Log it as set up
        </Button>
        <p className="self-center text-quiet">{isDone ? 'All ticked.' : `${items.length - ticks.size} to go`}</p>
      </div>
      <p className="mt-4 max-w-2xl">
        Then the parents:{' '}
        {recipe.firstIn === 'together'
          ? 'all together'
          : `the ${recipe.firstIn} first, the others ${recipe.daysAhead} days later`}
        . It’s on your walk that day; ticking it logs the move.
      </p>
    </>
  );
}

/** The set-up of an attempt, to tick off at the tank. */
export function SetUpSheet() {
  const { attemptId = '' } = useParams();
  const reply = useGet('attempt', { params: { attemptId } });
  return (
    <Loaded reply={reply} what="the spawning">
      {(attempt) => <Sheet attempt={attempt} />}
    </Loaded>
  );
}
