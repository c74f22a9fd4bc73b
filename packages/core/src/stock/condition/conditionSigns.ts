/** Signs a keeper looks for when scoring condition, by what the method shows. */
export const CONDITION_SIGNS = {
  girth: 'belly full from above',
  soft: 'belly soft, not hard',
  colour: 'full colour',
  tubes: 'breeding tube shows',
  ripePatch: 'ripe eggs show through',
  tubercles: 'tubercles or bristles out',
  appetite: 'takes live food at once',
  display: 'courts or holds a place',
} as const;
export type ConditionSign = keyof typeof CONDITION_SIGNS;
