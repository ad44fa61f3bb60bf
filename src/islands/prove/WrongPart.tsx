import { useMemo, useState } from 'react';
import { plannedTake } from '../../app/heat/plannedTake.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { cardsFor, diagnose, SYMPTOMS } from '../../app/prove/proveViews.ts';
import { symptomKnown } from '../../app/prove/wrong.ts';
import type { Incident } from '../../core/kit/model.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Symptom, Told } from '../../core/prove/symptom.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { findingText } from '../../text/match/finding.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { CAUSE_TEXT, QUESTION_WORDS, SYMPTOM_WORDS, WEIGHT_TONE, WEIGHT_WORDS } from '../../text/prove/symptom.ts';
import { Chips } from '../../ui/Chips.tsx';
import { IncidentForm } from './NoteForms.tsx';
import css from './WrongPart.module.css';

interface WrongPartProps {
  readonly kit: ProveKit;
  readonly policy: Policy;
}

const INCIDENT_OF: Readonly<Record<Symptom, Incident['kind']>> = {
  stopped: 'warning',
  'slow-warning': 'warning',
  'dropped-frames': 'dropped',
  corrupt: 'corruption',
  jittery: 'dropped',
  'fewer-minutes': 'warning',
};

/** From what a person saw to what is behind it: what the kit knows first, then one question at a time. */
export default function WrongPart({ kit, policy }: WrongPartProps) {
  const [symptom, setSymptom] = useState<Symptom | ''>('');
  const [bodyId, setBodyId] = useState('');
  const [modeId, setModeId] = useState('');
  const [cardId, setCardId] = useState('');
  const [told, setTold] = useState<Told>({});
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  const [noting, setNoting] = useState(false);
  const body = kit.bodies.find(({ id }) => id === bodyId) ?? null;
  const mode = body?.modes.find(({ id }) => id === modeId) ?? null;
  const card = kit.cards.find(({ id }) => id === cardId) ?? null;
  const plan = plannedTake(kit.settings);
  const known = useMemo(
    () => symptomKnown(kit, { body, mode, card }, policy, plan),
    [kit, body, mode, card, policy, plan],
  );
  const diagnosis = symptom === '' ? null : diagnose(symptom, known, told, skipped);
  const likely = diagnosis?.suspects.find(({ weight }) => weight === 'likely') ?? null;
  const rateOf = known.findings.find(({ rule }) => rule === 'own-tests' || rule === 'guarantee');
  const answer = (value: boolean | null): void => {
    if (!diagnosis?.ask) return;
    if (value === null) setSkipped(new Set([...skipped, diagnosis.ask]));
    else setTold({ ...told, [diagnosis.ask]: value });
  };
  const anew = (): void => {
    setTold({});
    setSkipped(new Set());
    setNoting(false);
  };
  return (
    <section className={css.wrong} aria-label="What went wrong?">
      <h2>What went wrong?</h2>
      <Chips
        legend="What you saw"
        value={symptom}
        choices={SYMPTOMS.map((value) => ({ value, label: SYMPTOM_WORDS[value] }))}
        onChange={(value) => {
          setSymptom(value as Symptom);
          anew();
        }}
      />
      {symptom !== '' && (
        <>
          <Chips
            legend="In which camera? (pass over what you do not know)"
            value={bodyId}
            choices={kit.bodies.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id) => {
              setBodyId(id);
              setModeId('');
            }}
          />
          {body && (
            <Chips
              legend="In which mode?"
              value={modeId}
              choices={body.modes.map((one) => ({ value: one.id, label: modeTitle(one) }))}
              onChange={setModeId}
            />
          )}
          <Chips
            legend="On which card?"
            value={cardId}
            choices={cardsFor(body ?? undefined, kit.cards, kit.tests).map(({ id, label }) => ({ value: id, label }))}
            onChange={setCardId}
          />
        </>
      )}
      {known.verdict !== null && (
        <p>
          The table says <b>{VERDICT_WORDS[known.verdict]}</b>
          {rateOf ? `. ${findingText(rateOf)}` : '.'}
        </p>
      )}
      {diagnosis?.ask && (
        <fieldset className={css.ask}>
          <legend>{QUESTION_WORDS[diagnosis.ask]}</legend>
          <button type="button" className="ink-button" onClick={() => answer(true)}>
            Yes
          </button>
          <button type="button" className="ink-button" onClick={() => answer(false)}>
            No
          </button>
          <button type="button" className="plain-button" onClick={() => answer(null)}>
            I do not know
          </button>
        </fieldset>
      )}
      {diagnosis && (
        <ol className={css.suspects} aria-label="What may be behind it">
          {diagnosis.suspects.map(({ cause, weight }) => (
            <li key={cause}>
              <b className={`tone-${WEIGHT_TONE[weight]}`}>{WEIGHT_WORDS[weight]}</b>
              <span>
                <b>{CAUSE_TEXT[cause].name}</b>
                {weight !== 'innocent' && <span className={css.attempt}>{CAUSE_TEXT[cause].attempt}</span>}
              </span>
            </li>
          ))}
        </ol>
      )}
      {diagnosis && !noting && (
        <p className={css.foot}>
          <button type="button" className="ink-button" data-strong onClick={() => setNoting(true)}>
            Note it as an incident
          </button>
          {(Object.keys(told).length > 0 || skipped.size > 0) && (
            <button type="button" className="plain-button" onClick={anew}>
              Answer anew
            </button>
          )}
        </p>
      )}
      {diagnosis && symptom !== '' && noting && (
        <IncidentForm
          kit={kit}
          cardId={cardId}
          kind={INCIDENT_OF[symptom]}
          text={[
            SYMPTOM_WORDS[symptom],
            body && `in ${body.name}`,
            mode && modeTitle(mode),
            likely && `likely: ${CAUSE_TEXT[likely.cause].name.toLowerCase()}`,
          ]
            .filter(Boolean)
            .join(', ')}
          onDone={() => setNoting(false)}
        />
      )}
      <p className="soft">Do not write onto a card that holds the only copy. The maker’s manual stands above this.</p>
    </section>
  );
}
