import { printedBus } from '../../cards/printedBus.ts';
import type { Said, Span, Token } from '../../cards/token.ts';
import type { Bus } from '../../standards/buses.ts';
import type { Family } from '../../standards/families.ts';
import type { Form } from '../../standards/forms.ts';
import { formTold, type Of, says } from './tokensOf.ts';

/** What was said of the slot: where nothing was, it is taken to suit the card. */
export interface SlotSaid {
  readonly form: Form | null;
  readonly bus: Bus | null;
  readonly family: Family | null;
  /** Whether a card reaches it through an adapter that was named. */
  readonly adapter: boolean;
}

/** A line with every word put where it belongs: to the stream, to the card, to the slot or to the body. */
export interface Placed {
  /** Tokens without those of the slot, and without what only said where others belong. */
  readonly tokens: readonly Token[];
  readonly slot: SlotSaid | null;
  /** What was called a limit beside the stream: taken for the body's, whosever it is, since it holds the stream back. */
  readonly ceiling: Of<'rate'> | null;
  readonly sustained: Of<'rate'> | null;
  readonly minimum: Of<'rate'> | null;
  readonly proxy: Of<'rate'> | null;
  /** What kind of figure the stream's rate is. */
  readonly is: 'maximum' | 'average' | 'constant';
  readonly measured: boolean;
  /** Cameras that record alike. */
  readonly cameras: number;
  /** Whether gigabytes an hour or a minute were asked for. */
  readonly volume: boolean;
  /** What belongs to nothing, or to several things. */
  readonly open: readonly (Span & { readonly couldBe: readonly string[] })[];
}

/** What a slot may be told by. */
const OF_A_SLOT: readonly Said['kind'][] = ['form', 'family', 'bus', 'version'];
/** What is a card's alone. */
const OF_A_CARD: readonly Said['kind'][] = ['mark', 'capacity', 'times', 'app'];

const isWord = (token: Token | undefined, word: string): boolean => token?.kind === 'word' && token.word === word;
const isOnly = (token: Token | undefined): boolean => says(token, 'only');
const isOfSlot = (token: Token | undefined): boolean =>
  token !== undefined && (OF_A_SLOT.includes(token.kind) || isOnly(token));
const isOfCard = (token: Token | undefined): boolean => token !== undefined && OF_A_CARD.includes(token.kind);

/** The run of a slot's words that ends before a place. */
function runBefore(tokens: readonly Token[], at: number): readonly Token[] {
  let from = at;
  while (isOfSlot(tokens[from - 1])) from -= 1;
  return tokens.slice(from, at);
}

function runAfter(tokens: readonly Token[], at: number): readonly Token[] {
  let to = at;
  while (isOfSlot(tokens[to])) to += 1;
  return tokens.slice(at, to);
}

const tells = (run: readonly Token[]): boolean => run.some((token) => !isOnly(token));

/** The words of a slot by the place of the word slot, camera, or `in`; or the ones of which it is not clear. */
interface Run {
  readonly run: readonly Token[];
  readonly isClear: boolean;
}

/** `in a CFexpress A slot`, `SDHC slot`, `UHS-I camera`: before the word, where no word of a card touches them. */
function before(tokens: readonly Token[], at: number): Run | null {
  const run = runBefore(tokens, at);
  if (!tells(run)) return null;
  return { run, isClear: !isOfCard(tokens[at - run.length - 1]) };
}

/** `slot is UHS-I`, `camera reads only SDHC`: behind the word and what a slot does, where no word of a card follows. */
function behind(tokens: readonly Token[], at: number): Run | null {
  let from = at + 1;
  while (says(tokens[from], 'takes') || isOnly(tokens[from]) || isWord(tokens[from], 'pause')) from += 1;
  const run = runAfter(tokens, from);
  if (!tells(run)) return null;
  const isVerb = tokens.slice(at + 1, from).some((token) => !isWord(token, 'pause'));
  // A verb and a card's own word behind it speak of the card: camera uses SDXC II V60.
  if (isOfCard(tokens[from + run.length]) || isOfCard(tokens[from - 1])) return null;
  return isVerb || isWord(tokens[at], 'slot') ? { run, isClear: true } : null;
}

/** `in UHS-I`, `in SD`: what stands behind `in` and is no card's. */
function inside(tokens: readonly Token[], at: number): Run | null {
  const run = runAfter(tokens, at + 1);
  if (!tells(run) || isOfCard(tokens[at + 1 + run.length])) return null;
  return { run, isClear: true };
}

function slotRuns(tokens: readonly Token[]): readonly Run[] {
  const found: Run[] = [];
  const taken = new Set<Token>();
  tokens.forEach((token, at) => {
    const isPlace = isWord(token, 'slot') || says(token, 'body');
    const run = isPlace
      ? (before(tokens, at) ?? behind(tokens, at))
      : isWord(token, 'in')
        ? inside(tokens, at)
        : says(token, 'takes') && isOnly(tokens[at + 1])
          ? behind(tokens, at)
          : null;
    if (run === null || run.run.some((one) => taken.has(one))) return;
    for (const one of run.run) taken.add(one);
    found.push(run);
  });
  return found;
}

function slotSaid(run: readonly Token[], card: readonly Token[], adapter: boolean): SlotSaid | null {
  const form = run.find((token) => token.kind === 'form')?.form ?? null;
  const family = run.find((token) => token.kind === 'family') ?? null;
  const bus = run.find((token) => token.kind === 'bus')?.bus ?? null;
  const version = run.find((token) => token.kind === 'version')?.text ?? null;
  const own = form ?? (family ? (family.micro ? 'microsd' : 'sd') : null);
  if (own === null && bus === null && version === null && !adapter) return null;
  const cardForm = card.find((token) => token.kind === 'form')?.form ?? null;
  const of = own ?? cardForm;
  return {
    form: own ?? (adapter ? 'sd' : null),
    bus: bus ?? (version && of ? (printedBus(of, [version])?.bus ?? null) : null),
    family: family?.family ?? null,
    adapter,
  };
}

