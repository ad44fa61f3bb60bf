import type { Question, Symptom, SymptomCause, Weight } from '../../core/prove/symptom.ts';

export const SYMPTOM_WORDS: Readonly<Record<Symptom, string>> = {
  stopped: 'It stopped by itself',
  'slow-warning': 'It warned of slow writing',
  'dropped-frames': 'Frames were dropped',
  corrupt: 'A file is corrupt',
  jittery: 'The picture jitters',
  'fewer-minutes': 'Fewer minutes than planned',
};

export const QUESTION_WORDS: Readonly<Record<Question, string>> = {
  'was-full': 'Was the card full?',
  'heat-warning': 'Did the camera warn of heat, or was it hot?',
  'after-pause': 'Does it record again after a pause of a minute?',
  'formatted-here': 'Was the card last formatted in this very camera?',
  'file-limit': 'Did it end at a file of about 4 GB (4.29)?',
  pulled: 'Was the card pulled, or the power gone, before the lamp was dark?',
  'only-computer': 'Is it seen on the computer alone, not in the camera?',
  'other-body': 'Does the same card fail in another camera?',
  'other-card': 'Does another card work in this camera and mode?',
  'locked-switch': 'Does the camera say the card is locked?',
};

export const WEIGHT_WORDS: Readonly<Record<Weight, string>> = {
  likely: 'likely',
  possible: 'open',
  innocent: 'ruled out',
};

export const WEIGHT_TONE: Readonly<Record<Weight, string>> = { likely: 'hot', possible: 'warm', innocent: 'cool' };

/** What a cause is, and what to try. */
export const CAUSE_TEXT: Readonly<Record<SymptomCause, { readonly name: string; readonly attempt: string }>> = {
  rate: {
    name: 'The rate is more than the card is known to hold',
    attempt: 'Take a mode with a lower rate or a card with a higher mark, and fill it once in a test.',
  },
  'card-cache': {
    name: 'The fast part of the card was full',
    attempt:
      'Take it from cold at another rate: if it ends at the same bytes, it is the cache. Shorter takes with rests help.',
  },
  heat: {
    name: 'Heat: card or camera slowed or shut down',
    attempt: 'Shade, moving air, shorter takes with rests. Let it cool before you touch the card. See Heat.',
  },
  full: { name: 'The card was full', attempt: 'Change earlier, or take a larger card: see planned minutes.' },
  locked: {
    name: 'The lock switch, or the camera refuses the card',
    attempt:
      'Slide the switch away from lock and look whether it is loose. The manual names the marks the camera asks for.',
  },
  'file-system': {
    name: 'The file system ends files at 4 GiB less a byte',
    attempt: 'Cards over 32 GB want the file system of their family: copy twice, verify, format in the camera.',
  },
  format: {
    name: 'Formatted elsewhere, or not for long',
    attempt: 'Copy twice, verify both, then format in this camera and not in a computer.',
  },
  firmware: {
    name: 'Firmware of the camera',
    attempt:
      'See whether the maker names the fault, note the firmware with the test, and make the test again after a change.',
  },
  counterfeit: {
    name: 'The card is not what its label says',
    attempt: 'Fill it and read it back before you trust it: room that wraps around is false. Buy from known sellers.',
  },
  'card-worn': {
    name: 'The card fails',
    attempt: 'Copy what can be read, twice. Take it out of use until it was filled and read back without a fault.',
  },
  pulled: {
    name: 'It was not finished when the card or the power went',
    attempt: 'Put the card back into the same camera first: many mend their own file. Write nothing else onto it.',
  },
  playback: {
    name: 'The recording is fine and the playback is not',
    attempt: 'Look at it in the camera. Copy it to a fast disk, or play a smaller copy.',
  },
  shutter: {
    name: 'Shutter, frame rate or panning, not the card',
    attempt: 'Look at shutter time and speed of the pan; a slow card drops whole frames, it does not smear.',
  },
  'variable-rate': {
    name: 'The rate follows the picture',
    attempt: 'Plan with the peak. Fill a card with a busy picture once and note the minutes.',
  },
  counter: {
    name: 'The counter is careful, or shows one value for several modes',
    attempt: 'Note three readings under Cameras: they are decoded there.',
  },
  'other-mode': {
    name: 'Another mode or compression than believed',
    attempt: 'Look at what the camera was set to. Bytes ÷ seconds of a clip tell the rate: log them.',
  },
  contacts: {
    name: 'Contacts of card or slot',
    attempt: 'Look at the contacts, take the other slot. Do not clean them with anything the maker does not name.',
  },
};
