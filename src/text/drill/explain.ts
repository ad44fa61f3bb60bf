import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import { busOf } from '../../core/cards/printedBus.ts';
import { contradicts, type Face, faceCard, faceProblems } from '../../core/drill/face.ts';
import { cardsNeeded } from '../../core/drill/kinds/afternoon.ts';
import { plannedOf } from '../../core/drill/kinds/minutes.ts';
import { whyStopped } from '../../core/drill/kinds/stopped.ts';
import type { Facts, Question } from '../../core/drill/question.ts';
import type { Slip } from '../../core/drill/slips.ts';
import { entryAt } from '../../core/entryAt.ts';
import { board } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import { usableOf } from '../../core/match/minutes/minutes.ts';
import { floorInForce, guaranteeRule } from '../../core/match/rules/guarantee.ts';
import { EARNED } from '../../core/match/settle.ts';
import { assertNever } from '../../core/result.ts';
import { type Bus, bus, busInForce } from '../../core/standards/buses.ts';
import { MARK_KEYS, promisedMBps } from '../../core/standards/marks.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { fromGigabytes, toGigabytes } from '../../core/units/convert.ts';
import { rateSum, type Sum } from '../bodies/rateLines.ts';
import { labelProblemText } from '../cards/label.ts';
import { findingLine } from '../match/finding.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { capacityText, MBpsText, MbpsText, minutesText, NBSP, plain } from '../quantity.ts';
import { exactMBps, exactMbps } from './amounts.ts';
import { SLIP_TEXTS } from './slips.ts';

/** Why an answer is what it is, by the arithmetic and the rules of the app itself. */
export interface Explained {
  /** What is right, in one sentence. */
  readonly head: string;
  readonly sums: readonly Sum[];
  /** Where the guide has the rule. */
  readonly guide: string;
}

/** The lines of an explanation, without its head. */
function bits(facts: Extract<Facts, { kind: 'bits' }>): Explained {
  switch (facts.ask) {
    case 'to-bytes':
      return {
        head: 'Eight bits are a byte: divide by eight.',
        sums: [{ working: `${exactMbps(facts.bytesPerSecond)} ÷ 8`, result: exactMBps(facts.bytesPerSecond) }],
        guide: 'mbps',
      };
    case 'to-bits':
      return {
        head: 'Eight bits are a byte: multiply by eight.',
        sums: [{ working: `${exactMBps(facts.bytesPerSecond)} × 8`, result: exactMbps(facts.bytesPerSecond) }],
        guide: 'mbps',
      };
    case 'per-minute':
      return {
        head: 'Into bytes first, then times sixty.',
        sums: [
          { working: `${exactMbps(facts.bytesPerSecond)} ÷ 8`, result: exactMBps(facts.bytesPerSecond) },
          { working: '× 60 s ÷ 1000', result: `${plain((facts.bytesPerSecond * 60) / 1e9, 3)}${NBSP}GB a minute` },
        ],
        guide: 'mbps',
      };
    case 'computer':
      return {
        head: 'Nothing is lost: the computer counts in larger units.',
        sums: [
          { working: '1 GiB = 1024 × 1024 × 1024 bytes', result: `1.074${NBSP}GB` },
          { working: `${facts.GiB}${NBSP}GiB × 1.074, about`, result: capacityText(fromGigabytes(facts.GB)) },
        ],
        guide: 'gb',
      };
    default:
      return assertNever(facts);
  }
}

/** What counts on a face in a slot, line by line. */
function labelSums(face: Face, slot: Bus): readonly Sum[] {
  const card = faceCard(face);
  const own = busOf(card).bus ?? slot;
  const inForce = busInForce(slot, own);
  const doubted = contradicts(face);
  const line = findingLine(guaranteeRule(floorInForce(card, inForce), 1 as BytesPerSecond, doubted));
  const lines: Sum[] = [
    {
      working: `Slot ${bus(slot).name}, card ${bus(own).name}`,
      result: inForce === null ? 'no common bus' : bus(inForce).name,
    },
    { working: line.more ? `${line.text}. ${line.more}` : line.text, result: line.figure },
  ];
  if (face.readMBps !== null) lines.push({ working: `${face.readMBps}${NBSP}MB/s on the front`, result: 'a peak' });
  return [...lines, ...faceProblems(face).map((problem): Sum => ({ working: labelProblemText(problem), result: '' }))];
}

function labelHead(face: Face, slot: Bus): string {
  if (contradicts(face))
    return 'The label contradicts itself, so nothing on it counts as a promise until the card was verified.';
  const card = faceCard(face);
  const inForce = busInForce(slot, busOf(card).bus ?? slot);
  const { mark, floor, notInForce } = floorInForce(card, inForce);
  if (mark === null || floor === null) return 'No mark on it promises a write speed here.';
  // What such a card satisfies need not stand on it: then a mark that does is named, or none.
  const same = MARK_KEYS.filter((key) => promisedMBps(key) === promisedMBps(mark));
  const printed = [mark, ...same].find((one) => face.words.includes(one));
  const counts = printed ? `${printed} does: ${MBpsText(floor)}.` : `such a card falls back to ${MBpsText(floor)}.`;
  return notInForce.length > 0
    ? `${notInForce.join(' and ')} does not count here; ${counts}`
    : `${mark} counts here: ${MBpsText(floor)}.`;
}

