import type { OwnAnswer } from '../../app/match/ownAnswer.ts';
import type { Settings } from '../../kit/kit.ts';
import css from './QuickProblem.module.css';
import { Unread } from './Unread.tsx';

interface OwnOpenProps {
  readonly own: Extract<OwnAnswer, { readonly code: 'open' }>;
  readonly text: string;
  readonly settings: Settings;
}

/** A line about one's own things with words in it that may change the answer. */
export function OwnOpen({ own, text, settings }: OwnOpenProps) {
  return (
    <div className={css.problem}>
      <Unread text={text} unread={own.unread} settings={settings} without={own.without} />
    </div>
  );
}
