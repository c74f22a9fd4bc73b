import type { Alarm, AlarmTopic, Subject } from './alarm';
import { groupBy } from './groupBy';

/** One line of what needs the keeper: one alarm, or several of one kind with the places they are about. */
export interface AlarmLine {
  key: string;
  severity: Alarm['severity'];
  title: string;
  text: string;
  subject: Subject | null;
  /** The alarms of one kind, each in its own words; empty where the line is one alarm. */
  parts: { key: string; words: string; subject: Subject | null }[];
}

/** What is said once where several alarms are of one kind. */
const TOPICS: Record<AlarmTopic, { title: (count: number) => string; text: string }> = {
  food: { title: (count) => `${count} first foods are missing.`, text: 'Start them today, or ask a friend for a starter.' },
  full: {
    title: (count) => `${count} tanks are too full.`,
    text: 'Move or sell some before they stunt; stunted fish don’t catch up.',
  },
  filling: { title: (count) => `${count} tanks are getting full.`, text: 'Find them more room before they stunt.' },
  cold: {
    title: (count) => `${count} tanks are too cold.`,
    text: 'Check the heaters and the room. Change it slowly, over hours.',
  },
  warm: {
    title: (count) => `${count} tanks are too warm.`,
    text: 'Check the heaters and the room. Change it slowly, over hours.',
  },
  silent: {
    title: (count) => `${count} tanks have no recent temperature.`,
    text: 'Check probes and batteries, and take one by hand.',
  },
  probe: { title: (count) => `${count} probes are off.`, text: 'Take a temperature by hand there.' },
  nitrate: { title: (count) => `${count} tanks have too much nitrate.`, text: 'Change water, or change more each time.' },
  water: { title: (count) => `${count} readings don’t suit the animals.`, text: 'Change water over days, not at once.' },
};

const alone = ({ key, severity, title, text, subject }: Alarm): AlarmLine => ({ key, severity, title, text, subject, parts: [] });

/**
 * Alarms as they are read: those of one kind are one line, which stands where its first stood and is as pressing as its most pressing.
 * @param alarms - the pressing first
 */
export function alarmLines(alarms: readonly Alarm[]): AlarmLine[] {
  return [...groupBy(alarms, ({ about, key }) => about?.topic ?? key).values()].flatMap((same): AlarmLine[] => {
    const [first] = same;
    const topic = first?.about && TOPICS[first.about.topic];
    if (!topic || same.length === 1) return same.map(alone);
    return [
      {
        key: first.about?.topic ?? first.key,
        severity: first.severity,
        title: topic.title(same.length),
        text: topic.text,
        subject: null,
        parts: same.map(({ key, about, title, subject }) => ({ key, words: about?.part ?? title, subject })),
      },
    ];
  });
}