const faceName = (face: Face): string => [...face.words.slice(1), `${face.readMBps ?? ''}`].filter(Boolean).join(' ');

/** Each card of a shop, by what the rules say of it. */
function cheapest(question: Question, facts: Extract<Facts, { kind: 'cheapest' }>): Explained {
  const offers = question.choices.flatMap(({ value }) => (value.kind === 'face' ? [value] : []));
  const cards = offers.map(({ face }, at) => faceCard(face, String(at)));
  const answers = board({ bodies: [facts.body], cards, tests: [], reports: [] }, facts.policy);
  const wanted = Math.ceil((facts.need * (1000 + facts.policy.headroom)) / 1000) as BytesPerSecond;
  return {
    head: `The stream needs ${MBpsText(facts.need)}, with headroom ${MBpsText(wanted)}.`,
    sums: offers.map(({ face, price }, at) => {
      const cell = entryAt(answers.columnAt(at), 0);
      const floor = cell.floor === null ? 'nothing' : MBpsText(cell.floor);
      return {
        working: `${faceName(face)}, €${NBSP}${price}: promises ${floor}`,
        result: VERDICT_WORDS[cell.verdict],
      };
    }),
    guide: 'rule-headroom',
  };
}

function minutes({ mode, capacityGB }: Extract<Facts, { kind: 'minutes' }>): Explained {
  const rate = streamRate(mode, null);
  const planned = plannedOf(mode, capacityGB);
  const room = usableOf(fromGigabytes(capacityGB));
  return {
    head: `About ${planned === null ? '—' : minutesText(planned)}: what is usable, by everything that is written.`,
    sums: rate.ok
      ? [
          ...rate.value.lines.map(rateSum),
          { working: 'fills the card', result: `${MbpsText(rate.value.average)} = ${MBpsText(rate.value.average)}` },
          { working: 'usable', result: `${plain(toGigabytes(room))}${NBSP}GB`, assumed: true },
          { working: 'planned minutes', result: planned === null ? '—' : minutesText(planned) },
          {
            working: 'by head: GB × 8000 ÷ Mb/s ÷ 60',
            result: `${plain((capacityGB * 8000) / (rate.value.pictureAverage / 125_000) / 60, 0)}${NBSP}min`,
          },
        ]
      : [],
    guide: 'planned',
  };
}

function slowMotion(facts: Extract<Facts, { kind: 'slow-motion' }>): Explained {
  if (facts.ask === 'plays')
    return {
      head: 'Every captured frame is played: take × capture ÷ playback.',
      sums: [
        {
          working: `${plain(facts.takeSeconds)} s × ${plain(facts.captured, 2)} ÷ ${plain(facts.playback, 2)}`,
          result: `${plain((facts.takeSeconds * facts.captured) / facts.playback)}${NBSP}s`,
        },
      ],
      guide: 'slow-motion',
    };
  const rate = streamRate(facts.mode, null);
  return {
    head: 'The card gets every frame that is captured.',
    sums: rate.ok
      ? rate.value.lines.filter(({ code }) => code === 'stated' || code === 'slow-motion').map(rateSum)
      : [],
    guide: 'slow-motion',
  };
}

function counter(question: Question, facts: Extract<Facts, { kind: 'counter' }>): Explained {
  if (facts.ask === 'telling')
    return {
      head: 'The same long value in modes of different rates is the cap of the counter.',
      sums: question.choices.flatMap(({ value, slip }) =>
        value.kind === 'mode'
          ? [
              {
                working: `${plain(value.Mbps)}${NBSP}Mb/s: ${minutesText(value.minutes ?? 0)}`,
                result: slip === null ? 'a reading' : 'the cap',
              },
            ]
          : [],
      ),
      guide: 'counter',
    };
  const rate = (minutes: number): string => `${plain((facts.capacityGB * 8000) / minutes / 60, 0)}${NBSP}Mb/s`;
  return {
    head: `A reading of ${minutesText(facts.minutes)} means that or up to a minute more.`,
    sums: [
      {
        working: `${plain(facts.capacityGB)} GB × 8000 ÷ ${facts.minutes} min ÷ 60, at the most`,
        result: rate(facts.minutes),
      },
      {
        working: `the same ÷ ${facts.minutes + 1} min, less what formatting takes`,
        result: `a little under ${rate(facts.minutes + 1)}`,
      },
    ],
    guide: 'counter',
  };
}

const WHY: Readonly<Record<NonNullable<ReturnType<typeof whyStopped>>, string>> = {
  bytes: 'The clip shows eight times what the menu was believed to say: first ask what was written.',
  bus: 'More came than the bus carries. No card helps.',
  cache: 'The cache hid how slow the flash is, until it was full.',
  heat: 'The card was fast enough until it was hot, and half as fast from then on.',
};

