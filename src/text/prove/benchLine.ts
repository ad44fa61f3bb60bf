import type { BenchResult } from '../../core/kit/model.ts';
import { dayText } from '../kit/when.ts';
import { plain } from '../quantity.ts';
import { PROGRAM_WORDS } from './log.ts';

const MBpsWhole = (value: number): string => `${plain(value, value < 10 ? 1 : 0)}\u00a0MB/s`;

/** A bench result in one line: how it was measured, its lowest first, and whether it came back as it was written. */
export function benchLine(bench: BenchResult): string {
  const { date, program, reader, fault, verifiedGB, trace } = bench;
  const head = [date ? dayText(date) : 'no date', PROGRAM_WORDS[program], reader].filter(Boolean).join(', ');
  const figures = [
    trace ? `lowest ten seconds ${MBpsWhole(trace.floorMBps)}` : null,
    !trace && bench.lowestWriteMBps !== null ? `lowest ${MBpsWhole(bench.lowestWriteMBps)}` : null,
    bench.writeMBps === null ? null : `writes ${MBpsWhole(bench.writeMBps)}`,
    bench.readMBps === null ? null : `reads ${MBpsWhole(bench.readMBps)}`,
    verifiedGB != null && !fault ? `${plain(verifiedGB, 1)}\u00a0GB read back as written` : null,
    fault ?? null,
  ].filter((part): part is string => part !== null);
  return `${head}: ${figures.length > 0 ? figures.join('; ') : 'no figure noted'}`;
}
