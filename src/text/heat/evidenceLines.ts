import type { Filled, Held } from '../../core/match/finding.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import { dayText } from '../kit/when.ts';
import type { Line, Of } from '../match/findingLine.ts';
import { misfitText } from '../match/testReading.ts';
import { clockText, MBpsText, plain } from '../quantity.ts';

/** Lines about what is known of a card's real pace: own tests, the maker's figure. */
/** Tests whose numbers cannot be true, and what full takes proved where it falls short. */
function besideTests({ setAside, provenUpTo, outcome }: Of<'own-tests'>): string {
  const aside =
    setAside === 0
      ? ''
      : ` ${setAside === 1 ? 'One test' : `${setAside} tests`} not used, because the numbers do not add up.`;
  const short =
    provenUpTo !== null && outcome !== 'pass' ? ` Full-card tests passed at up to ${MBpsText(provenUpTo)}.` : '';
  return `${short}${aside}`.trim();
}

/** `of 30 May 2026`, `of 30 May to 2 June 2026`; empty where no day is noted. */
const daysOf = ({ from, to }: Held): string =>
  from === null || to === null
    ? ''
    : from.slice(0, 10) === to.slice(0, 10)
      ? ` of ${dayText(from)}`
      : ` of ${dayText(from)} to ${dayText(to)}`;

const OTHER_DROPPED = ' Another mode that is said to write no faster dropped on this pair: this one did not.';

/** A card that was filled in the very mode, at a rate that is not the one believed. */
function filledLine({ contradicts }: Of<'own-tests'>, { seconds, misfit }: Filled, beside: string): Line {
  const short = contradicts ? '' : 'Its own rate falls short of the peak.';
  const why = misfit === null ? short : `The rate believed cannot be. ${misfitText(misfit)}`;
  return {
    text: 'Your own take filled the card in this mode',
    figure: `in ${clockText(seconds)}`,
    more: `No frames were lost. ${why}${contradicts ? OTHER_DROPPED : ''} ${beside}`.trim(),
  };
}

/** What takes held that were stopped by hand. */
function heldLine({ contradicts }: Of<'own-tests'>, held: Held, beside: string): Line {
  const { seconds, least, takes } = held;
  const many = takes === 1 ? 'One test' : `${plain(takes)} tests`;
  const after = seconds - least < 1 ? ' after' : ', the longest after';
  const stopped = `${many}${daysOf(held)} ${takes === 1 ? 'was' : 'were'} stopped by hand${after} ${clockText(seconds)}`;
  return {
    text: 'Your own takes lost no frames for as long as they lasted',
    figure: `to ${clockText(seconds)}`,
    more: `${stopped}; no frames were lost until then. Beyond that nothing is known.${contradicts ? OTHER_DROPPED : ''} ${beside}`.trim(),
  };
}

export function testsLine(finding: Of<'own-tests'>): Line {
  const { outcome, passes, dropSeconds, contradicts, untilSeconds } = finding;
  const beside = besideTests(finding);
  const withBeside = (text: string): string | undefined => `${text} ${beside}`.trim() || undefined;
  if (outcome === 'unknown') {
    return finding.setAside > 0 || finding.provenUpTo !== null
      ? { text: 'None of your tests counts for this rate', figure: '', more: withBeside('') }
      : { text: 'No test of your own yet', figure: 'no test yet' };
  }
  if (finding.filled) return filledLine(finding, finding.filled, beside);
  if (finding.held) return heldLine(finding, finding.held, beside);
  if (outcome === 'short')
    return {
      text: 'Your own test dropped frames',
      figure: dropSeconds === null ? '' : `at ${clockText(dropSeconds)}`,
      more: withBeside(contradicts ? 'This counts until a later full-card test in this same mode passes.' : ''),
    };
  if (untilSeconds !== null)
    return {
      text: 'This card passed a test in a faster mode',
      figure: `for ${clockText(untilSeconds)}`,
      more: withBeside('Beyond that nothing is known: fill a card in this mode to find out.'),
    };
  return {
    text: 'Your full-card tests passed',
    figure: `${passes}×`,
    more: withBeside(contradicts ? 'An older test dropped; the later pass of this mode counts.' : ''),
  };
}

export function makersLine({ outcome, stated, derated }: Of<'makers-figure'>): Line {
  if (stated === null || derated === null) {
    return { text: 'The maker’s sustained speed is not entered', figure: '—' };
  }
  const more = `Stated ${MBpsText(stated)}, less ${plain(ASSUMED.makerDerating.value * 100)} %.`;
  return outcome === 'pass'
    ? { text: 'The maker’s sustained speed, less the allowance, covers the rate', figure: MBpsText(derated), more }
    : { text: 'The maker’s sustained speed, less the allowance, is below the rate', figure: MBpsText(derated), more };
}
