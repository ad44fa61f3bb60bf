import { useState } from 'react';
import { cellTone } from '../../app/match/answers.ts';
import type { KeptThing } from '../../app/match/keepAsked.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import type { Answer } from '../../core/match/ask/answerAsk.ts';
import type { Ask } from '../../core/match/ask/ask.ts';
import type { Instead } from '../../core/match/ask/askLine.ts';
import type { Settings } from '../../kit/kit.ts';
import { doubtText } from '../../text/bodies/doubt.ts';
import { answerText, forTimeText, otherReadingText, readingText, slipText } from '../../text/match/ask.ts';
import { insteadText, volumeText } from '../../text/match/asked.ts';
import { KEEP_WORDS } from '../../text/match/keep.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import {
  capacityText,
  durationText,
  either,
  MBpsFigure,
  minutesFigure,
  minutesText,
  takeText,
} from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { part } from '../../ui/part.tsx';
import { Term } from '../../ui/Term.tsx';
import css from './QuickAnswer.module.css';

// With the first word that was put aside.
const QuickTakeBack = part(() => import('./QuickTakeBack.tsx'));
// With its press; it is on its way from the moment that a press is near.
const loadKeep = () => import('./QuickKeep.tsx');
const QuickKeep = part(loadKeep);

interface QuickAnswerProps {
  readonly text: string;
  readonly answer: Answer;
  /** Marks that would do where this does not. */
  readonly instead: readonly Instead[];
  readonly settings: Settings;
  readonly take: TakeKind;
  readonly onWhy: () => void;
  /** Takes another reading of the line. */
  readonly onReplace: (text: string) => void;
}

/** The answer from arm's length first, its reason beside it, how the line was read under it. */
export function QuickAnswer({ text, answer, instead, settings, take, onWhy, onReplace }: QuickAnswerProps) {
  const { cell } = answer;
  const slip = slipText(answer);
  const time = forTimeText(answer);
  const ways = insteadText(instead, answer);
  return (
    <div className={css.answer}>
      <div className={css.head}>
        {cell && answer.needsMark ? (
          <span className={css.word}>Depends on the mark</span>
        ) : cell ? (
          <span className={`${css.word} tone-${cellTone(cell, take)}`}>
            <VerdictGlyph verdict={cell.verdict} size={23} />
            <Term of={`verdict-${cell.verdict}`} alone>
              {VERDICT_WORDS[cell.verdict]}
            </Term>
          </span>
        ) : (
          <span className={css.word}>{answer.smallestMarks.length > 0 ? either(answer.smallestMarks) : 'No mark'}</span>
        )}
        <Headline answer={answer} />
      </div>
      <div className={css.reason}>
        <p>
          {answerText(answer)} {time} {volumeText(answer)}{' '}
          {cell && answer.sized && (
            <button type="button" className="plain-button" onClick={onWhy}>
              Why
            </button>
          )}
        </p>
        {ways && (
          <p>
            {ways}{' '}
            {instead.map(({ mark, line }) => (
              <span key={mark}>
                <button type="button" className="plain-button" onClick={() => onReplace(line)}>
                  {mark}
                </button>{' '}
              </span>
            ))}
          </p>
        )}
        {slip && <p className="tone-hot">{slip}</p>}
        {answer.doubts.map((doubt) => (
          <p key={doubt.code} className="tone-warm">
            {doubtText(doubt)}
          </p>
        ))}
        {answer.plays !== null && answer.ask.time !== null && (
          <p>
            A take of {takeText(answer.ask.time)} plays {takeText(answer.plays)}.
          </p>
        )}
        {answer.ask.readings.length > 0 && (
          <ul className={css.readings} aria-label="How the line was read">
            {answer.ask.readings.map((reading) => {
              const other = otherReadingText(reading);
              const { change } = reading;
              return (
                <li key={readingText(reading)}>
                  {readingText(reading)}
                  {reading.code === 'passed-over' && <AsideWords words={reading.words} settings={settings} />}
                  {other && change !== undefined && (
                    <button type="button" className="plain-button" onClick={() => onReplace(change)}>
                      {other}
                    </button>
                  )}
                </li>
              );
            })}
          </ul>
        )}
        <Keep key={text} ask={answer.ask} />
      </div>
    </div>
  );
}

/** What was asked about is kept as one's own, so that it need not be told again. */
function Keep({ ask }: { readonly ask: Ask }) {
  const [open, setOpen] = useState<KeptThing | null>(null);
  /** What was just closed: its button has the focus again. */
  const [back, setBack] = useState<KeptThing | null>(null);
  const hasCard = ask.card !== null && ask.card.capacity !== null;
  const close = (thing: KeptThing): void => {
    setBack(thing);
    setOpen(null);
  };
  if (open !== null) return <QuickKeep key={open} thing={open} ask={ask} onClose={() => close(open)} />;
  const button = (thing: KeptThing, name: string) => (
    <button
      type="button"
      className="plain-button"
      // biome-ignore lint/a11y/noAutofocus: it had the focus before its form did
      autoFocus={back === thing}
      onFocus={() => void loadKeep()}
      onPointerEnter={() => void loadKeep()}
      onClick={() => setOpen(thing)}
    >
      {name}
    </button>
  );
  return (
    <p className={css.keep}>
      {button('camera', KEEP_WORDS.camera)}
      {hasCard && button('card', ask.count > 1 ? KEEP_WORDS.cards(ask.count) : KEEP_WORDS.card)}
    </p>
  );
}

/** Of the words that were passed over those that were put aside by hand, each asked again with one press. */
function AsideWords({ words, settings }: { readonly words: readonly string[]; readonly settings: Settings }) {
  const own = words.filter((word) => settings.asideWords?.includes(word.toLowerCase()));
  return own.length > 0 ? <QuickTakeBack words={own} settings={settings} /> : null;
}

/** Minutes with a card; without one, the capacity for the time or what is written. */
function Headline({ answer }: { readonly answer: Answer }) {
  const { ask, minutes, forTime, need, cell, sized, needsMark } = answer;
  // A verdict without a size stands by itself: a figure beside it would be read as minutes.
  // So would one that hangs on a mark nobody named.
  if (cell && (needsMark || !sized) && (needsMark || !forTime)) return null;
  if (cell && (cell.verdict === 'unfit' || minutes === null)) return null;
  if (minutes !== null) {
    return (
      <>
        <span className={css.minutes}>
          <span className={css.figure}>
            <Amount {...minutesFigure(minutes)} />
            <span className={css.kind}>
              {' '}
              planned{forTime?.lasts === false ? '' : ask.count > 1 ? '' : ', on one card'}
            </span>
            {forTime?.lasts === false && ask.time !== null && (
              <span className={`${css.kind} ${css.wanted}`}> of {durationText(ask.time)}</span>
            )}
          </span>
          {answer.byTheBox !== null && (
            <span className={css.kind}>{minutesText(Math.floor(answer.byTheBox))} by the box</span>
          )}
        </span>
        {forTime?.cards && (
          <span className={`${css.figure} ${forTime.lasts ? '' : 'tone-warm'}`}>
            <Amount figure={String(forTime.cards)} unit={forTime.cards === 1 ? 'card' : 'cards'} />
          </span>
        )}
      </>
    );
  }
  if (forTime) {
    const [figure = '', unit = ''] = capacityText(forTime.sizeSold ?? forTime.label).split('\u00a0');
    return (
      <span className={css.figure}>
        <Amount figure={figure} unit={unit} />
      </span>
    );
  }
  return (
    <span className={css.figure}>
      <Amount {...MBpsFigure(need)} />
    </span>
  );
}
