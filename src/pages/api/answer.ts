import type { APIRoute } from 'astro';
import Joi from 'joi';
import { MAX_TEXT } from '../../core/cards/tokenize.ts';
import type { AskRefusal } from '../../core/match/ask/ask.ts';
import { askLine } from '../../core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { json, onlyBy, refuse, validate } from '../../server/json.ts';
import { answerView, playbackView } from '../../server/views.ts';
import { askRefusalText, unreadText } from '../../text/match/ask.ts';

const query = Joi.object({ q: Joi.string().min(1).max(MAX_TEXT).required() });

/** Places are `q[start..end]`, end exclusive, counted in UTF-16 units. */
function details(refusal: AskRefusal) {
  if (refusal.code === 'not-understood') {
    return refusal.unread.map((one) => ({ path: `q[${one.start}..${one.end}]`, message: unreadText(one) }));
  }
  if (refusal.code === 'twice') {
    return [{ path: `q[${refusal.again.start}..${refusal.again.end}]`, message: askRefusalText(refusal) }];
  }
  return [{ path: 'q', message: askRefusalText(refusal) }];
}

const refuseAsk = (refusal: AskRefusal): Response =>
  refuse({ status: 400, code: refusal.code, message: askRefusalText(refusal), details: details(refusal) });

export const GET: APIRoute = ({ url }) => {
  const asked = validate<{ q: string }>(Object.fromEntries(url.searchParams), query);
  if (!asked.ok) return refuse(asked.error);
  const found = askLine(asked.value.q, DEFAULT_POLICY);
  if (!found.ok) return refuseAsk(found.error);
  return json(found.value.kind === 'card' ? answerView(found.value.answer) : playbackView(found.value.playback));
};

export const ALL = onlyBy('GET');
