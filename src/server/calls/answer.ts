import Joi from 'joi';
import { MAX_TEXT } from '../../core/cards/tokenize.ts';
import type { AskRefusal } from '../../core/match/ask/ask.ts';
import { askLine, askWithout } from '../../core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { VERDICTS } from '../../core/match/verdict.ts';
import { err, ok } from '../../core/result.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import { ASSUMED_WORDS } from '../../text/assumed.ts';
import { askRefusalText, unreadText } from '../../text/match/ask.ts';
import { call } from '../call.ts';
import type { Refusal } from '../refusal.ts';
import { list, number, numberOrNull, object, objectOrNull, oneOf, oneOrNull, text } from '../shapes.ts';
import { askedView } from '../views.ts';

/** Places are `q[start..end]`, end exclusive, counted in UTF-16 units. */
function details(refused: AskRefusal): Refusal['details'] {
  if (refused.code === 'not-understood') {
    return refused.unread.map((one) => ({ path: `q[${one.start}..${one.end}]`, message: unreadText(one) }));
  }
  if (refused.code === 'twice') {
    return [{ path: `q[${refused.again.start}..${refused.again.end}]`, message: askRefusalText(refused) }];
  }
  return [{ path: 'q', message: askRefusalText(refused) }];
}

/** The quick check: one line in, one answer out. */
export const answer = call({
  path: '/api/answer',
  method: 'GET',
  summary: 'The quick check: one line of need, card, arrangement and time',
  heavy: false,
  maxBody: 0,
  asked: Joi.object<{ q: string }>({ q: Joi.string().min(1).max(MAX_TEXT).required() }),
  answer: object({
    kind: oneOf(['card', 'choice', 'playback', 'copying', 'rate-was', 'stills']),
    need: objectOrNull({ bitsPerSecond: number, bytesPerSecond: number }),
    card: objectOrNull({
      form: oneOrNull(FORM_KEYS),
      capacityGB: numberOrNull,
      marks: list(text),
      bus: oneOrNull(BUS_KEYS),
      readMBps: numberOrNull,
      writeMBps: numberOrNull,
    }),
    verdict: oneOrNull(VERDICTS),
    minutes: object({ label: numberOrNull, planned: numberOrNull }),
    count: number,
    cardsAtOnce: number,
    smallestMarks: list(text),
    forTime: objectOrNull({ writtenGB: number, sizeSoldGB: numberOrNull, cards: numberOrNull }),
    playsSeconds: numberOrNull,
    seconds: numberOrNull,
    rate: objectOrNull({ Mbps: number, MBps: number, lowMbps: number, highMbps: number }),
    pictures: objectOrNull({ count: number, eachMB: number }),
    alternatives: list(object({ text, verdict: oneOrNull(VERDICTS), minutes: numberOrNull })),
    instead: list(text),
    steps: list(text),
  }),
  answerText: `The answer, at ${ASSUMED_WORDS.headroom} headroom`,
  refusals: {
    400: 'Not understood; `details[].path` is the place, q[start..end]; `without` is what the rest would be answered',
  },
  run({ q }) {
    const found = askLine(q, DEFAULT_POLICY);
    if (found.ok) return ok(askedView(found.value));
    const { error } = found;
    const rest = error.code === 'not-understood' ? askWithout(q, error.unread, DEFAULT_POLICY) : null;
    return err({
      ...{ status: 400, code: error.code, message: askRefusalText(error), details: details(error) },
      without: rest && askedView(rest),
    });
  },
});
