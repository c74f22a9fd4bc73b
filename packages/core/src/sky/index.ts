export { moon, MOON_PHASES, sun, type MoonPhaseName, type Place, type SunDay } from './sky';
