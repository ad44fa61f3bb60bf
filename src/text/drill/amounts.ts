import { NBSP, plain } from '../quantity.ts';

/** Rates of questions, to the hundredth: somebody reckons after them. */
export const exactMBps = (bytesPerSecond: number): string => `${plain(bytesPerSecond / 1e6, 2)}${NBSP}MB/s`;
export const exactMbps = (bytesPerSecond: number): string => `${plain(bytesPerSecond / 125_000, 2)}${NBSP}Mb/s`;
