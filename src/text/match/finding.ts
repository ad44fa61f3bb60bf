import type { Finding } from '../../core/match/finding.ts';
import { assertNever } from '../../core/result.ts';
import { makersLine, testsLine } from '../heat/evidenceLines.ts';
import { either, MBpsText, plain } from '../quantity.ts';
import type { Line, Of } from './findingLine.ts';
import { reportedLine, twinsLine } from './likelyLines.ts';
import { arrangementLine, busLine, familyLine, goesToLine, protocolLine, seatsLine, shapeLine } from './placeLines.ts';
import {
  adviceLine,
  approvedLine,
  faultLine,
  guaranteeLine,
  headroomLine,
  labelLine,
  minimumLine,
  requirementLine,
} from './promiseLines.ts';

/** The sentence of one finding; every rule has its own. */
export function findingLine(finding: Finding): Line {
  switch (finding.rule) {
    case 'rate':
      return rateLine(finding);
    case 'shape':
      return shapeLine(finding);
    case 'protocol':
      return protocolLine(finding);
    case 'family':
      return familyLine(finding);
    case 'label':
      return labelLine(finding);
    case 'fault':
      return faultLine(finding);
    case 'promised-max':
      return {
        text: `Maker promises cards up to ${plain(finding.promisedGB)} GB`,
        figure: `${plain(finding.cardGB)} GB`,
        more: 'Larger cards of the same type often work, but the camera’s maker does not promise it. Test one first.',
      };
    case 'bus':
      return busLine(finding);
    case 'body-ceiling':
      return finding.outcome === 'note'
        ? {
            text: 'Camera’s own write limit, without headroom',
            figure: MBpsText(finding.ceiling),
            more: `This mode needs ${MBpsText(finding.need)}.`,
          }
        : finding.outcome === 'short'
          ? {
              text: 'The camera itself writes less than this mode needs',
              figure: MBpsText(finding.ceiling),
              more: `This mode needs ${MBpsText(finding.need)}, so no card can help.`,
            }
          : { text: 'Camera’s own write limit', figure: MBpsText(finding.ceiling) };
    case 'requirement':
      return requirementLine(finding);
    case 'guarantee':
      return guaranteeLine(finding);
    case 'headroom':
      return headroomLine(finding);
    case 'makers-minimum':
      return minimumLine(finding);
    case 'approved':
      return approvedLine(finding);
    case 'seats':
      return seatsLine(finding);
    case 'goes-to':
      return goesToLine(finding);
    case 'advice':
      return adviceLine(finding);
    case 'demands-card':
      return {
        text: `The camera also needs a card in ${either(finding.slots)}`,
        figure: '',
        more: 'Without a card there the camera may refuse to record, even though this mode writes nothing to it.',
      };
    case 'arrangement':
      return arrangementLine(finding);
    case 'own-tests':
      return testsLine(finding);
    case 'twin-tests':
      return twinsLine(finding);
    case 'reported':
      return reportedLine(finding);
    case 'makers-figure':
      return makersLine(finding);
    default:
      return assertNever(finding);
  }
}

/** A finding as one sentence, for exports and screen readers. */
export function findingText(finding: Finding): string {
  const { text, figure, more } = findingLine(finding);
  const head = figure ? `${text}: ${figure}.` : `${text}.`;
  return more ? `${head} ${more}` : head;
}

function rateLine({ refusal }: Of<'rate'>): Line {
  return refusal.code === 'missing'
    ? { text: `Raw needs a picture ${refusal.field}`, figure: 'no rate', more: 'Enter it under Cameras.' }
    : {
        text: `The ${refusal.field} of this mode is out of range`,
        figure: 'no rate',
        more: 'Correct it under Cameras.',
      };
}
