import type { PriceList, PriceProblem, PriceProblemCode } from '../../reading/shop/pricesCsv.ts';
import { plain } from '../quantity.ts';

const PROBLEM_WORDS: Readonly<Record<PriceProblemCode, string>> = {
  'no-price': 'no price with its currency',
  'price-range': 'a price is above 0 and below ten million',
  'no-capacity': 'no capacity',
  'no-form': 'the form of the card is not told',
  'not-understood': 'not understood',
  'no-number': 'no number',
  'no-date': 'no date (2027-05-20 or 20.5.2027)',
  cells: 'more cells than headings: put a price with a comma into quotes',
  'several-prices': 'several prices in one line',
};

/** A line that was left out, and why. */
export const priceProblemText = (problem: PriceProblem): string =>
  problem.code === 'open-number'
    ? `line ${problem.line}: ${problem.text} may be ${plain(problem.couldBe[0])} or ${plain(problem.couldBe[1], 3)}. Write it as ${plain(problem.couldBe[0]).replaceAll(',', '')} or ${problem.couldBe[1].toFixed(2)}; left out`
    : `line ${problem.line}: ${PROBLEM_WORDS[problem.code]} (“${problem.text.slice(0, 60)}”), left out`;

/** What the list comes to. */
export const priceListText = (list: PriceList): string =>
  list.code === 'too-many'
    ? `${list.lines.toLocaleString('en')} lines; ${list.max.toLocaleString('en')} are read at once. Paste fewer. Nothing was added.`
    : `${list.offers.length.toLocaleString('en')} ${list.offers.length === 1 ? 'offer' : 'offers'} read${list.problems.length > 0 ? `, ${list.problems.length.toLocaleString('en')} left out` : ''}.`;
