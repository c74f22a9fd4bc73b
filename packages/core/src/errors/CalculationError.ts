/** Why a calculation gives no output; the codes are those of `docs/sources.md`. */
export type CalculationCode =
  | 'invalidInput'
  | 'outOfRange'
  | 'unknownUnit'
  | 'incompatibleUnits'
  | 'missingFactor'
  | 'invalidStock'
  | 'invalidTime'
  | 'conflictingInput'
  | 'notEnoughData'
  | 'readingsNotIncreasing'
  | 'never'
  | 'emptyParts'
  | 'noSources'
  | 'duplicateName'
  | 'noTarget'
  | 'unreachable'
  | 'notWarming'
  | 'notCooling'
  | 'inconsistentPhKh'
  | 'notConservative'
  | 'missingValue'
  | 'unknownSexSystem'
  | 'invalidSexGenotype'
  | 'sireNotMale'
  | 'damNotFemale'
  | 'duplicateLocus'
  | 'unknownAllele'
  | 'genotypeMismatch'
  | 'tooManySexLinked'
  | 'duplicateId'
  | 'selfParent'
  | 'bothSexes'
  | 'pedigreeCycle'
  | 'unknownId'
  | 'duplicateCandidate'
  | 'probabilitiesExceedOne'
  | 'broodMismatch'
  | 'invalidMatrix'
  | 'notUnderstood'
  | 'unknownTank'
  | 'ambiguous'
  | 'incomplete'
  | 'unknownSpecies'
  | 'noFactors'
  | 'mixedFactor'
  | 'countMismatch'
  | 'moreThanStock'
  | 'unknownCurve'
  | 'noFit'
  | 'beyondCurve'
  | 'missingWeight'
  | 'unknownLot'
  | 'shapeMismatch'
  | 'tooManyRunning';

/** A calculation that cannot be answered, with the field that is at fault; its message is fit to be shown to a keeper. */
export class CalculationError extends Error {
  constructor(
    readonly code: CalculationCode,
    readonly field: string | null,
    message: string,
    /** The word of a typed line that stands in the way. */
    readonly word?: string,
  ) {
    super(message);
    this.name = 'CalculationError';
  }
}
