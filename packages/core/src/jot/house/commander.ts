import type { CultureFood } from '../../larder';
import { FOOD_NAMES } from '../../species';
import { decideLoss, EMPTY, totalHeads, type Heads } from '../../stock';
import { middleOf, type Instant } from '../../time';
import { formatNumber } from '../../units';
import { QUANTITY, type JotCommand, type JotContext, type JotCulture, type JotLot, type JotTank } from './jotHouseTypes';
import { fail, JotQuestion, type PlacedLog } from '../jotTypes';

/** Turns what a line says into what is logged in this house. */
export class Commander {
  constructor(
    private readonly line: string,
    private readonly context: JotContext,
  ) {}

  private note(log: PlacedLog, tank: JotTank | null, text = this.line.slice(log.at.from, log.at.to)): JotCommand {
    // A single letter or figure is kept as it was typed, between marks.
    return {
      kind: 'care',
      care: 'note',
      tankId: tank?.id ?? null,
      text: text.length < 2 ? `"${text}"` : text,
      at: middleOf(log),
    };
  }
  private lotOf(log: PlacedLog, tank: JotTank): JotLot {
    const lot = log.of === undefined ? tank.lots[0] : tank.lots[log.of];
    return lot ?? fail('outOfRange', log.at, `There are no animals in ${tank.code}.`);
  }
  private broodOf(log: PlacedLog, tank: JotTank): string | null {
    const meant = log.of === undefined ? null : (tank.lots[log.of]?.broodId ?? null);
    if (meant) return meant;
    const [brood, second] = tank.broods;
    if (!brood || !second) return brood?.id ?? null;
    const lots = tank.lots.filter(({ broodId }) => broodId !== null);
    throw new JotQuestion(
      log.at,
      'Which brood?',
      lots.map(({ label }) => ({ label, line: `${this.line.slice(0, log.at.to)} ${label}${this.line.slice(log.at.to)}` })),
    );
  }
  /** The animals of a group that are meant, by sex. */
  private headsOf(log: PlacedLog & { count: number | null; sex?: 'males' | 'females' }, lot: JotLot): Heads {
    const own: Heads = log.sex ? { ...EMPTY, [log.sex]: lot[log.sex] } : lot;
    const { males, females, unsexed } = own;
    if (log.count === null) return { males, females, unsexed };
    const decision = decideLoss({ males, females, unsexed }, log.count);
    if (decision.ok) return decision.heads;
    const put = (sex: string) => `${this.line.slice(0, log.at.to)} ${sex}${this.line.slice(log.at.to)}`;
    throw new JotQuestion(log.at, 'Males or females?', [
      { label: 'males', line: put('males') },
      { label: 'females', line: put('females') },
    ]);
  }
  /** A clutch of the open attempt, or one that nobody expected; without a number it is a sign, and no number is invented. */
  private laid(log: PlacedLog & { count: number | null }, white: number, tank: JotTank, words: string): JotCommand {
    const at = middleOf(log);
    const laid = { from: log.from, to: log.to };
    if (log.count === null || log.count === 0) return { kind: 'care', care: 'sign', tankId: tank.id, text: words, at };
    if (tank.attempts === 1) return { kind: 'eggs', tankId: tank.id, count: log.count, white, laid };
    if (tank.attempts > 1)
      return fail('ambiguous', log.at, `${tank.attempts} spawnings are open in ${tank.code}. Log it on the spawning's page.`);
    const meant = log.of === undefined ? null : tank.lots[log.of];
    const kinds = [...new Set(tank.lots.filter(({ stage }) => stage === 'adult').map(({ speciesKey }) => speciesKey))];
    const speciesKey = meant?.speciesKey ?? (kinds.length === 1 ? kinds[0] : undefined);
    if (speciesKey) return { kind: 'found', tankId: tank.id, speciesKey, count: log.count, laid };
    if (kinds.length === 0) return this.note(log, tank);
    const own = tank.lots.filter(
      ({ stage }, i, all) => stage === 'adult' && all.findIndex((one) => one.speciesKey === all[i]?.speciesKey) === i,
    );
    throw new JotQuestion(
      log.at,
      'Whose?',
      own.map(({ speciesName }) => ({
        label: speciesName,
        line: `${this.line.slice(0, log.at.to)} ${speciesName}${this.line.slice(log.at.to)}`,
      })),
    );
  }
  private cultureOf(log: PlacedLog & { food: string; culture?: string }, tank: JotTank | null): JotCulture | null {
    const { cultures } = this.context;
    if (log.culture) return cultures.find(({ name }) => name === log.culture) ?? null;
    const same = cultures.filter(({ food }) => food === log.food);
    return same.find((one) => one.tankId === tank?.id) ?? same[0] ?? null;
  }

