/** A probe of Saltings Shed; its fault is played from the start. */
export interface ProbePlan {
  name: string;
  tank: string;
  targetC: number;
  also: readonly ('ph' | 'tdsPpm' | 'oxygenPpm')[];
  fault: 'none' | 'stuck' | 'drifting' | 'silent' | 'heaterFailed';
}

const probe = (tank: string, targetC: number, more: Partial<ProbePlan> = {}): ProbePlan => ({
  name: `Probe ${tank}`,
  tank,
  targetC,
  also: [],
  fault: 'none',
  ...more,
});

/** The probes of the demonstration: most are sound, each fault is there once. */
export const DEMO_PROBES: readonly ProbePlan[] = [
  probe('A1.1', 25.4),
  probe('A1.2', 25.4),
  probe('A2.1', 25.4),
  probe('A2.5', 25.4, { fault: 'silent' }),
  probe('A3.1', 25.4, { also: ['tdsPpm', 'oxygenPpm'] }),
  probe('A3.3', 25.2, { fault: 'drifting' }),
  probe('B1.2', 25.1, { fault: 'heaterFailed' }),
  probe('B2.2', 24.1, { also: ['ph', 'tdsPpm'] }),
  probe('B3.1', 26, { fault: 'stuck' }),
  probe('C2.2', 27.3),
];
