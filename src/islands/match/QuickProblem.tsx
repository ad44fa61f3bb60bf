import { useWithout } from '../../app/match/useQuickCheck.ts';
import type { AskRefusal, AskUnread } from '../../core/match/ask/ask.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Settings } from '../../kit/kit.ts';
import { askRefusalText } from '../../text/match/ask.ts';
import { withoutText } from '../../text/match/asked.ts';
import { part } from '../../ui/part.tsx';
import css from './QuickProblem.module.css';
import { Unread } from './Unread.tsx';

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

/** A line that has no answer yet: examples while it is empty, the place and what it could be when it was not read. */
export function QuickProblem({ text, refusal, policy, settings, asked, onReplace }: QuickProblemProps) {
  if (refusal.code === 'empty') {
    return (
      <div className={css.problem}>
        <p className="soft">
          {asked.length > 0
            ? 'Your last questions:'
            : 'Type what your camera writes, which card, and for how long, in any order. For example:'}
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
      <Answered {...{ text, policy, settings, onReplace }} unread={refusal.unread} />
    </div>
  );
}

/** What was not understood, and what the rest of the line comes to. */
function Answered({
  text,
  unread,
  policy,
  settings,
  onReplace,
}: Pick<QuickProblemProps, 'text' | 'policy' | 'settings' | 'onReplace'> & { readonly unread: readonly AskUnread[] }) {
  const rest = useWithout(text, unread, policy, settings);
  const words = unread.map((one) => one.text);
  return <Unread {...{ text, unread, settings, onReplace }} without={rest && withoutText(words, rest)} />;
}
