import type { Reply } from '../data';

export type Stop = Reply<'round'>['stops'][number];
export type Chore = Stop['chores'][number];

/** What is said of a stage that was looked for. */
export type Answer = 'notYet' | 'some' | 'all';
export const ANSWERS: Record<Answer, string> = { notYet: 'not yet', some: 'some', all: 'all' };
