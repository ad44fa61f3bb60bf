import { asideWord, useWithout } from '../../app/match/useQuickCheck.ts';
import type { Unread } from '../../core/cards/readLabel.ts';
import type { AskRefusal, AskUnread } from '../../core/match/ask/ask.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Settings } from '../../kit/kit.ts';
import { askRefusalText, unreadText } from '../../text/match/ask.ts';
import { withoutText } from '../../text/match/asked.ts';
import { part } from '../../ui/part.tsx';
import css from './QuickProblem.module.css';

// With the first word that is asked about.
const QuickAside = part(() => import('./QuickAside.tsx'));
// What reads a label comes with the first one that stands alone.
const QuickLabel = part(() => import('./QuickLabel.tsx'));

interface QuickProblemProps {
  readonly text: string;
  readonly refusal: AskRefusal;
  readonly policy: Policy;
  readonly settings: Settings;
  /** The last questions, newest first. */
  readonly asked: readonly string[];
  readonly onReplace: (text: string) => void;
}

const EXAMPLES = [
  '600 Mb/s on 256GB V90 II for 2h',
  '8192x4320 12bit 3:1 50p on 1TB CFexpress B VPG400',
  '240 Mb/s 24p at 120fps mirrored for 90 min',
] as const;

const couldBe = ({ problem }: Unread): readonly string[] => (problem.code === 'amount' ? [] : problem.couldBe);

/** A line that has no answer yet: examples while it is empty, the place and what it could be when it was not read. */
export function QuickProblem({ text, refusal, policy, settings, asked, onReplace }: QuickProblemProps) {
  if (refusal.code === 'empty') {
    return (
      <div className={css.problem}>
        <p className="soft">
          {asked.length > 0 ? 'Asked before:' : 'What the camera writes, onto what, for how long, in any order. Try'}
        </p>
        <p className={css.offers}>
          {(asked.length > 0 ? asked : EXAMPLES).map((example) => (
            <button key={example} type="button" className="plain-button" onClick={() => onReplace(example)}>
              {example}
            </button>
          ))}
        </p>
      </div>
    );
  }
  if (refusal.code === 'no-rate' && refusal.card && refusal.asStream !== undefined)
    return <QuickLabel text={text} asStream={refusal.asStream} onReplace={onReplace} />;
  if (refusal.code !== 'not-understood') return <p className={css.problem}>{askRefusalText(refusal)}</p>;
  return (
    <div className={css.problem}>
      <p className={css.line}>
        <Marked text={text} unread={refusal.unread} />
      </p>
      <Without {...{ text, policy, settings }} unread={refusal.unread} />
      {refusal.unread.map((one) => (
        <div key={one.start} className={css.one}>
          <span>{unreadText(one)}</span>
          {couldBe(one).map((word) => (
            <button
              key={word}
              type="button"
              className="plain-button"
              onClick={() => onReplace(text.slice(0, one.start) + word + text.slice(one.end))}
            >
              {word}
            </button>
          ))}
          <Aside one={one} settings={settings} />
        </div>
      ))}
    </div>
  );
}

/** What the rest of the line comes to, as what it is: an answer to another question. */
function Without({
  text,
  unread,
  policy,
  settings,
}: Pick<QuickProblemProps, 'text' | 'policy' | 'settings'> & { readonly unread: readonly AskUnread[] }) {
  const rest = useWithout(text, unread, policy, settings);
  if (rest === null) return null;
  return (
    <p className={css.without}>
      {withoutText(
        unread.map((one) => one.text),
        rest,
      )}
    </p>
  );
}

/** A word that is none of a grammar may be put aside, once for the whole kit. */
function Aside({ one, settings }: { readonly one: AskUnread; readonly settings: Settings }) {
  const word = asideWord(one);
  return word === null ? null : <QuickAside word={word} settings={settings} />;
}

/** The line with what was not understood underlined in its place. */
function Marked({ text, unread }: { readonly text: string; readonly unread: readonly Unread[] }) {
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
