import type { Simulation } from './simulation.ts';

type Demand = Pick<Simulation, 'demandMBps' | 'demandTraceMBps'>;

/** What is written over a take on average, MB/s: what heats. */
export function averageDemand({ demandMBps, demandTraceMBps: trace }: Demand): number {
  return trace && trace.length > 0 ? trace.reduce((sum, one) => sum + one, 0) / trace.length : demandMBps;
}

/** The most that is written in any second, MB/s: what a bus must take. */
export const peakDemand = ({ demandMBps, demandTraceMBps: trace }: Demand): number =>
  trace && trace.length > 0 ? trace.reduce((most, one) => Math.max(most, one), 0) : demandMBps;
