import { ASSUMED } from '../../core/standards/assumptions.ts';
import type { Line, Of } from '../match/findingLine.ts';
import { clockText, MBpsText, plain } from '../quantity.ts';

/** Lines about what is known of a card's real pace: own tests, the maker's figure. */
/** Tests whose numbers cannot be true, and what full takes proved where it falls short. */
function besideTests({ setAside, provenUpTo, outcome }: Of<'own-tests'>): string {
  const aside =
    setAside === 0 ? '' : ` ${setAside === 1 ? 'One test' : `${setAside} tests`} set aside: these numbers do not fit.`;
  const short = provenUpTo !== null && outcome !== 'pass' ? ` Full takes proved it up to ${MBpsText(provenUpTo)}.` : '';
  return `${short}${aside}`.trim();
}

export function testsLine(finding: Of<'own-tests'>): Line {
  const { outcome, passes, dropSeconds, contradicts, untilSeconds } = finding;
  const beside = besideTests(finding);
  const withBeside = (text: string): string | undefined => `${text} ${beside}`.trim() || undefined;
  if (outcome === 'unknown') {
    return finding.setAside > 0 || finding.provenUpTo !== null
      ? { text: 'No test of your own proves this rate here', figure: '', more: withBeside('') }
      : { text: 'No test of your own yet', figure: 'no test yet' };
  }
  if (outcome === 'short')
    return {
      text: 'Your own test dropped frames',
      figure: dropSeconds === null ? '' : `at ${clockText(dropSeconds)}`,
      more: withBeside(contradicts ? 'It stands until a later full take of this very mode.' : ''),
    };
  if (untilSeconds !== null)
    return {
      text: 'Takes of a faster mode prove it for as long as they lasted',
      figure: `to ${clockText(untilSeconds)}`,
      more: withBeside('Beyond that nothing is known: fill a card in this mode.'),
    };
  return {
    text: 'Your full-card tests passed',
    figure: `${passes}×`,
    more: withBeside(contradicts ? 'An older test dropped; the later pass of this mode counts.' : ''),
  };
}

export function makersLine({ outcome, stated, derated }: Of<'makers-figure'>): Line {
  if (stated === null || derated === null) {
    return { text: 'Maker’s sustained figure is not known', figure: '—' };
  }
  const more = `Stated ${MBpsText(stated)}, less ${plain(ASSUMED.makerDerating.value * 100)} %.`;
  return outcome === 'pass'
    ? { text: 'Maker’s sustained figure reaches the need', figure: MBpsText(derated), more }
    : { text: 'Maker’s sustained figure is short', figure: MBpsText(derated), more };
}
