import { useEffect, useState } from 'react';
import { askedBefore, keepAsked } from '../../app/match/askedBefore.ts';

/** A question counts as asked once nothing was typed on for so long, milliseconds. */
const SETTLED = 1500;

/** The last questions, and this one among them once it stands. */
export function useAskedBefore(text: string, isAnswered: boolean): readonly string[] {
  const [asked, setAsked] = useState<readonly string[]>([]);
  const isEmpty = text.trim() === '';
  useEffect(() => {
    if (isEmpty) setAsked(askedBefore());
  }, [isEmpty]);
  useEffect(() => {
    if (!isAnswered) return;
    const timer = setTimeout(() => keepAsked(text), SETTLED);
    return () => clearTimeout(timer);
  }, [text, isAnswered]);
  return asked;
}
