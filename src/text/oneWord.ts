/** What a thing is called on screen, and the words that are kept for nothing else or are not used there at all. */
interface OneWord {
  readonly word: string;
  /** Words that would mean the same; small letters, each with its plural where it has one. */
  readonly instead: readonly string[];
}

/**
 * One word for one thing. Codes, keys of files and the server's contract have words of their own; what a person reads has
 * these. A structure test holds every sentence of the texts and views against them.
 */
export const ONE_WORD: readonly OneWord[] = [
  { word: 'camera', instead: ['body', 'bodies'] },
  { word: 'table', instead: ['board', 'boards'] },
  { word: 'your cards', instead: ['wallet', 'fleet'] },
  { word: 'tight', instead: ['thin'] },
  { word: 'test passed', instead: ['proven'] },
  { word: 'camera refuses', instead: ['locked out'] },
  { word: 'card change', instead: ['swap', 'swaps'] },
  { word: 'slot', instead: ['seat', 'seats'] },
  { word: 'recorded share', instead: ['rolls'] },
  { word: 'Practice', instead: ['the drill'] },
  { word: 'what to test next', instead: ['worth testing'] },
  { word: 'card with the same label', instead: ['its like', 'same print', 'of one print', 'of this print'] },
];
