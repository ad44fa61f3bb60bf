import { MAX_ASIDE } from '../../kit/ranges.ts';

/**
 * Words that carry nothing for a quick check, each read with the question: could it turn an answer round? Words of amount
 * and comparison (least, more, over, per, each, any, half, only), of denial, of doubt about the card and of speed are not
 * here: they are grammar, or asked about. So are words that may add something to what is written.
 */
const NEUTRAL_WORDS = new Set(
  // People, and what they do.
  (
    "i i'm i've i'll i'd we we're we've we'll we'd you you're you've your yours my mine our ours me us myself he she they " +
    "they're their them his her its it it's somebody someone everybody folks guys team crew client clients boss friend " +
    'producer director operator videographer photographer editor assistant colleague ' +
    // Asking, and being polite.
    "what what's whats which how how's when where where's who who's why whether if is am are was be been being do does did done " +
    'doing have has had having will would can could should shall may might must get gets getting got need needs needed want wants ' +
    'wanted use uses using let lets tell show know see say says said think thinks guess hope wonder wondering ask asks asked asking ' +
    'please thanks thank cheers hi hello hey ok okay so then well now also too still just really even ah oh um hm hmm ' +
    'question answer help advice idea sure yes yeah right great lovely perfect sorry quick quickly ' +
    // Little words.
    "this that that's these those there there's here here's as from it because since while during before after again already " +
    'yet once ' +
    // What a card is asked to do.
    'smallest lasted fill fills filled filling better best work works working hold holds holding last lasts lasting fit fits fitting take takes taking go goes going come comes cope ' +
    'copes manage manages handle handles support supports keep keeps keeping pace do run runs running writes writing ' +
    'wrote record records recording store stores storing save saves saving put puts buy buying bought choose pick suit suits ' +
    'suitable possible able enough fine good safe safely happy okay alright reliable reliably ' +
    'long many much big size sizes capacity storage space room minutes minute hours time ' +
    // What it is about.
    'action rig setup kit gear memory media medium ' +
    'footage video videos film films filming movie movies clip clips file files take scene scenes shot shots shooting shoot ' +
    'shoots recordings picture pictures image stream streams signal codec codecs format bitrate bit-rate data datarate rate ' +
    'rates speed speeds fast class classes mark marks rating label labels frame frames fps resolution sound audio stereo ' +
    'reader readers laptop computer through quality setting settings set mode modes menu maker manual spec specs sheet box ' +
    // When and where, and what is filmed.
    'today tonight tomorrow yesterday morning afternoon evening night day days week weekend weekends monday tuesday wednesday ' +
    'thursday friday saturday sunday january february march april june july august september october november december ' +
    'next week location studio stage church hall venue field home office harbour boat boats sea beach city ' +
    'wedding weddings ceremony ceremonies reception speech speeches vows party birthday concert concerts show shows ' +
    'theatre performance recital band event events conference conferences talk talks lecture lectures interview ' +
    'interviews documentary documentaries doc commercial advert advertising music promo corporate sport sports ' +
    'game games football race races regatta sailing surf surfing skate ski skiing dance school lesson ' +
    'lessons podcast vlog vlogging travel trip holiday holidays wildlife nature bird birds kids family baby dog cat news ' +
    'report reportage broadcast b-roll broll new own same whole main usual usually normal normally ' +
    'actually basically'
  ).split(' '),
);

/** A word without the signs that a sentence puts around it. */
const bare = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll('’', "'")
    .replace(/^['‘*-]+|['’.:*…-]+$/g, '');

/** Letters only: a number, or something like a mark, is asked about and never passed over. */
const PLAIN_WORD = /^\p{L}[\p{L}'-]*$/u;

/** Words that deny, compare or count: putting one aside would answer another question, so none can be. */
const TURNING =
  /^(?:not?|non|none|never|nor|neither|without|except|but|un\w+|\w+n't|instead|minus|less|least|fewer|below|under|over|above|beyond|past|exceed\w*|more|most|half|double|triple|twice|times|per|almost|nearly|barely|hardly|slow\w*)$/i;

/** How a word that is no part of the grammar is taken. `aside`: words that a person put aside before. */
export function wordKind(text: string, aside: ReadonlySet<string>): 'neutral' | 'turning' | 'unknown' {
  const word = bare(text);
  if (TURNING.test(word)) return 'turning';
  if (!PLAIN_WORD.test(word)) return 'unknown';
  return NEUTRAL_WORDS.has(word) || aside.has(word) ? 'neutral' : 'unknown';
}

/** The form in which a word that does not matter is kept; null for one that always does. */
export function asidePiece(text: string): string | null {
  const word = bare(text);
  return PLAIN_WORD.test(word) && !TURNING.test(word) && word.length <= MAX_ASIDE ? word : null;
}

/** Every word of the closed list, for whoever must show that none of them turns an answer. */
export const neutralWords = (): readonly string[] => [...NEUTRAL_WORDS];
