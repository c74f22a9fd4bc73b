/** A seeded source of numbers; the same seed gives the same house on every machine. */
export interface Random {
  /** Uniform in 0..1, 1 excluded. */
  next(): number;
  between(low: number, high: number): number;
  whole(low: number, high: number): number;
  chance(probability: number): boolean;
}

/** Mulberry32: 32 bits of state, good enough for a story, never for secrets. */
export function createRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    whole: (low, high) => low + Math.floor((high - low + 1) * next()),
    chance: (probability) => next() < probability,
  };
}

/** Ids in the form of UUIDv7, their time the instant given. */
export function createIds(random: Random): (at: string) => string {
  const hex = (digits: number) => Array.from({ length: digits }, () => Math.floor(random.next() * 16).toString(16)).join('');
  return (at) => {
    const time = Date.parse(at).toString(16).padStart(12, '0');
    return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(3)}-${'89ab'[Math.floor(random.next() * 4)] ?? '8'}${hex(3)}-${hex(12)}`;
  };
}
