import { entryAt } from '../../entryAt.ts';
import type { Random } from '../../heat/writepath/random.ts';
import type { Body, Mode } from '../../kit/model.ts';
import { board } from '../../match/board.ts';
import type { Cell } from '../../match/cell.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import type { Bus } from '../../standards/buses.ts';
import { promisedMBps, twoRowMarks } from '../../standards/marks.ts';
import { pick, shuffled } from '../draw.ts';
import { aFace, contradicts, type Face, faceCard, faceText } from '../face.ts';
import type { Level, Question } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';
import { aBodyWith, aMode } from './subjects.ts';

/** Half as much again promised is twice the price: made up, as all prices of the drill. */
const usualPrice = (promisesMBps: number): number =>
  Math.round(95 * (promisesMBps / 60) ** (Math.log(2) / Math.log(1.5)));

const PRINTS: readonly (readonly ['I' | 'II', readonly string[], number])[] = [
  ['I', ['U1', 'C10'], 18],
  ['I', ['U3', 'V30'], 34],
  ['I', ['U3', 'V30', 'A2'], 42],
  ['II', ['U3', 'V30'], 60],
  ...twoRowMarks().map((key) => ['II', ['U3', key], usualPrice(promisedMBps(key))] as const),
];

/** Rates whose need, with headroom, lies between the marks. */
const MBPS: Readonly<Record<Level, readonly number[]>> = {
  1: [100, 150, 200, 220, 300, 400, 440],
  2: [140, 180, 210, 220, 240, 300, 360, 400, 420, 450, 480],
  3: [172, 198, 206, 213, 371, 401, 417, 433, 611, 623],
};

interface Offer {
  readonly face: Face;
  readonly price: number;
}

function anOffer(random: Random): Offer {
  const [numeral, marks, usual] = pick(random, PRINTS);
  const face = { ...aFace(random, numeral, marks), capacityGB: 256 };
  const words = ['SDXC', ...face.words.slice(1)];
  // A dearer print is not always dearer: sales, and capacities left alone.
  return { face: { ...face, words }, price: Math.round(usual * (0.7 + random() * 0.8)) };
}

/** The slip of taking this card, by what the rules find. */
function slipOf(cell: Cell, face: Face): Slip {
  const guarantee = cell.findings.find((finding) => finding.rule === 'guarantee');
  // Paid for a mark that does not count there.
  if (cell.verdict === 'guaranteed') return guarantee && guarantee.notInForce.length > 0 ? 'not-in-force' : 'overpays';
  if (cell.verdict === 'tight') return 'headroom';
  if (guarantee && guarantee.notInForce.length > 0) return 'not-in-force';
  return face.readMBps !== null && cell.need !== null && face.readMBps * 1e6 >= cell.need ? 'peak' : 'off';
}

/** Which of several cards is the cheapest that holds, once-only. */
export function makeCheapest({ random, level, slip }: Making): Draft | null {
  const slot: Bus = pick(random, slip === 'not-in-force' ? ['uhs-i'] : ['uhs-i', 'uhs-ii', 'uhs-ii']);
  const mode: Mode = aMode(pick(random, MBPS[level]));
  const body: Body = aBodyWith(mode, slot);
  const offers = Array.from({ length: level === 1 ? 3 : 4 }, () => anOffer(random));
  if (new Set(offers.map(({ face }) => faceText(face))).size < offers.length) return null;
  if (new Set(offers.map(({ price }) => price)).size < offers.length) return null;
  if (offers.some(({ face }) => contradicts(face))) return null;
  const cards = offers.map(({ face }, at) => faceCard(face, String(at)));
  const answers = board({ bodies: [body], cards, tests: [], reports: [] }, DEFAULT_POLICY);
  const cells = offers.map((_, at) => entryAt(answers.columnAt(at), 0));
  const holding = offers.filter((_, at) => cells[at]?.verdict === 'guaranteed').map(({ price }) => price);
  if (holding.length === 0) return null;
  const best = Math.min(...holding);
  const choices = offers.map(({ face, price }, at): Question['choices'][number] => {
    const cell = entryAt(cells, at);
    const isRight = cell.verdict === 'guaranteed' && price === best;
    return { value: { kind: 'face', face, price }, slip: isRight ? null : slipOf(cell, face) };
  });
  if (!choices.some((one) => one.slip === slip)) return null;
  const need = cells[0]?.need;
  if (need == null) return null;
  return {
    facts: { kind: 'cheapest', mode, slot, need, body, policy: DEFAULT_POLICY },
    choices: shuffled(random, choices),
    typed: null,
  };
}