const isPassable = (token: Token | undefined): boolean =>
  isWord(token, 'at') || says(token, 'takes') || says(token, 'filler') || token?.kind === 'repeat';

/** The rate that stands beside a word: behind it first, else before it. */
function rateBeside(tokens: readonly Token[], at: number): Of<'rate'> | null {
  const skip = (step: 1 | -1): Token | undefined => {
    let place = at + step;
    while (isPassable(tokens[place]) || (step === 1 && isWord(tokens[place], 'pause'))) place += step;
    return tokens[place];
  };
  const sides = [skip(1), skip(-1)];
  const found = sides.find((one) => one?.kind === 'rate');
  return found?.kind === 'rate' ? found : null;
}

const isMicro = (tokens: readonly Token[]): boolean =>
  tokens.some(
    (token) => (token.kind === 'form' && token.form === 'microsd') || (token.kind === 'family' && token.micro),
  );

/**
 * Puts every word where it belongs. What could belong to several things, and what belongs to nothing, is `open`.
 *
 * @param tokens - of a line, without what carries nothing
 */
export function placed(tokens: readonly Token[]): Placed {
  const rates = tokens.filter((token): token is Of<'rate'> => token.kind === 'rate' && !token.printed);
  const open: (Span & { couldBe: readonly string[] })[] = [];
  const ask = ({ start, end, text }: Token, couldBe: readonly string[] = []): void => {
    open.push({ start, end, text, couldBe });
  };
  const left = new Set<Token>();
  const runs = slotRuns(tokens);
  for (const { run, isClear } of runs) {
    if (!isClear && run[0]) ask(run[0], [`${run[0].text}, in a slot`, `in ${run[0].text}`]);
    for (const token of run) left.add(token);
  }
  const run = runs.flatMap((one) => one.run);
  const forms = run.filter((token) => token.kind === 'form' || token.kind === 'family');
  const secondForm = forms.find((token) => formTold(token) !== formTold(forms[0]));
  if (secondForm) ask(secondForm);
  const secondBus = run.filter((token) => token.kind === 'bus')[1];
  if (secondBus) ask(secondBus);
  const card = tokens.filter((token) => !left.has(token));
  const adapter = tokens.find((token) => says(token, 'adapter')) ?? null;
  // Only of microSD is it clear what an adapter does; and in which slot.
  if (adapter && !isMicro(card)) ask(adapter);
  const slot = slotSaid(run, card, adapter !== null && isMicro(card));
  const figure: { [key in 'ceiling' | 'sustained' | 'minimum' | 'proxy']: Of<'rate'> | null } = {
    ceiling: null,
    sustained: null,
    minimum: null,
    proxy: null,
  };
  let is: Placed['is'] = 'maximum';
  let measured = false;
  let volume = false;
  const cameras = tokens.find((token) => token.kind === 'cameras')?.value ?? 1;
  const cards = tokens.some((token) => token.kind === 'count');
  const isArranged = tokens.some((token) => token.kind === 'arrangement');
  const streams = (): number => rates.filter((rate) => !left.has(rate)).length;
  tokens.forEach((token, at) => {
    if (token.kind !== 'say') return;
    const rate = rateBeside(tokens, at);
    switch (token.say) {
      case 'average':
      case 'constant':
        is = is === 'average' ? is : token.say;
        break;
      case 'measured':
        // Bytes beside another rate are a card's, and what was measured of a card says nothing of the stream.
        if (rate === null || rate.printed || (rate.written === 'bytes' && streams() > 1)) ask(token);
        else measured = true;
        break;
      case 'sustained':
      case 'minimum':
        // Bits are a stream's, and so is the only rate there is.
        if (rate?.written === 'bytes' && streams() > 1) {
          figure[token.say] = rate;
          left.add(rate);
        } else if (rate === null || token.say === 'minimum') ask(token);
        break;
      case 'limit':
        if (rate === null) ask(token);
        else if (streams() > 1) {
          figure.ceiling = rate;
          left.add(rate);
        }
        break;
      case 'proxy':
        if (rate === null || streams() < 2) ask(token);
        else {
          figure.proxy = rate;
          left.add(rate);
        }
        break;
      case 'each':
        if (cameras < 2 && !cards && !isArranged) ask(token);
        break;
      case 'per-camera':
        if (cameras < 2) ask(token);
        break;
      case 'only':
        if (!left.has(token) && !says(tokens[at - 1], 'takes') && !says(tokens[at + 1], 'takes')) ask(token);
        break;
      case 'slow':
        if (tokens.filter((one) => one.kind === 'fps').length < 2) ask(token, ['24p captured at 120 fps']);
        break;
      case 'per-hour':
      case 'per-minute':
        volume = true;
        break;
      case 'or':
      case 'copy':
      case 'about':
      case 'at-least':
      case 'at-once':
      case 'port':
        ask(token);
        break;
      case 'adapter':
      case 'as-captured':
      case 'as-recorded':
      case 'body':
      case 'takes':
      case 'filler':
        break;
    }
  });
  const isKept = (token: Token): boolean =>
    !left.has(token) &&
    !(token.kind === 'say' && token.say !== 'as-captured' && token.say !== 'as-recorded') &&
    !(token.kind === 'word' && ['pause', 'card', 'slot'].includes(token.word));
  return { tokens: tokens.filter(isKept), slot, ...figure, is, measured, cameras, volume, open };
}
