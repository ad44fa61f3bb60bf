import { type ClipboardEvent, useMemo, useState } from 'react';
import { typedLabel } from '../../app/cards/cardDraft.ts';
import { labelReading, MOST_BESIDE, overallOf, severalLabels, toggleMark } from '../../app/cards/labelReading.ts';
import type { LabelProblem } from '../../core/cards/labelProblems.ts';
import type { Card } from '../../core/kit/model.ts';
import { APP_MEANING, labelProblemText, markMeaning, overallText, peakText } from '../../text/cards/label.ts';
import { MBpsFigure } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { part } from '../../ui/part.tsx';
import { Term } from '../../ui/Term.tsx';
import { useArrival } from '../../ui/useArrival.ts';
import { WithTerms } from '../../ui/WithTerms.tsx';
import { CardFace } from './CardFace.tsx';
import css from './LabelReader.module.css';

const CardPicture = part(() => import('../photo/CardPicture.tsx'));

/** What a word that was not understood could have been: one press each. */
const asked = (problem: LabelProblem): readonly string[] => ('couldBe' in problem ? problem.couldBe : []);
const textOf = (problem: LabelProblem): string => ('couldBe' in problem ? problem.text : '');

const SLOT_WORDS = { apart: 'no common bus', doubted: 'in doubt', nothing: 'nothing promised' } as const;

interface LabelReaderProps {
  readonly onMake: (card: Card) => void;
  readonly onClose: () => void;
}

