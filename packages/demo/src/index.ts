export { saltingsShed, type DemoHouse, type DemoReading } from './saltingsShed';
export type { DemoSample } from './probeStory';
export { TIME_ZONE, type StoryEvent } from './story';

/** The demonstration house and its two accounts; the passwords are no secret. */
export const DEMO_HOUSE = {
  name: 'Saltings Shed',
  timeZone: 'Europe/Dublin',
  latitude: 52.2,
  longitude: -8.1,
  currency: 'EUR',
} as const;
export const DEMO_ACCOUNTS = [
  { login: 'keeper', name: 'keeper', password: 'saltings-keeper', role: 'keeper' },
  { login: 'sitter', name: 'sitter', password: 'saltings-sitter', role: 'sitter' },
] as const;
export { DEMO_PROBES } from './probes';
