/** A tank without a temperature for so many days is not watched. */
export const STALE_DAYS = 3;

/** What needs the keeper: a sentence that says what is wrong, why, and what to do. */
export interface Alarm {
  key: string;
  severity: 'now' | 'soon';
  title: string;
  text: string;
  subject: { kind: 'brood' | 'tank' | 'attempt' | 'larder'; id: string } | null;
}
