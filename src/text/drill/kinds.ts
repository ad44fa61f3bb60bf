import type { DrillKind } from '../../core/drill/topics.ts';

/** What a kind of question is called, and what it is about. */
export const KIND_WORDS: Readonly<Record<DrillKind, { readonly title: string; readonly about: string }>> = {
  bits: { title: 'Bits and bytes', about: 'Mb/s and MB/s, gigabytes a minute, what a computer shows' },
  label: { title: 'Label in a slot', about: 'what a card promises where it sits' },
  contradict: { title: 'Contradictions', about: 'which label cannot be true' },
  cheapest: { title: 'Cheapest that holds', about: 'a rate, a slot, four cards with prices' },
  minutes: { title: 'Minutes in your head', about: 'within ten per cent' },
  'slow-motion': { title: 'Slow motion', about: 'what it writes and how long it plays' },
  counter: { title: 'Read a counter', about: 'which rate is set, which reading measures nothing' },
  stopped: { title: 'Why did it stop', about: 'cache, heat, bus or bytes, from a simulated take' },
  afternoon: { title: 'An afternoon’s cards', about: 'how many, with both slots and what is really recorded' },
  own: { title: 'Your own kit', about: 'which of your cards holds this mode' },
};
