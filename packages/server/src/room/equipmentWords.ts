import { FURNISHING_WORDS, READINESS_RULES } from '@freshet/core/room';
import { formatNumber } from '@freshet/core/units';
import type { EquipmentRow } from './room.repository';

/** What a tank is taken to have until the keeper says otherwise. */
export const BARE = {
  heaterW: 0,
  filter: null,
  hasLid: false,
  hasIntakeGuard: false,
  zeroDays: READINESS_RULES.zeroDays,
  restDays: READINESS_RULES.restDays,
  shelters: null,
  nightDropC: 0,
  growsAlgae: false,
  furnishing: null,
  lossWPerK: null,
  version: null,
};
/** What a tank is equipped with, in words. */
export const equipmentWords = ({
  heaterW,
  filter,
  hasLid,
  hasIntakeGuard,
  nightDropC,
  growsAlgae,
  furnishing,
  lossWPerK,
}: Pick<EquipmentRow, 'heaterW' | 'filter' | 'hasLid' | 'hasIntakeGuard'> &
  Partial<Pick<EquipmentRow, 'nightDropC' | 'growsAlgae' | 'furnishing' | 'lossWPerK'>>): string =>
  [
    heaterW > 0 ? `heater ${formatNumber(heaterW, 3)} W` : 'no heater',
    filter,
    hasLid && 'lid',
    hasIntakeGuard && 'intake guard',
    nightDropC && `cooler at night, a swing of ${formatNumber(nightDropC)} °C`,
    growsAlgae && 'algae to graze',
    furnishing && FURNISHING_WORDS[furnishing],
    lossWPerK && `loses ${formatNumber(lossWPerK)} W for each °C`,
  ]
    .filter(Boolean)
    .join(', ');
