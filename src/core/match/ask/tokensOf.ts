import type { Span, Token } from '../../cards/token.ts';

export type Of<K extends Token['kind']> = Extract<Token, { kind: K }>;
export const all = <K extends Token['kind']>(tokens: readonly Token[], kind: K): readonly Of<K>[] =>
  tokens.filter((token): token is Of<K> => token.kind === kind);

export const span = ({ start, end, text }: Span): Span => ({ start, end, text });
