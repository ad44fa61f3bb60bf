import { SOURCES, type SourceKey } from '../../core/standards/sources.ts';
import { ARITHMETIC } from './arithmetic.ts';
import { ASSUMPTION_TABLES } from './assumptions.ts';
import { CAUTIONS } from './cautions.ts';
import { DECIDES } from './decides.ts';
import { DISAGREEMENTS } from './disagree.ts';
import type { GuideSection } from './entry.ts';
import { GLOSSARY } from './glossary.ts';
import { PICTURES } from './pictures.ts';
import { QUESTIONS } from './questions.ts';
import { RULE_ENTRIES } from './rules.ts';
import { STANDARD_TABLES } from './standards.ts';

const section = (id: string, title: string, lead: readonly string[], rest: Partial<GuideSection>): GuideSection => ({
  id,
  title,
  lead,
  entries: [],
  tables: [],
  ...rest,
});

/** The address of a source in the guide. */
export const sourceId = (key: SourceKey): string => `source-${key}`;

const BASIS: Readonly<Record<(typeof SOURCES)[SourceKey]['basis'], string>> = {
  stated: 'stated there',
  derived: 'worked out from it',
  'common-practice': 'common practice, no document',
  assumed: 'assumed by this app',
};

/** Where a row comes from, in a few words. */
export function sourceText(key: SourceKey): string {
  const { publisher, fromMemory, basis } = SOURCES[key];
  if (basis === 'assumed') return 'assumed';
  if (basis === 'common-practice') return 'common practice';
  return fromMemory ? `${publisher}, from memory` : publisher;
}

/** The work in its order [domain.md §1]. */
const ORDER_OF_WORK: GuideSection = section(
  'work',
  'The work, in its order',
  [
    'Name the camera and what its slots take. List the modes you want with their rates, slow motion apart. Bring Mb/s to MB/s. Find what the card guarantees, which is not the big number on it. Check shape, protocol, family and bus. Check what the camera itself asks for or refuses. Compare, with headroom. Work out the minutes, then the capacity and the number of cards. Format in the camera.',
    'Then test it: highest rate first, from cold, until the card is full. Log the result. On the day: changes, copies, two of them verified, and only then is a card free. Afterwards: wear, incidents, retire.',
  ],
  {},
);

/** The whole guide, in the order in which it is read. Every table and rule is the one the core answers by. */
export const GUIDE: readonly GuideSection[] = [
  ORDER_OF_WORK,
  QUESTIONS,
  DECIDES,
  section(
    'rules',
    'The rules, in the order they are asked',
    ['Each asks one thing and leaves one line. Every line of Why leads to its rule here.'],
    { entries: RULE_ENTRIES },
  ),
  ARITHMETIC,
  section(
    'standards',
    'The standards',
    [
      'Values of published standards are written from memory until they were compared with the documents; it says so beside them. Where a maker’s manual says otherwise, the manual stands.',
    ],
    { tables: STANDARD_TABLES },
  ),
  section(
    'assumptions',
    'What is assumed',
    [
      'Where nobody knows better. Each value is shown as assumed wherever it enters an answer, and an entered one takes its place.',
    ],
    { tables: ASSUMPTION_TABLES },
  ),
  section(
    'disagree',
    'Where people disagree',
    ['Both are right, each in a place of its own. The app supports both and says which it shows.'],
    { entries: DISAGREEMENTS },
  ),
  section(
    'pictures',
    'What is read off a picture',
    ['Small print, looked at by the camera. It saves typing; it proves nothing.'],
    { entries: PICTURES },
  ),
  section('cautions', 'Cautions', ['The maker’s manual stands above everything here.'], { entries: CAUTIONS }),
  section('glossary', 'Words', ['What the words of this app mean. Each opens where it is met.'], { entries: GLOSSARY }),
  section('sources', 'Sources', ['What the rows above name.'], {
    tables: [
      {
        id: 'source-list',
        title: 'Documents and practices',
        lead: 'From memory: the value was not yet compared with the document.',
        columns: ['Title', 'Publisher', 'Where in it', 'How'],
        rows: (Object.keys(SOURCES) as readonly SourceKey[]).map((key) => {
          const { title, publisher, locator, basis, fromMemory } = SOURCES[key];
          const how = basis === 'assumed' || basis === 'common-practice' || !fromMemory ? '' : ', from memory';
          return { id: sourceId(key), cells: [title, publisher, locator ?? '', `${BASIS[basis]}${how}`], source: null };
        }),
      },
    ],
  }),
];
