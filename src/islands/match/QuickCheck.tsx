import { useRef, useState } from 'react';
import type { OwnAnswer } from '../../app/match/ownAnswer.ts';
import type { CellPick } from '../../app/match/subject.ts';
import type { AskRefusal } from '../../core/match/ask/ask.ts';
import type { Asked } from '../../core/match/ask/askLine.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Result } from '../../core/result.ts';
import type { Settings } from '../../kit/kit.ts';
import { part } from '../../ui/part.tsx';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { QuickAnswer } from './QuickAnswer.tsx';
import css from './QuickCheck.module.css';
import { QuickOther } from './QuickOther.tsx';
import { QuickOwn } from './QuickOwn.tsx';
import { QuickProblem } from './QuickProblem.tsx';
import { useAskedBefore } from './useAskedBefore.ts';

// With the first key: the line answers without it.
const QuickCompletions = part(() => import('./QuickCompletions.tsx'));

interface QuickCheckProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly answer: Result<Asked, AskRefusal>;
  readonly policy: Policy;
  readonly settings: Settings;
  readonly onWhy: () => void;
  /** The answer from one's own kit, where the line names things of it. */
  readonly own: OwnAnswer | null;
  readonly onPick: (pick: CellPick) => void;
  /** Own bodies, modes and cards, as they are called: offered while they are typed. */
  readonly names: readonly string[];
}

/** One line in, one answer out; what was not understood is shown in its place. */
export function QuickCheck({ text, onText, answer, policy, settings, onWhy, own, onPick, names }: QuickCheckProps) {
  const input = useRef<HTMLInputElement>(null);
  // Completions are for what is being typed; a line that was opened or pressed is whole.
  const [typed, setTyped] = useState<string | null>(null);
  useShortcuts([{ key: '/', run: () => input.current?.focus() }]);
  const replace = (next: string): void => {
    onText(next);
    input.current?.focus();
  };
  const take = (line: string): void => {
    // What was completed is typed on: its own pieces are offered no more.
    setTyped(line);
    replace(line);
  };
  const asked = useAskedBefore(text, own !== null || answer.ok);
  const canWhy =
    answer.ok && answer.value.kind === 'card' && answer.value.answer.cell !== null && answer.value.answer.sized;
  return (
    <section className={css.check} aria-label="Quick check">
      <div className={css.box}>
        <input
          ref={input}
          id="quick-check"
          className={css.input}
          value={text}
          onChange={(event) => {
            setTyped(event.currentTarget.value);
            onText(event.currentTarget.value);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && own?.code === 'cell') onPick(own.pick);
            else if (event.key === 'Enter' && canWhy) onWhy();
            if (event.key === 'Escape') input.current?.blur();
            const first = document.querySelector<HTMLElement>('#quick-completions button');
            if (event.key === 'ArrowDown' && first) {
              event.preventDefault();
              first.focus();
            }
          }}
          placeholder="600 Mb/s on 256GB V90 II for 2h"
          aria-label="Quick check: a rate, a card and a time in one line"
          aria-describedby="quick-answer"
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          enterKeyHint="go"
        />
        <span className={css.key} aria-hidden="true">
          /
        </span>
        {typed === text && text !== '' && (
          <QuickCompletions text={text} names={names} onTake={take} onLeave={() => input.current?.focus()} />
        )}
      </div>
      <div id="quick-answer" className={css.answer} aria-live="polite">
        {own && own.code !== 'fits' ? (
          <QuickOwn {...{ own, onPick, settings }} onReplace={replace} />
        ) : answer.ok ? (
          answer.value.kind === 'card' ? (
            <QuickAnswer
              text={text}
              answer={answer.value.answer}
              instead={answer.value.instead}
              {...{ settings, onWhy }}
              take={policy.take}
              onReplace={replace}
            />
          ) : (
            <QuickOther
              asked={answer.value}
              fits={own?.code === 'fits' ? own.modes : []}
              take={policy.take}
              onReplace={replace}
            />
          )
        ) : (
          <QuickProblem {...{ text, asked, policy, settings }} refusal={answer.error} onReplace={replace} />
        )}
      </div>
    </section>
  );
}
