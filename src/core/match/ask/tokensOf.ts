import type { Saying, Span, Token } from '../../cards/token.ts';
import type { Form } from '../../standards/forms.ts';

/** A token of one kind. */
export type Of<K extends Token['kind']> = Extract<Token, { kind: K }>;
/** All tokens of one kind, in order. */
export const all = <K extends Token['kind']>(tokens: readonly Token[], kind: K): readonly Of<K>[] =>
  tokens.filter((token): token is Of<K> => token.kind === kind);

/** The place of a token without what it says. */
export const span = ({ start, end, text }: Span): Span => ({ start, end, text });

/** Each stretch with what was typed there: several words that are asked about as one have others between them. */
export const asTyped = <T extends Span>(line: string, stretches: readonly T[]): readonly T[] =>
  stretches.map((one) => ({ ...one, text: line.slice(one.start, one.end) }));

/** Whether a token is a certain word that changes what is asked. */
export const says = (token: Token | undefined, say: Saying): boolean => token?.kind === 'say' && token.say === say;

/** The form that a word tells; a family is one of SD or microSD. Null where it tells none. */
export function formTold(token: Token | undefined): Form | null {
  if (token?.kind === 'form') return token.form;
  if (token?.kind !== 'family') return null;
  return token.micro ? 'microsd' : 'sd';
}
