/** What an alarm or a bar leads to. */
export interface Subject {
  kind: 'brood' | 'tank' | 'attempt' | 'larder' | 'growout' | 'species' | 'order';
  id: string;
}

/** Kinds of alarms that are told in one line where several stand at once. */
export const ALARM_TOPICS = ['food', 'full', 'filling', 'cold', 'warm', 'silent', 'probe', 'nitrate', 'water'] as const;
export type AlarmTopic = (typeof ALARM_TOPICS)[number];

/** What needs the keeper: a sentence that says what is wrong, why, and what to do. */
export interface Alarm {
  key: string;
  /** What it comes of, where several alarms may come of it: only the first of those is told. */
  cause?: string | undefined;
  /** Its kind, and what it says beside others of that kind: the place and what is wrong there. */
  about?: { topic: AlarmTopic; part: string } | undefined;
  severity: 'now' | 'soon';
  title: string;
  text: string;
  subject: Subject | null;
}
