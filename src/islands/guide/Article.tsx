import type { GuideEntry, GuideRow, GuideSection, GuideTable } from '../../text/guide/entry.ts';
import { sourceId, sourceText } from '../../text/guide/guide.ts';
import { cellText } from '../../text/guide/passages.ts';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './Article.module.css';

/** A heading says its own address. */
const Address = ({ id, of }: { readonly id: string; readonly of: string }) => (
  <a className={`${css.address} reached`} href={`#${id}`} aria-label={`Address of ${of}`}>
    #
  </a>
);

/** What stands in the guide, heading by heading. */
export const Contents = ({ sections }: { readonly sections: readonly GuideSection[] }) => (
  <nav className={css.contents} aria-label="Parts of the guide">
    <ol>
      {sections.map(({ id, title }) => (
        <li key={id}>
          <a href={`#${id}`}>{title}</a>
        </li>
      ))}
    </ol>
  </nav>
);

export const SectionHead = ({ section: { id, title, lead } }: { readonly section: GuideSection }) => (
  <>
    <div className={css.titleRow}>
      <h2 id={id} className={css.title}>
        {title}
      </h2>
      <Address id={id} of={title} />
    </div>
    {lead.map((text) => (
      <p key={text} className={css.lead}>
        <WithTerms text={text} />
      </p>
    ))}
  </>
);

export const SectionBody = ({ section: { entries, tables, id } }: { readonly section: GuideSection }) => (
  <>
    {entries.length > 0 && (
      <div className={css.entries} data-ordered={id === 'rules' || undefined}>
        {entries.map((entry, at) => (
          <Entry key={entry.id} entry={entry} number={id === 'rules' ? at + 1 : null} />
        ))}
      </div>
    )}
    {tables.map((table) => (
      <Table key={table.id} table={table} />
    ))}
  </>
);

const Entry = ({
  entry: { id, title, text },
  number,
}: {
  readonly entry: GuideEntry;
  readonly number: number | null;
}) => (
  <div className={css.entry} id={id}>
    <div className={css.entryHead}>
      <h3 className={css.entryTitle}>
        {number !== null && <span className={css.number}>{number} </span>}
        {title}
      </h3>
      <Address id={id} of={title} />
    </div>
    {text.map((line) => (
      <p key={line}>{line}</p>
    ))}
  </div>
);

const Table = ({ table: { id, title, lead, columns, rows } }: { readonly table: GuideTable }) => {
  const sourced = rows.some(({ source }) => source !== null);
  return (
    <div className={css.block}>
      <div className={css.entryHead}>
        <h3 id={id} className={css.entryTitle}>
          {title}
        </h3>
        <Address id={id} of={title} />
      </div>
      <p className="soft">{lead}</p>
      <section
        className={css.scroll}
        aria-label={`Table: ${title}`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls sideways is scrolled by keys too
        tabIndex={0}
      >
        <table className={css.table} aria-labelledby={id}>
          <thead>
            <tr>
              {[...columns, ...(sourced ? ['Source'] : [])].map((column) => (
                <th key={column} scope="col">
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <TableRow key={row.id ?? row.cells.join(' ')} row={row} columns={columns} sourced={sourced} />
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
};

const TableRow = ({
  row: { id, cells, source, verdict },
  columns,
  sourced,
}: {
  readonly row: GuideRow;
  readonly columns: readonly string[];
  readonly sourced: boolean;
}) => {
  const [head = '', ...rest] = cells;
  return (
    <tr id={id ?? undefined}>
      <th scope="row">
        {verdict && (
          <span className={css.glyph}>
            <VerdictGlyph verdict={verdict} size={15} />
          </span>
        )}
        {head.startsWith('rule-') ? <a href={`#${head}`}>{cellText(head)}</a> : head}
      </th>
      {rest.map((cell, at) => (
        <td key={`${at} ${cell}`} data-column={columns[at + 1]}>
          {cell}
        </td>
      ))}
      {sourced && (
        <td className={css.source} data-column="Source">
          {source && <a href={`#${sourceId(source)}`}>{sourceText(source)}</a>}
        </td>
      )}
    </tr>
  );
};
