import { customAlphabet } from 'nanoid';

/** Letters and digits that are not mistaken for each other when an id is read out of a file. */
const ALPHABET = '23456789abcdefghijkmnpqrstuvwxyz';

/** An id no other entry has: 80 random bits, from what a browser gives over plain HTTP too. */
export const newId: () => string = customAlphabet(ALPHABET, 16);
