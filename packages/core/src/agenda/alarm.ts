/** What an alarm or a bar leads to. */
export interface Subject {
  kind: 'brood' | 'tank' | 'attempt' | 'larder' | 'growout' | 'species' | 'order';
  id: string;
}

/** What needs the keeper: a sentence that says what is wrong, why, and what to do. */
export interface Alarm {
  key: string;
  /** What it comes of, where several alarms may come of it: only the first of those is told. */
  cause?: string | undefined;
  severity: 'now' | 'soon';
  title: string;
  text: string;
  subject: Subject | null;
}
