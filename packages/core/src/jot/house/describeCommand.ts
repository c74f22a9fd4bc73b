import { FOOD_NAMES } from '../../species';
import { LOSS_WORDS, type Heads } from '../../stock';
import { convert, formatNumber } from '../../units';
import { QUANTITY, type JotCommand, type JotContext, type JotTank } from './jotHouseTypes';
import type { PlacedLog } from '../jotTypes';

/** How a command was understood, in the house's units. */
export function describeCommand(log: PlacedLog, command: JotCommand, tank: JotTank | null, context: JotContext): string {
  const fahrenheit = context.units.temperature === 'degF';
  const lots = tank?.lots ?? [];
  const label = 'lotId' in command && lots.length > 1 ? lots.find(({ id }) => id === command.lotId)?.label : undefined;
  const heads = (some: Heads) =>
    [some.males && `${some.males} male`, some.females && `${some.females} female`, some.unsexed && String(some.unsexed)]
      .filter(Boolean)
      .join(' and ');
  const of = label ? ` of ${label}` : '';
  const called = (id: string) => context.cultures.find((one) => one.id === id)?.name ?? 'culture';
  switch (command.kind) {
    case 'reading': {
      const { words, unit } = QUANTITY[log.kind === 'reading' ? log.what : 'temperature'];
      if (command.quantity !== 'tempC') return `${words} ${formatNumber(command.value, 3)} ${unit}`.trimEnd();
      const value = fahrenheit ? convert({ value: command.value, from: 'degC', to: 'degF' }).value : command.value;
      return `temperature ${formatNumber(value, 3)} ${fahrenheit ? '°F' : '°C'}`;
    }
    case 'change': {
      const gallons = context.units.volume === 'galUS';
      const value = gallons ? convert({ value: command.litres, from: 'L', to: 'galUS' }).value : command.litres;
      return `${formatNumber(value, 3)} ${gallons ? 'gal' : 'L'} of water changed`;
    }
    case 'eggs':
    case 'found':
      return log.kind === 'eggs'
        ? `clutch of ${command.count} ${command.count === 1 ? 'egg' : 'eggs'}${command.kind === 'eggs' && command.white > 0 ? `, ${command.white} of them white` : ''}, laid`
        : `${command.count} young born`;
    case 'white':
      return `${command.count} white ${command.count === 1 ? 'egg' : 'eggs'} picked`;
    case 'hatched':
      return `hatched${command.count === null ? '' : `, ${command.count} counted,`}`;
    case 'freeSwimming':
      return `${log.kind === 'stage' && log.stage === 'released' ? 'young let go' : 'free-swimming'}${command.count === null ? '' : `, ${command.count} counted,`}`;
    case 'count':
      return `${command.count} counted${of}`;
    case 'lost':
      return `${heads(command.heads)}${of} ${command.cause === 'unknown' ? 'lost' : LOSS_WORDS[command.cause]}`;
    case 'sold': {
      const buyer = context.buyers?.find(({ id }) => id === command.buyerId)?.name ?? 'a buyer';
      return `${heads(command.heads)}${of} sold to ${buyer} at ${(command.cents / 100).toFixed(2)} each`;
    }
    case 'move':
      return `${heads(command.heads)}${of} moved to ${context.tanks.find(({ id }) => id === command.toTankId)?.code ?? '?'}`;
    case 'sexed':
      return `${command.heads.males} male and ${command.heads.females} female${of}`;
    case 'lengths':
      return `${command.mm.length} measured${of}: ${command.mm.map((mm) => formatNumber(mm, 3)).join(', ')} mm`;
    case 'condition':
      return `condition ${command.score} of 5${of}`;
    case 'tankEvent':
      return `tank ${command.event}`;
    case 'harvest':
      return `${called(command.cultureId)} harvested`;
    case 'culture':
      return `${called(command.cultureId)} ${command.action}`;
    case 'cultureStart':
      return `new ${FOOD_NAMES[command.food]}${command.fromId ? ` from ${called(command.fromId)}` : ''}`;
    case 'care':
      return command.care === 'fed'
        ? `fed ${command.text}`
        : command.care === 'note'
          ? `note: ${command.text}`
          : `seen: ${command.text}`;
  }
}
