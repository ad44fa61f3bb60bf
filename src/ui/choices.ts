import { CARD_STATES, FINISH_KEYS, INCIDENTS, RATE_SOURCES } from '../core/kit/model.ts';
import { BUS_KEYS, type Bus, bus, busesOf } from '../core/standards/buses.ts';
import { FAMILY_KEYS, family } from '../core/standards/families.ts';
import { FORM_KEYS, type Form, form } from '../core/standards/forms.ts';
import { SOURCE_WORDS } from '../text/bodies/rateLines.ts';
import { INCIDENT_WORDS, STATE_WORDS } from '../text/cards/state.ts';
import { FINISH_WORDS } from '../text/heat/heatWords.ts';

/** Most entries of a list that are drawn at once; a closed list keeps its own in the page, and thousands hold up what opens it. */
const MOST_DRAWN = 60;

/** How a list of one's own things is chosen from: of many, by typing a part of the name. */
export const ofMany = (count: number): { readonly searchable: boolean; readonly limit?: number } =>
  count > MOST_DRAWN ? { searchable: true, limit: MOST_DRAWN } : { searchable: false };

/** The closed lists of the forms, in words. */
export const FORM_CHOICES = FORM_KEYS.map((value) => ({ value, label: form(value).name }));
export const FAMILY_CHOICES = FAMILY_KEYS.map((value) => ({ value, label: family(value).name }));
export const busChoices = (key: Form) =>
  (busesOf(key).length > 0 ? busesOf(key) : BUS_KEYS).map((value: Bus) => ({ value, label: bus(value).name }));

export const ARRANGEMENT_CHOICES = [
  { value: 'single', label: 'Single' },
  { value: 'relay', label: 'Relay: one after the other' },
  { value: 'mirrored', label: 'Mirrored: the same to each' },
  { value: 'split', label: 'Split: a share to each' },
] as const;

/** What the stated rates of a body hold. */
export const HOLDS_CHOICES = [
  { value: 'everything', label: 'All that is written' },
  { value: 'picture', label: 'The picture alone' },
] as const;

/** What a body does with cards of a form that it asks no mark of. */
export const OTHER_FORMS_CHOICES = [
  { value: 'allowed', label: 'Takes any of them' },
  { value: 'refused', label: 'Refuses them too' },
] as const;

export const ROUNDING_CHOICES = [
  { value: 'down', label: 'down' },
  { value: 'nearest', label: 'to the nearest' },
  { value: 'up', label: 'up' },
] as const;

export const CODEC_CHOICES = [
  { value: 'long-gop', label: 'Long-GOP' },
  { value: 'intra', label: 'Intra' },
  { value: 'raw', label: 'Raw' },
] as const;

export const RATE_CHOICES = [
  { value: 'stated', label: 'Stated rate' },
  { value: 'raw', label: 'Raw, bits and ratio' },
  { value: 'frame', label: 'Bytes a frame' },
  { value: 'counter', label: 'The camera’s counter' },
] as const;

export const RATE_AT_CHOICES = [
  { value: 'recorded', label: 'the recorded speed' },
  { value: 'captured', label: 'the captured speed' },
] as const;

export const RATE_IS_CHOICES = [
  { value: 'maximum', label: 'maximum' },
  { value: 'average', label: 'average' },
  { value: 'constant', label: 'constant' },
] as const;

export const WHEN_MISSING_CHOICES = [
  { value: 'refuses', label: 'refuses' },
  { value: 'warns', label: 'warns' },
  { value: 'advises', label: 'advises' },
] as const;

export const STATE_CHOICES = CARD_STATES.map((value) => ({ value, label: STATE_WORDS[value] }));
export const INCIDENT_CHOICES = INCIDENTS.map((value) => ({ value, label: INCIDENT_WORDS[value] }));

export const SOURCE_CHOICES = RATE_SOURCES.map((value) => ({ value, label: SOURCE_WORDS[value] }));

/** Finishes of a body that stands in the sun. */
export const FINISH_CHOICES = FINISH_KEYS.map((value) => ({ value, label: FINISH_WORDS[value] }));
