/** What an alarm or a bar leads to. */
export interface Subject {
  kind: 'brood' | 'tank' | 'attempt' | 'larder' | 'growout' | 'species' | 'order';
  id: string;
}

/** What needs the keeper: a sentence that says what is wrong, why, and what to do. */
export interface Alarm {
  key: string;
  severity: 'now' | 'soon';
  title: string;
  text: string;
  subject: Subject | null;
}
