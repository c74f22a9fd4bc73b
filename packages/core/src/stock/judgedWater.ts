/** Values of water that animals are judged by beside warmth: name, unit, and how far off a test may be. */
export const JUDGED_WATER = {
  ph: { name: 'pH', unit: '', give: 0.3 },
  ghDeg: { name: 'hardness', unit: ' °dGH', give: 1 },
} as const;
export type JudgedQuantity = keyof typeof JUDGED_WATER;
export const JUDGED_QUANTITIES = Object.keys(JUDGED_WATER) as JudgedQuantity[];