function stopped({ take }: Extract<Facts, { kind: 'stopped' }>): Explained {
  const reason = whyStopped(take);
  const over = take.clipMBps - take.sustainedMBps;
  const stream = { working: 'stream, by the clip', result: `${plain(take.clipMBps, 0)}${NBSP}MB/s` };
  const believed = {
    working: `menu: ${take.menuMbps}${NBSP}Mb/s ÷ 8`,
    result: `${plain(take.menuMbps / 8, 0)}${NBSP}MB/s`,
  };
  const sums: Record<string, readonly Sum[]> = {
    bytes: [believed, stream],
    bus: [stream, { working: 'bus', result: `${take.busMBps}${NBSP}MB/s` }],
    cache: [
      stream,
      { working: 'card, once its cache is full', result: `${take.sustainedMBps}${NBSP}MB/s` },
      {
        working: `cache and buffer ÷ ${plain(over, 0)}${NBSP}MB/s that were too much`,
        result: `${plain((take.cacheGB * 1000 + take.bufferMB) / over, 0)}${NBSP}s`,
      },
    ],
    heat: [
      stream,
      { working: 'card, cool', result: `${take.sustainedMBps}${NBSP}MB/s` },
      {
        working: `card, from ${take.throttleAtC}${NBSP}°C on`,
        result: `${plain(take.sustainedMBps / 2, 0)}${NBSP}MB/s`,
      },
    ],
  };
  const guides = { bytes: 'mbps', bus: 'bus', cache: 'cache', heat: 'throttle' } as const;
  return reason === null
    ? { head: '', sums: [], guide: 'cache' }
    : { head: WHY[reason], sums: sums[reason] ?? [], guide: guides[reason] };
}

function afternoon(facts: Extract<Facts, { kind: 'afternoon' }>): Explained {
  const planned = plannedOf(facts.mode, facts.capacityGB) ?? 1;
  const rolled = facts.minutes * facts.rolling;
  const told = { ...facts, planned };
  return {
    head: 'What is recorded, divided by what a card lasts, rounded up.',
    sums: [
      { working: `${facts.minutes} min × ${plain(facts.rolling * 100)} %`, result: minutesText(Math.round(rolled)) },
      { working: `a card of ${capacityText(fromGigabytes(facts.capacityGB))} lasts`, result: minutesText(planned) },
      {
        working: `${plain(rolled)} ÷ ${planned}`,
        result: `${plain(rolled / planned, 2)} → ${Math.ceil(rolled / planned)}`,
      },
      ...(facts.arrangement === 'mirrored'
        ? [{ working: '× 2, both slots get everything', result: `${cardsNeeded(told)}` }]
        : []),
    ],
    guide: facts.arrangement === 'mirrored' ? 'mirrored' : 'planned',
  };
}

/** The finding of a cell that decides: what earned its answer, or what speaks against it. */
function deciding(cell: Cell): string {
  const earned = cell.findings.find((finding) => EARNED[finding.rule] === cell.verdict && finding.outcome === 'pass');
  const promise = cell.findings.find(({ rule }) => rule === 'guarantee');
  if (cell.verdict === 'guaranteed' && promise?.outcome === 'pass') return findingLine(promise).text;
  if (earned) return findingLine(earned).text;
  const against = cell.findings.find(
    ({ outcome }) => outcome === 'block' || outcome === 'short' || outcome === 'unknown',
  );
  return against ? findingLine(against).text : 'the rules hold';
}

function own(question: Question): Explained {
  return {
    head: 'What the table says of each.',
    sums: question.choices.flatMap(({ value }): Sum[] =>
      value.kind === 'card'
        ? [{ working: `${value.card.label}: ${deciding(value.cell)}`, result: VERDICT_WORDS[value.cell.verdict] }]
        : [],
    ),
    guide: 'how-it-decides',
  };
}

/** Why the right answer is right. */
export function explain(question: Question): Explained {
  const { facts } = question;
  switch (facts.kind) {
    case 'bits':
      return bits(facts);
    case 'label':
      return {
        head: labelHead(facts.face, facts.slot),
        sums: labelSums(facts.face, facts.slot),
        guide: 'rule-guarantee',
      };
    case 'contradict': {
      const faces = question.choices.flatMap(({ value }) => (value.kind === 'face' ? [value.face] : []));
      return {
        head: 'Two things on one label cannot both be true.',
        sums: faces.map((face) => {
          const problems = faceProblems(face).map(labelProblemText).join(' ');
          return {
            working: `${capacityText(fromGigabytes(face.capacityGB))} ${face.words.join(' ')}: ${problems || 'nothing odd.'}`,
            result: contradicts(face) ? 'contradiction' : 'sound',
          };
        }),
        guide: 'contradiction',
      };
    }
    case 'cheapest':
      return cheapest(question, facts);
    case 'minutes':
      return minutes(facts);
    case 'slow-motion':
      return slowMotion(facts);
    case 'counter':
      return counter(question, facts);
    case 'stopped':
      return stopped(facts);
    case 'afternoon':
      return afternoon(facts);
    case 'own':
      return own(question);
    default:
      return assertNever(facts);
  }
}

/** The slip by name: `That is the factor eight.` */
export const slipSentence = (slip: Slip): string => `That is ${SLIP_TEXTS[slip].name}.`;