/** Type what is printed, or tap it on a card: what each mark promises, where, what it does not, and what contradicts. */
export function LabelReader({ onMake, onClose }: LabelReaderProps) {
  const [texts, setTexts] = useState<readonly string[]>(['128GB SDXC II U3 V60 270MB/s']);
  const [shown, setShown] = useState(0);
  const [picturing, setPicturing] = useState(false);
  // What the field begins with is an example: a picture is not held against it.
  const [isTyped, setTyped] = useState(false);
  const at = Math.min(shown, texts.length - 1);
  const text = texts[at] ?? '';
  const readings = useMemo(() => texts.map(labelReading), [texts]);
  const reading = readings[at] ?? labelReading('');
  const setText = (next: string): void => {
    setTyped(true);
    setTexts(texts.with(at, next));
  };
  const compare = (): void => {
    setTexts([...texts, '']);
    setShown(texts.length);
  };
  /** A semicolon or “vs” begins the next label; it is the one that is typed on. */
  const type = (next: string): void => {
    const lines = severalLabels(next);
    if (lines.length < 2) {
      setText(next);
      return;
    }
    const all = [...texts.slice(0, at), ...lines, ...texts.slice(at + 1)].slice(0, MOST_BESIDE);
    setTexts(all);
    setShown(Math.min(all.length, at + lines.length) - 1);
  };
  /** Several lines are several labels: what is pasted from a shop stands side by side at once. */
  const paste = (event: ClipboardEvent<HTMLInputElement>): void => {
    const lines = severalLabels(event.clipboardData.getData('text'));
    if (lines.length < 2) return;
    event.preventDefault();
    setTexts(lines);
    setShown(0);
  };
  const { label, problems, doubted, card, form, formName, bus, slots } = reading;
  const arrival = useArrival<HTMLElement>();
  return (
    <section ref={arrival} className={css.reader} aria-label="Label reader">
      <header className={css.head}>
        <h2 className={css.title}>Read a label</h2>
        <button type="button" className="plain-button" onClick={onClose}>
          Close
        </button>
      </header>
      <label className={css.line} htmlFor="label-text">
        What is printed, in any order
      </label>
      <input
        id="label-text"
        className={css.input}
        value={text}
        maxLength={500}
        placeholder="128GB SDXC II U3 V60 270MB/s"
        autoComplete="off"
        autoCapitalize="characters"
        spellCheck={false}
        onPaste={paste}
        onChange={(event) => type(event.currentTarget.value)}
      />
      {texts.length > 1 && (
        <ul className={css.beside} aria-label="Labels side by side">
          {readings.map((one, place) => (
            <li key={place}>
              <button type="button" className={css.one} aria-pressed={place === at} onClick={() => setShown(place)}>
                <b className={css.typed}>{texts[place]?.trim() || 'not typed yet'}</b>
                <span>{one.formName}</span>
                <span className={`${css.overall} tone-${overallOf(one).tone}`}>{overallText(overallOf(one))}</span>
              </button>
              <button
                type="button"
                className="plain-button"
                aria-label={`Take ${texts[place]?.trim() || 'the empty label'} out`}
                onClick={() => setTexts(texts.filter((_, other) => other !== place))}
              >
                Take out
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className={css.ways}>
        <button type="button" className="ink-button" onClick={() => setPicturing(true)}>
          Read it off a picture
        </button>
        {texts.length < MOST_BESIDE && (
          <button type="button" className="plain-button" onClick={compare}>
            Compare with another label
          </button>
        )}
      </div>
      {picturing && (
        <CardPicture
          typed={typedLabel(isTyped ? text : '')}
          onAccept={(read) => {
            setText(read);
            setPicturing(false);
          }}
          onClose={() => setPicturing(false)}
        />
      )}
      <CardFace label={label} form={form} formName={formName} onToggle={(word) => setText(toggleMark(text, word))} />
      {problems.length > 0 && (
        <ul className={css.problems}>
          {problems.map(({ problem, isHarmless }) => (
            <li key={JSON.stringify(problem)} className={isHarmless ? css.harmless : css.problem}>
              <WithTerms text={labelProblemText(problem)} />
              {asked(problem).map((word) => (
                <button
                  key={word}
                  type="button"
                  className="plain-button"
                  onClick={() => setText(text.replace(textOf(problem), word))}
                >
                  {word}
                </button>
              ))}
            </li>
          ))}
        </ul>
      )}
      <h3 className={css.section}>What each mark promises</h3>
      <dl className={css.list}>
        {label.marks.map((key, at) => (
          <div key={`${key} ${label.marks.indexOf(key) === at ? '' : at}`} className={css.row}>
            <dt>
              <Term of={key.toLowerCase()} alone>
                {key}
              </Term>
            </dt>
            <dd>
              <WithTerms text={markMeaning(key)} />
            </dd>
          </div>
        ))}
        {label.apps.map((key) => (
          <div key={key} className={css.row}>
            <dt>
              <Term of={key.toLowerCase()} alone>
                {key}
              </Term>
            </dt>
            <dd>{APP_MEANING}</dd>
          </div>
        ))}
        {bus && (
          <div className={css.row}>
            <dt>
              <Term of="bus" alone>
                Bus
              </Term>
            </dt>
            <dd>
              {bus.from === 'marks'
                ? `${bus.name}, read from its marks: none is named, and they exist on no slower one`
                : `${bus.name}: how fast the contacts are, not how fast the card writes`}
            </dd>
          </div>
        )}
        {peakText(label) && (
          <div className={css.row}>
            <dt>
              <Term of="peak" alone>
                Peak
              </Term>
            </dt>
            <dd>{peakText(label)}</dd>
          </div>
        )}
        {label.marks.length === 0 && label.apps.length === 0 && (
          <div className={css.row}>
            <dt>No mark</dt>
            <dd>nothing printed here promises a write speed</dd>
          </div>
        )}
      </dl>
      <h3 className={css.section}>In each kind of slot</h3>
      {doubted && (
        <p className={css.hint}>
          Nothing on a label that <Term of="contradiction">contradicts itself</Term> counts until you have filled the
          card and read it back.
        </p>
      )}
      <dl className={css.list}>
        {slots.map(({ slotName, promise }) => (
          <div key={slotName} className={css.slot}>
            <dt>
              <WithTerms text={slotName} />
            </dt>
            <dd className={css.floor}>
              {typeof promise === 'string' ? (
                <span className="soft">{SLOT_WORDS[promise]}</span>
              ) : (
                <>
                  <span className="soft">{promise.mark}</span>
                  <b>
                    <Amount {...MBpsFigure(promise.floor)} />
                  </b>
                </>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <div>
        <button type="button" className="ink-button" data-strong disabled={!card} onClick={() => card && onMake(card)}>
          Make a card of this
        </button>
        {!card && <p className={css.hint}>Add its capacity, and its form ({formName} is guessed).</p>}
      </div>
    </section>
  );
}
