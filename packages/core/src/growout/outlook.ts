import { residentsOf } from '../broods';
import { compareWalk } from '../room';
import { inARow, type Day } from '../time';
import { airlessHours, crowdingForecast, isGrower, loadCourse, type LoadPoint } from './crowding';
import type { GrowoutView, PlacedMove } from './facts';
import { PLACE_DAYS } from './pieces';
import { planPlaces, type PlaceChoices, type PlacePlan } from './placePlan';
import { tankFreeOn } from './tankFreeOn';
import { tanksByWeek, type TankWeek } from './tanksByWeek';

/** A tank with young, and how it fills. */
export interface FillingTank {
  tankId: string;
  code: string;
  litres: number;
  who: string;
  heads: number;
  broodId: string | null;
  course: LoadPoint[];
  tightOn: Day | null;
  fullOn: Day | null;
  /** Hours that the water lasts when the air fails; null where the temperature is not known. */
  airlessHours: number | null;
}

/** Room to grow for the next weeks. */
export interface Outlook {
  tanks: FillingTank[];
  plan: PlacePlan;
  weeks: TankWeek[];
  /** Of the plan that was taken, still to be made. */
  moves: readonly (PlacedMove & { toCode: string; fromCode: string; name: string })[];
  /** Where young can be put by hand: every tank that nobody breeds or hatches in. */
  choosable: { tankId: string; code: string; litres: number }[];
}

/** How tanks fill, who goes where, and how many tanks are wanted. */
export function outlookOf(view: GrowoutView, choices?: PlaceChoices): Outlook {
  const plan = planPlaces(view, choices);
  const walk = [...view.room.tanks].sort((a, b) => compareWalk({ ...a, nursery: false }, { ...b, nursery: false }));
  const tanks = walk.flatMap((tank): FillingTank[] => {
    const here = residentsOf(view, tank.id);
    const young = here.filter(isGrower);
    const forecast = young.length > 0 ? crowdingForecast(view, tank.id, PLACE_DAYS) : null;
    if (!forecast) return [];
    const tempC = view.room.temperatures[tank.id]?.tempC ?? null;
    const mass = here.reduce((sum, { massG }) => sum + massG, 0);
    return [
      {
        tankId: tank.id,
        code: tank.code,
        litres: tank.litres,
        who: inARow([...new Set(here.map(({ species }) => species.commonName))]),
        heads: here.reduce((sum, { heads }) => sum + heads, 0),
        broodId: forecast.most.brood?.brood.id ?? null,
        course: loadCourse(view, tank.id, PLACE_DAYS),
        tightOn: forecast.tightOn,
        fullOn: forecast.fullOn,
        airlessHours: tempC === null ? null : airlessHours(mass, tank.litres, tempC),
      },
    ];
  });
  const late = (day: Day | null) => day ?? '9999';
  tanks.sort((a, b) => (late(a.tightOn) < late(b.tightOn) ? -1 : late(a.tightOn) > late(b.tightOn) ? 1 : 0));
  const code = (tankId: string | null) => view.tanks.get(tankId ?? '')?.code ?? 'no tank';
  return {
    tanks,
    plan,
    weeks: tanksByWeek(view, plan),
    moves: view.moves.map((move) => {
      const lot = view.stock.lots.find(({ id }) => id === move.lotId);
      const brood = view.broods.find(({ brood: { id } }) => id === move.broodId);
      return {
        ...move,
        toCode: code(move.toTankId),
        fromCode: code(lot?.tankId ?? null),
        name: brood?.brood.name ?? view.species.get(lot?.speciesKey ?? '')?.commonName ?? '',
      };
    }),
    choosable: walk
      .filter(({ id }) => tankFreeOn(view, id) !== null || tanks.some(({ tankId }) => tankId === id))
      .map(({ id, code: of, litres }) => ({ tankId: id, code: of, litres })),
  };
}
