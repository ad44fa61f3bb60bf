import { GUIDE } from './guide.ts';
import { RULE_ENTRIES } from './rules.ts';
import { SAID } from './said.ts';

/** A piece of the guide as the search knows it. */
export interface Passage {
  /** Its address. */
  readonly id: string;
  readonly title: string;
  /** The heading it stands under. */
  readonly section: string;
  readonly text: string;
  /** What people type who look for it by another word. */
  readonly said: string;
}

const ruleTitles = new Map(RULE_ENTRIES.map(({ id, title }) => [id, title]));

/** A cell that names a rule by its address, as it is read. */
export const cellText = (cell: string): string => ruleTitles.get(cell) ?? cell;

/** Everything that can be found, in the order of the guide. Each has an address of its own. */
export const passages = (): readonly Passage[] => places().map((place) => ({ ...place, said: SAID[place.id] ?? '' }));

type Place = Omit<Passage, 'said'>;

const places = (): readonly Place[] =>
  GUIDE.flatMap(({ id, title, lead, entries, tables }): Place[] => [
    { id, title, section: title, text: lead.join(' ') },
    ...entries.map((entry) => ({ id: entry.id, title: entry.title, section: title, text: entry.text.join(' ') })),
    ...tables.flatMap((table): Place[] => [
      {
        id: table.id,
        title: table.title,
        section: title,
        text: [
          table.lead,
          ...table.rows.filter((row) => row.id === null).flatMap(({ cells }) => cells.map(cellText)),
        ].join(' '),
      },
      ...table.rows.flatMap((row): Place[] =>
        row.id === null
          ? []
          : [{ id: row.id, title: row.cells[0] ?? '', section: table.title, text: row.cells.slice(1).join(' ') }],
      ),
    ]),
  ]);
