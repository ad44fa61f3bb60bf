import { asideWord } from '../../app/match/useQuickCheck.ts';
import type { AskUnread } from '../../core/match/ask/ask.ts';
import type { Settings } from '../../kit/kit.ts';
import { unreadText } from '../../text/match/ask.ts';
import { part } from '../../ui/part.tsx';
import css from './QuickProblem.module.css';

// With the first word that is asked about.
const QuickAside = part(() => import('./QuickAside.tsx'));

interface UnreadProps {
  readonly text: string;
  readonly unread: readonly AskUnread[];
  readonly settings: Settings;
  /** What the rest of the line comes to; null where it is no question. */
  readonly without: string | null;
  /** Takes another line; missing where none is near. */
  readonly onReplace?: (text: string) => void;
}

const couldBe = ({ problem }: AskUnread): readonly string[] => (problem.code === 'amount' ? [] : problem.couldBe);

/** The line with what was not understood in its place, what the rest comes to, and what each may mean. */
export function Unread({ text, unread, settings, without, onReplace }: UnreadProps) {
  return (
    <>
      <p className={css.line}>
        <Marked text={text} unread={unread} />
      </p>
      {without !== null && <p className={css.without}>{without}</p>}
      {unread.map((one) => (
        <div key={one.start} className={css.one}>
          <span>{unreadText(one)}</span>
          {onReplace &&
            couldBe(one).map((word) => (
              <button
                key={word}
                type="button"
                className="plain-button"
                onClick={() => onReplace(text.slice(0, one.start) + word + text.slice(one.end))}
              >
                {word}
              </button>
            ))}
          {one.problem.code === 'heat' && (
            <a className="plain-button" href="/heat">
              Heat
            </a>
          )}
          <Aside one={one} settings={settings} />
        </div>
      ))}
    </>
  );
}

/** A word that is none of the grammar may be put aside, once for the whole kit. */
function Aside({ one, settings }: { readonly one: AskUnread; readonly settings: Settings }) {
  const word = asideWord(one);
  return word === null ? null : <QuickAside word={word} settings={settings} />;
}

/** The line with what was not understood underlined in its place. */
function Marked({ text, unread }: { readonly text: string; readonly unread: readonly AskUnread[] }) {
  let at = 0;
  const parts = unread.map(({ start, end }) => {
    const before = text.slice(at, start);
    at = end;
    return (
      <span key={start}>
        {before}
        <mark className={css.unread}>{text.slice(start, end)}</mark>
      </span>
    );
  });
  return (
    <>
      {parts}
      {text.slice(at)}
    </>
  );
}
