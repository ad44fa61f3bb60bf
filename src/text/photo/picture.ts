import type { Doubt } from '../../core/photo/findings.ts';
import type { Told } from '../../core/photo/labelWords.ts';

/** What a kind of print is called. */
export const TOLD_WORDS: Readonly<Record<Told, string>> = {
  form: 'Form',
  type: 'Type',
  capacity: 'Capacity',
  family: 'Family',
  bus: 'Bus',
  video: 'Video class',
  grade: 'UHS grade',
  class: 'Speed class',
  express: 'Express class',
  vpg: 'Guarantee',
  app: 'For apps',
  version: 'Version',
  speed: 'Peak',
  times: '× rating',
};

/** Why a piece is asked about. */
export function doubtText(why: Doubt | 'typed', texts: readonly string[]): string {
  const read = texts.map((text) => `“${text}”`).join(' and ');
  switch (why) {
    case 'confused':
      return `Read as ${read}: a sign may be another.`;
    case 'differs':
      return texts.length > 1 ? `Two readings differ: ${read}.` : `Only one of two readings says so: ${read}.`;
    case 'weak':
      return `Hardly legible: ${read}.`;
    case 'several':
      return 'Two different ones were read.';
    case 'numeral':
      return 'One stroke or two?';
    case 'contradicts':
      return 'With this, the label contradicts itself.';
    case 'rare':
      return 'Seldom printed: is a digit missing?';
    case 'typed':
      return 'You typed something else.';
  }
}

/** What was not found and may be printed. */
export const notFoundText = (told: Told): string =>
  told === 'capacity' || told === 'form' ? 'Not found. Add it.' : 'None found. Printed nevertheless?';

type Problem = 'no-picture' | 'heic' | 'too-large' | 'no-memory' | 'no-recogniser' | 'failed';

/** Why a picture was not read, and what to do. */
export function pictureProblemText(problem: Problem): string {
  switch (problem) {
    case 'no-picture':
      return 'This file is no picture that the browser can open, or it is broken. Take a photo as JPEG or PNG, or type what is printed.';
    case 'heic':
      return 'This is a HEIC photo, which this browser cannot open. Set the camera to “most compatible” (JPEG), take a screenshot of the photo, or type what is printed.';
    case 'too-large':
      return 'This file is larger than 80 MB. Make the picture smaller, or cut it to the card.';
    case 'no-memory':
      return 'This device ran out of memory over this picture. Cut it to the card, or take one of fewer pixels. Nothing else was lost.';
    case 'no-recogniser':
      return 'The recogniser did not start: its files could not be loaded, or this browser cannot run them. Try again with a network, or type what is printed.';
    case 'failed':
      return 'This picture could not be read. Try another one, or type what is printed.';
  }
}

export type CameraWhy = 'no-camera' | 'refused' | 'insecure' | 'taken';

/** Why there is no live picture, and what to do. */
export function cameraText(why: CameraWhy): string {
  switch (why) {
    case 'no-camera':
      return 'No camera that the browser can use. Choose a picture instead.';
    case 'refused':
      return 'The camera was refused. Allow it for this page in the browser, or choose a picture.';
    case 'taken':
      return 'Another program has the camera. Close it and try again, or choose a picture.';
    case 'insecure':
      return 'A browser gives its camera only to a secure page (HTTPS). Choose a picture: on a phone that can be one taken now.';
  }
}

/** Size of the recogniser, MB: named before it is loaded. */
export const RECOGNISER_MB = 6;

export const keepText = (keeps: boolean): string =>
  keeps
    ? `To read print off a picture, this app needs its recogniser: ${RECOGNISER_MB} MB, loaded once from where this page came from and kept on this device, so that it works without a network.`
    : `To read print off a picture, this app needs its recogniser: ${RECOGNISER_MB} MB from where this page came from. At this address the browser keeps nothing, so it is loaded each time.`;

export function keepProblemText(problem: 'offline' | 'full' | 'failed'): string {
  switch (problem) {
    case 'offline':
      return 'It could not be loaded: there is no connection. Try again with a network, or type what is printed. Nothing was kept.';
    case 'full':
      return 'There is no room for it on this device. It can be used now without being kept.';
    case 'failed':
      return 'It could not be loaded from this server. Try again later, or type what is printed. Nothing was kept.';
  }
}

/** What a reading of a card came to, in a line. */
export function foundText(sure: number, asked: number, missing: number): string {
  const parts = [
    `${sure} read twice alike`,
    ...(asked > 0 ? [`${asked} to answer`] : []),
    ...(missing > 0 ? [`${missing} not found`] : []),
  ];
  return parts.join(' · ');
}

export const NOTHING_READ =
  'Nothing of a card label was read. Fill the picture with one card, hold it so that no lamp shines off it, and come close: the small print must be sharp. Or type what is printed.';

/** A picture with as much text as no card has. */
export const NO_CARD_SEEN =
  'No card is seen in this picture: it shows a page of text. Fill the picture with one card. Or type what is printed.';

export const NO_ROWS =
  'No rows were read. Take the page or the screen straight on, sharp, without a shine. Or type the figures.';

/** Several cards in one picture. */
export const severalText = (words: readonly string[]): string =>
  `More than one card seems to lie in this picture: ${words.join(' and ')}. One is read at a time.`;

/** Why so many figures are asked about. */
export const barredText =
  'Compare each marked figure with its piece of the picture: a zero with a bar or a dot is easily read as 6 or 8.';

/** A word of a label as it is shown: figures apart from their unit. */
export const shownWord = (word: string): string => word.replace(/^(\d[\d.]*)(GB|TB|MB\/s)$/, '$1\u00a0$2');
