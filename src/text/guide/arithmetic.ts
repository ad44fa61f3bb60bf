import { workedAnswer } from '../../core/guide/worked.ts';
import { fromGigabytes } from '../../core/units/convert.ts';
import { cellSums } from '../bodies/rateLines.ts';
import { cardSummary, modeTitle } from '../match/cell.ts';
import { findingLine } from '../match/finding.ts';
import { minutesKinds } from '../match/minutesKinds.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { capacityText } from '../quantity.ts';
import type { GuideSection } from './entry.ts';
import { ruleId } from './rules.ts';

const worked = workedAnswer();
const { body, mode, card, rate, cell } = worked;

/** One answer from end to end, with the numbers and sentences that the app itself gives. */
export const ARITHMETIC: GuideSection = {
  id: 'arithmetic',
  title: 'The arithmetic, once with numbers',
  lead: [
    `${modeTitle(mode)} in a slot of UHS-II on ${cardSummary(card)}: ${capacityText(fromGigabytes(card.capacityGB))}, once-only take.`,
    `The answer: ${VERDICT_WORDS[cell.verdict]}.`,
  ],
  entries: [],
  tables: [
    {
      id: 'worked-sums',
      title: 'From rate to minutes',
      lead: 'As under “Arithmetic” in Why.',
      columns: ['Working', 'Comes to'],
      rows: [
        ...cellSums(rate, body, card, cell).map(({ working, result, assumed }) => ({
          id: null,
          cells: [assumed ? `${working}, assumed` : working, result],
          source: null,
        })),
        ...minutesKinds(cell, { counter: null, measured: null }, null).map(({ name, figure }) => ({
          id: null,
          cells: [name, figure],
          source: null,
        })),
      ],
    },
    {
      id: 'worked-rules',
      title: 'Rule by rule',
      lead: 'As the ladder in Why has it.',
      columns: ['Rule', 'What it says here', 'Figure'],
      rows: cell.findings.map((finding) => {
        const { text, figure, more } = findingLine(finding);
        return { id: null, cells: [ruleId(finding.rule), more ? `${text}. ${more}` : text, figure], source: null };
      }),
    },
  ],
};