  toCommands(log: PlacedLog, tank: JotTank | null): JotCommand[] {
    const span = { from: log.from, to: log.to };
    // What is booked at one instant is booked in the middle of its span.
    const at = middleOf(span);
    const tankId = tank?.id ?? null;
    if (log.kind === 'culture' || log.kind === 'harvest') return [this.ofCulture(log, tank, at)];
    if (!tank) return fail('incomplete', log.at, 'Which tank? Write its code, such as A1.2.');
    const sign = (text: string): JotCommand => ({ kind: 'care', care: 'sign', tankId, text, at });
    switch (log.kind) {
      case 'reading':
        return [{ kind: 'reading', tankId, quantity: QUANTITY[log.what].quantity, value: log.value, at }];
      case 'change':
        return [{ kind: 'change', tankId, litres: 'litres' in log ? log.litres : log.fraction * tank.litres, at }];
      case 'topUp':
        return [sign(`topped up ${formatNumber(log.litres, 3)} L`)];
      case 'eggs':
        return [this.laid(log, log.white ?? 0, tank, 'eggs, not counted')];
      case 'birth':
        return [this.laid(log, 0, tank, 'young born, not counted')];
      case 'carrying':
        return [sign(log.count === null ? 'carrying' : `${log.count} carrying`)];
      case 'white': {
        const broodId = this.broodOf(log, tank);
        return [broodId ? { kind: 'white', tankId, broodId, count: log.count, at } : this.note(log, tank)];
      }
      case 'stage': {
        const carried = tank.broods.filter((brood) => brood.carried);
        if (log.stage === 'released' && carried.length !== 1) return [this.laid(log, 0, tank, 'young let go, not counted')];
        const broodId = log.stage === 'released' ? (carried[0]?.id ?? null) : this.broodOf(log, tank);
        const kind = log.stage === 'hatched' ? 'hatched' : 'freeSwimming';
        return [broodId ? { kind, tankId, broodId, count: log.count, at: span } : this.note(log, tank)];
      }
      case 'count':
        return [{ kind: 'count', tankId, lotId: this.lotOf(log, tank).id, count: log.count, at: span }];
      case 'loss': {
        const lot = this.lotOf(log, tank);
        return [{ kind: 'lost', tankId, lotId: lot.id, heads: this.headsOf(log, lot), cause: log.cause ?? 'unknown', at: span }];
      }
      case 'sale': {
        const lot = this.lotOf(log, tank);
        const heads = this.headsOf(log, lot);
        const buyer = this.context.buyers?.find(({ name }) => name === log.outlet);
        const cents = log.centsEach ?? (log.cents === undefined ? null : Math.round(log.cents / totalHeads(heads)));
        if (buyer && cents !== null)
          return [{ kind: 'sold', tankId, lotId: lot.id, heads, buyerId: buyer.id, cents, pays: buyer.pays, at }];
        const sold: JotCommand = { kind: 'lost', tankId, lotId: lot.id, heads, cause: 'sale', at: span };
        // A buyer that is not known, or no price: what was said is kept in the keeper's words.
        const words = this.line.slice(log.at.from, log.at.to);
        return / (to|for|at|@) |[€$£]/i.test(words) || log.cents !== undefined || log.centsEach !== undefined
          ? [sold, this.note(log, tank)]
          : [sold];
      }
      case 'move': {
        const lot = this.lotOf(log, tank);
        const to = this.context.tanks.find(({ code }) => code === log.toTank);
        return [{ kind: 'move', tankId, lotId: lot.id, heads: this.headsOf(log, lot), toTankId: to?.id ?? '', at }];
      }
      case 'sexed': {
        const lot = this.lotOf(log, tank);
        const unsexed = totalHeads(lot) - log.males - log.females;
        if (unsexed < 0) return fail('outOfRange', log.at, `Only ${totalHeads(lot)} are there.`);
        return [{ kind: 'sexed', tankId, lotId: lot.id, heads: { males: log.males, females: log.females, unsexed }, at }];
      }
      case 'lengths':
        return [{ kind: 'lengths', tankId, lotId: this.lotOf(log, tank).id, mm: log.mm, at }];
      case 'condition':
        return [{ kind: 'condition', tankId, lotId: this.lotOf(log, tank).id, score: log.score, at }];
      case 'tankEvent':
        return [{ kind: 'tankEvent', tankId, event: log.event, at }];
      case 'equipment':
        return [sign(`${log.what} ${log.state}`)];
      case 'feed': {
        const eaten = log.ate ? `, ${log.ate === 'all' ? 'all eaten' : log.ate === 'some' ? 'some eaten' : 'some left'}` : '';
        return [{ kind: 'care', care: 'fed', tankId, text: `${FOOD_NAMES[log.food]}${eaten}`, at }];
      }
      case 'sign':
        return [{ kind: 'care', care: 'sign', tankId, text: log.text.length < 2 ? `"${log.text}"` : log.text, at }];
      case 'note':
        return [this.note(log, tank, log.text)];
    }
  }

  private ofCulture(log: PlacedLog & ({ kind: 'culture' } | { kind: 'harvest' }), tank: JotTank | null, at: Instant): JotCommand {
    const tankId = tank?.id ?? null;
    const culture = this.cultureOf(log, tank);
    const action = log.kind === 'harvest' ? ('harvested' as const) : log.action;
    if (action === 'started' || action === 'split')
      return { kind: 'cultureStart', tankId, food: log.food as CultureFood, fromId: culture?.id ?? null, at };
    if (!culture) return fail('outOfRange', log.at, `You have no ${FOOD_NAMES[log.food]} running.`);
    return action === 'harvested'
      ? { kind: 'harvest', tankId, cultureId: culture.id, at }
      : { kind: 'culture', tankId, cultureId: culture.id, action, at };
  }
}
