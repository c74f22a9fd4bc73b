import { v7 as newId } from 'uuid';
import type { EntryKindName } from '@freshet/contract/api';
import type { HouseView } from '@freshet/core/house';
import type { JotCommand } from '@freshet/core/jot';
import { clutchCandidates } from '@freshet/core/spawning';
import type { PartBody } from '../log';

type Command<Kind extends JotCommand['kind']> = Extract<JotCommand, { kind: unknown }> & { kind: Kind };
/** Which kind of entry a jotted command is, and the body a form would have sent. */
interface JotPart<Kind extends JotCommand['kind'], Part extends EntryKindName> {
  part: Part;
  toBody: (command: Command<Kind>, view: HouseView) => PartBody<Part>;
}
const part = <Kind extends JotCommand['kind'], Part extends EntryKindName>(
  _command: Kind,
  kind: Part,
  toBody: JotPart<Kind, Part>['toBody'],
): JotPart<Kind, Part> => ({ part: kind, toBody });

const seen = ({ kind, broodId, count, at }: Command<'hatched' | 'freeSwimming'>) => ({ broodId, kind, at, counted: count });

/** Every command a line can give, each as the entry it makes: one line a command, and the compiler asks for all. */
const JOT_PARTS = {
  reading: part('reading', 'reading', ({ quantity, value, at, ...of }) => ({ tankId: of.tankId ?? '', quantity, value, at })),
  change: part('change', 'change', ({ tankId, litres, at }) => ({
    tankId: tankId ?? '',
    litres,
    waterId: null,
    tempC: null,
    at,
  })),
  eggs: part('eggs', 'clutch', ({ tankId, count, white, laid }, view) => {
    const [attempt] = clutchCandidates(view.attemptsByTank.get(tankId ?? '') ?? [], view.today);
    return { broodId: newId(), lotId: newId(), attemptId: attempt?.id ?? '', laid, count, white };
  }),
  found: part('found', 'found', ({ tankId, speciesKey, count, laid }) => ({
    broodId: newId(),
    lotId: newId(),
    attemptId: newId(),
    tankId: tankId ?? '',
    speciesKey,
    count,
    laid,
    youngMm: null,
    at: laid.to,
  })),
  white: part('white', 'white', ({ broodId, count, at }) => ({ broodId, count, at })),
  hatched: part('hatched', 'observation', seen),
  freeSwimming: part('freeSwimming', 'observation', seen),
  count: part('count', 'count', ({ lotId, count, at }) => ({ lotId, counted: count, at })),
  lost: part('lost', 'loss', ({ lotId, heads, cause, at }) => ({ lotId, heads, cause, at })),
  sold: part('sold', 'sale', ({ lotId, heads, buyerId, cents, pays, at }) => ({
    ...{ saleId: newId(), buyerId, newBuyer: null, orderId: null, at, pays, reason: null },
    lots: [{ soldId: newId(), lotId, lineId: null, heads, cents, lengthMm: null }],
  })),
  move: part('move', 'move', ({ lotId, heads, toTankId, at }) => ({ lotId, newLotId: newId(), heads, toTankId, at })),
  sexed: part('sexed', 'sexing', ({ lotId, heads, at }) => ({ lotId, heads, at })),
  lengths: part('lengths', 'lengths', ({ lotId, mm, at }) => ({ lotId, lengthsMm: mm, method: 'ruler' as const, at })),
  condition: part('condition', 'condition', ({ lotId, score, at }) => ({
    ...{ lotId, score, signs: [], lengthMm: null, weightG: null, note: null },
    at,
  })),
  tankEvent: part('tankEvent', 'tankEvent', ({ tankId, event, at }) => ({ tankId: tankId ?? '', kind: event, at })),
  culture: part('culture', 'cultureEvent', ({ cultureId, action, at }) => {
    const ended = { crashed: 'crashed', ended: 'thrown' } as const;
    return action === 'fed' || action === 'ripe'
      ? { cultureId, kind: action, at }
      : { cultureId, kind: 'ended' as const, ended: ended[action], at };
  }),
  cultureStart: part('cultureStart', 'culture', ({ tankId, food, fromId, at }) => ({
    ...{ cultureId: newId(), food, name: null, tankId, fromId },
    startedAt: at,
  })),
  harvest: part('harvest', 'cultureEvent', ({ cultureId, at }) => ({ cultureId, kind: 'harvested' as const, at })),
  care: part('care', 'care', ({ tankId, care, text, at }) => ({
    tankId: tankId ?? '',
    care,
    what: text,
    amount: null,
    unit: null,
    at,
  })),
} satisfies { [Kind in JotCommand['kind']]: { part: EntryKindName } };

/** The kind of entry a command makes, with what a form would have sent for it. @param view - the house before the line */
export function jotPart(command: JotCommand, view: HouseView): { kind: EntryKindName; body: PartBody<EntryKindName> } {
  const { part: kind, toBody } = JOT_PARTS[command.kind] as unknown as JotPart<JotCommand['kind'], EntryKindName>;
  return { kind, body: toBody(command, view) };
}
