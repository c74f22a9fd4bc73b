import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { ROLES, type Role } from '@freshet/contract/endpoints';
import { houseDay } from '@freshet/core/time';
import type { Reply } from './api';

type Session = Reply<'session'>;

/** Who is signed in, where, and what time it is there. */
export interface House {
  id: string;
  name: string;
  timeZone: string;
  units: { temperature: 'degC' | 'degF'; volume: 'L' | 'galUS' };
  userName: string;
  role: Role;
  /** The house's day. */
  today: string;
  /** The server's time, carried on by this device's clock. */
  now(): string;
  may(least: Role): boolean;
}

const HouseContext = createContext<House | null>(null);
const MINUTE_MS = 60_000;
const deviceMs = () => Date.now();
/** How far this device's clock is behind the server's, ms. */
const offsetTo = (serverNow: string) => Date.parse(serverNow) - deviceMs();

/** Gives the pages their house. */
export function HouseProvider({ session, children }: { session: Session; children: ReactNode }) {
  const [tick, setTick] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setTick((count) => count + 1), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  const offset = useMemo(() => offsetTo(session.now), [session.now]);
  const house = useMemo<House | null>(() => {
    void tick;
    if (!session.house || !session.user) return null;
    const { id, name, timeZone, units } = session.house;
    const { role, name: userName } = session.user;
    const now = () => new Date(deviceMs() + offset).toISOString();
    return {
      id,
      name,
      timeZone,
      units,
      userName,
      role,
      now,
      today: houseDay(now(), timeZone),
      may: (least) => ROLES.indexOf(role) >= ROLES.indexOf(least),
    };
  }, [session, offset, tick]);
  return <HouseContext value={house}>{children}</HouseContext>;
}

/** The units of the house, or of none before anybody is signed in. */
export const useUnits = (): House['units'] | null => useContext(HouseContext)?.units ?? null;

/** The house of this page. @throws {Error} outside of a HouseProvider with a session */
export function useHouse(): House {
  const house = useContext(HouseContext);
  if (!house) throw new Error('useHouse needs a HouseProvider above it, with a session.');
  return house;
}
