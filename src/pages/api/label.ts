import type { APIRoute } from 'astro';
import Joi from 'joi';
import { readLabel } from '../../core/cards/readLabel.ts';
import { MAX_TEXT } from '../../core/cards/tokenize.ts';
import { json, onlyBy, readBody, refuse } from '../../server/json.ts';
import { labelView } from '../../server/views.ts';

const body = Joi.object({ text: Joi.string().min(1).max(MAX_TEXT).required() });

export const POST: APIRoute = async ({ request }) => {
  const read = await readBody<{ text: string }>(request, body);
  return read.ok ? json(labelView(readLabel(read.value.text))) : refuse(read.error);
};

export const ALL = onlyBy('POST');
