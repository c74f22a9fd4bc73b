/** Strength of the equilibria between water and carbon dioxide at one temperature and salt content; activities on the mol/L scale. */
export interface Carbonate {
  /** Henry's constant, mol/(L atm). */
  kH: number;
  k1: number;
  k2: number;
  kW: number;
  /** Activity coefficients of ions with one and with two charges (Davies). */
  g1: number;
  g2: number;
}

const MG_CACO3_PER_DEGREE = 17.848;
const MG_CACO3_PER_MEQ = 50.04345;
const PH_BISECTIONS = 100;

/** The equilibria of fresh water. Source: docs/sources.md#carbonate @param tempC - 0..45 @param tdsPpm - 0..5000 */
export function carbonate(tempC: number, tdsPpm: number): Carbonate {
  const kelvin = tempC + 273.15;
  const log = Math.log10(kelvin);
  const power = (a: number, b: number, c: number, d: number, e: number) =>
    10 ** (a + b * kelvin + c / kelvin + d * log + e / kelvin ** 2);
  const dielectric = 87.74 - 0.40008 * tempC + 9.398e-4 * tempC ** 2 - 1.41e-6 * tempC ** 3;
  const debye = 1.82e6 * (dielectric * kelvin) ** -1.5;
  const ionic = 2.5e-5 * tdsPpm;
  const root = Math.sqrt(ionic);
  const activity = (charge: number) => 10 ** (-debye * charge ** 2 * (root / (1 + root) - 0.3 * ionic));
  return {
    kH: power(108.3865, 0.01985076, -6919.53, -40.45154, 669_365),
    k1: power(-356.3094, -0.06091964, 21_834.37, 126.8339, -1_684_915),
    k2: power(-107.8871, -0.03252849, 5151.79, 38.92561, -563_713.9),
    kW: power(-283.971, -0.05069842, 13_323, 102.24447, -1_119_669),
    g1: activity(1),
    g2: activity(2),
  };
}

/** Alkalinity in eq/L of a carbonate hardness in German degrees. */
export const alkalinityOf = (khDeg: number): number => (khDeg * MG_CACO3_PER_DEGREE) / MG_CACO3_PER_MEQ / 1000;

const hydroxide = ({ kW, g1 }: Carbonate, a: number) => kW / (a * g1);
const hydrogen = ({ g1 }: Carbonate, a: number) => a / g1;
const bicarbonatePer = ({ k1, g1 }: Carbonate, a: number) => k1 / (a * g1);
const carbonatePer = ({ k1, k2, g2 }: Carbonate, a: number) => (k1 * k2) / (a * a * g2);

/** Dissolved carbon dioxide, mol/L, that an alkalinity holds at a pH; zero or below where the alkalinity cannot carry that pH. */
export function co2At(system: Carbonate, alkalinity: number, ph: number): number {
  const a = 10 ** -ph;
  return (alkalinity - hydroxide(system, a) + hydrogen(system, a)) / (bicarbonatePer(system, a) + 2 * carbonatePer(system, a));
}

/** Inorganic carbon, mol/L, at a pH for a given dissolved carbon dioxide. */
export function inorganicCarbon(system: Carbonate, co2: number, ph: number): number {
  const a = 10 ** -ph;
  return co2 * (1 + bicarbonatePer(system, a) + carbonatePer(system, a));
}

function bisect(alkalinityAt: (a: number) => number, alkalinity: number): number {
  let [low, high] = [0, 14];
  for (let i = 0; i < PH_BISECTIONS; i++) {
    const middle = (low + high) / 2;
    if (alkalinityAt(10 ** -middle) < alkalinity) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** pH of a closed water: alkalinity and inorganic carbon are kept. */
export function closedPh(system: Carbonate, alkalinity: number, carbon: number): number {
  return bisect((a) => {
    const co2 = carbon / (1 + bicarbonatePer(system, a) + carbonatePer(system, a));
    return co2 * (bicarbonatePer(system, a) + 2 * carbonatePer(system, a)) + hydroxide(system, a) - hydrogen(system, a);
  }, alkalinity);
}

/** pH of a water whose dissolved carbon dioxide is kept, as by the air. */
export function openPh(system: Carbonate, alkalinity: number, co2: number): number {
  return bisect(
    (a) => co2 * (bicarbonatePer(system, a) + 2 * carbonatePer(system, a)) + hydroxide(system, a) - hydrogen(system, a),
    alkalinity,
  );
}
