import type { RateLine, StreamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Body, Card, RateSource } from '../../core/kit/model.ts';
import { bodyInModeOf } from '../../core/match/bodyInMode.ts';
import type { Cell } from '../../core/match/cell.ts';
import { usable } from '../../core/match/minutes/minutes.ts';
import { sharesOf } from '../../core/match/seats.ts';
import { assertNever } from '../../core/result.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { fromGigabytes, toGigabytes, toMegabits } from '../../core/units/convert.ts';
import { capacityText, either, MBpsText, MbpsText, minutesText, plain } from '../quantity.ts';

/** One line of the arithmetic: the working on the left, what it comes to on the right. */
export interface Sum {
  readonly working: string;
  readonly result: string;
  /** True where a number in it is an assumption of the program. */
  readonly assumed?: boolean;
}

/** Where a rate comes from, in words. */
export const SOURCE_WORDS: Readonly<Record<RateSource, string>> = {
  measured: 'own clips',
  maker: 'the maker’s table',
  computed: 'arithmetic',
  borrowed: 'a sister camera',
};

const mb = (line: RateLine): string => MbpsText(line.bytesPerSecond as BytesPerSecond);

export function rateSum(line: RateLine): Sum {
  switch (line.code) {
    case 'source': {
      const others =
        line.others.length > 0 ? `, set before ${either(line.others.map((key) => SOURCE_WORDS[key]))}` : '';
      return {
        working: `from ${SOURCE_WORDS[line.source]}${line.note ? ` (${line.note})` : ''}${others}`,
        result: mb(line),
      };
    }
    case 'stated':
      return { working: `stated rate, ${line.is}`, result: mb(line) };
    case 'raw':
      return {
        working: `${line.width} × ${line.height} × ${line.bitsPerPixel} bit ÷ ${plain(line.ratio, 2)} × ${plain(line.fps, 3)} fps`,
        result: mb(line),
      };
    case 'frame':
      return { working: `${line.bytesPerFrame} B a frame × ${plain(line.fps, 3)} fps`, result: mb(line) };
    case 'slow-motion':
      return {
        working: `× ${plain(line.captured, 3)} captured ÷ ${plain(line.recorded, 3)} recorded${line.upperBound ? ', at most' : ''}`,
        result: mb(line),
      };
    case 'counter':
      return {
        working: `from the camera’s counter, ${plain(line.lowMbps, 0)} to ${plain(line.highMbps, 0)} Mb/s, the faster end${line.rounds === null ? `; how it rounds is not told` : ''}`,
        result: mb(line),
      };
    case 'beside-capped':
      return {
        working: `+ sound and metadata, at most ${plain(line.share * 100)} % of the picture`,
        result: mb(line),
        assumed: true,
      };
    case 'variable':
      return { working: `× ${plain(line.factor, 2)} peak over average`, result: mb(line), assumed: true };
    case 'stated-peak':
      return { working: `peak: at the most what the maker states, ${plain(line.Mbps)} Mb/s`, result: mb(line) };
    case 'fixed':
      return { working: '+ sound and housekeeping', result: mb(line), assumed: line.assumed };
    case 'per-frame':
      return {
        working: `+ ${plain(line.KB)} kB a frame × ${plain(line.fps, 3)} fps`,
        result: mb(line),
        assumed: line.assumed,
      };
    case 'sound':
      return { working: `+ sound ${line.channels} × ${line.sampleHz} Hz × ${line.bits} bit`, result: mb(line) };
    case 'proxy':
      return { working: '+ viewing proxy', result: mb(line) };
    default:
      return assertNever(line);
  }
}

/** The arithmetic of a cell, line by line, from rate to planned minutes. */
export function cellSums(rate: StreamRate, body: Body, card: Card, cell: Cell): readonly Sum[] {
  const sums = rate.lines.map(rateSum);
  const shares = sharesOf(bodyInModeOf(body, cell.modeId));
  const { bytes, assumed } = usable(card);
  const average = Math.ceil(rate.average / shares) as BytesPerSecond;
  sums.push({ working: 'everything written', result: `${MbpsText(rate.peak)} = ${MBpsText(rate.peak)}` });
  if (shares > 1 && cell.need !== null) {
    sums.push({ working: `÷ ${shares} cards`, result: MBpsText(cell.need) });
  }
  sums.push(
    assumed
      ? {
          working: `${capacityText(fromGigabytes(card.capacityGB))} × ${ASSUMED.usableFraction.value} usable`,
          result: `${plain(toGigabytes(bytes))} GB`,
          assumed: true,
        }
      : { working: 'usable, as entered', result: `${plain(toGigabytes(bytes))} GB` },
  );
  if (cell.planned !== null) {
    const exact = bytes / average / 60;
    sums.push({
      working: `${plain(toGigabytes(bytes))} GB × 8000 ÷ ${plain(toMegabits(average))} Mb/s ÷ 60`,
      result: `${plain(exact)} → ${minutesText(cell.planned)}`,
    });
  }
  return sums;
}
