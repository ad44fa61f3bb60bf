import { timePattern } from '../units/spelling.ts';
import type { Saying } from './token.ts';

/** A pattern of what turns a question, and what it says; matched without regard to case. */
export type SayingRow = readonly [pattern: string, say: Saying];

const [HOURS, MINUTES] = (['h', 'min'] as const).map(timePattern);
const OF_A_RATE = String.raw`(?:\s+(?:bit\s?rate|data\s?rate|rate|quality))?`;

/**
 * Words that change what is asked: each is read, or asked about, and never passed over. Longer ones before those they
 * begin with.
 */
export const SAYINGS: readonly SayingRow[] = [
  // What a rate is.
  [
    String.raw`(?:on\s+)?(?:average|avg\.?|averag(?:ed|es|ing)|mean(?=\s+(?:bit|data|rate|\d))|typical(?:ly)?|nominal(?:ly)?|variable|vbr|quality[\s-]?based|constant[\s-]quality)${OF_A_RATE}`,
    'average',
  ],
  [`(?:constant|fixed|cbr)${OF_A_RATE}`, 'constant'],
  [
    String.raw`(?:as\s+)?measured(?:\s+(?:from|on|off|in|of)\s+(?:an?\s+|the\s+|my\s+)?(?:own\s+)?(?:clips?|files?|footage|take))?|from\s+(?:an?\s+|the\s+|my\s+)?(?:own\s+)?(?:clips?|files?)`,
    'measured',
  ],
  // What the card's maker says of its pace.
  [
    String.raw`(?:(?:guaranteed\s+)?min(?:imum)?(?:\s+(?:sustained\s+)?writes?)?(?:\s+speed)?)(?:\s+of)?(?=\s*\d[\d.,]*\s?[mg]b\/?p?s)`,
    'minimum',
  ],
  [
    String.raw`(?:maker|manufacturer|data\s?sheet|spec(?:\s?sheet)?|box)\s+(?:states|says|claims|promises|gives|lists)(?:\s+an?)?(?=\s+min(?:imum)?)`,
    'filler',
  ],
  [
    String.raw`(?:maker|manufacturer|data\s?sheet|spec(?:\s?sheet)?)\s+(?:states|says|claims|promises|gives|lists)(?:\s+an?)?(?:\s+sustained)?(?:\s+writes?)?(?:\s+speed)?(?:\s+of)?`,
    'sustained',
  ],
  [String.raw`sustain(?:ed|s)?(?:\s+writes?)?(?:\s+speed)?(?:\s+of)?|writes?\s+sustained`, 'sustained'],
  [String.raw`(?:guaranteed\s+)?minimum(?:\s+(?:sustained\s+)?writes?)?(?:\s+speed)?|(?<=[mg]b\/s\s)min`, 'minimum'],
  // A limit of the camera or of the slot.
  [
    String.raw`(?:is\s+)?(?:limited|capped|restricted|throttled|held)\s+(?:to|at)|limit(?:s|\s+is|\s+of)?|max(?:es|ed)?\s+out\s+at|tops\s+out\s+at|(?:at\s+most|no(?:t)?\s+more\s+than|not\s+above|never\s+more\s+than)`,
    'limit',
  ],
  // Speeds: `as` tells of the rate which of them it is stated for.
  [String.raw`as\s+captured`, 'as-captured'],
  [String.raw`as\s+recorded`, 'as-recorded'],
  [
    String.raw`(?:in\s+)?(?:slow|slo)[\s-]?mo(?:tion)?|(?:over|under)crank(?:ed|ing)?(?!\s+(?:at|to)\s)|s\s?&\s?q`,
    'slow',
  ],
  // Where a card goes.
  [String.raw`(?:via|through|with|in|using)\s+(?:an?\s+|the\s+)?(?:sd\s+)?adapt[eo]r|(?:sd\s+)?adapt[eo]r`, 'adapter'],
  // Cards and cameras.
  ['each|apiece', 'each'],
  [String.raw`per\s+(?:camera|body|cam)`, 'per-camera'],
  // V60 or better: a mark is a floor anyway. Behind a mark alone, and where nothing says what is higher: a bit rate would be no mark.
  [
    String.raw`(?<=(?:^|[^\w.])(?:vpg|[vuace])\d{1,4}\s*)(?:or|and)\s+(?:better|higher|faster|above|up)(?=\s*(?:$|[,;.?!]|\d|(?:cards?|for|on|in|at|with)(?!\w)))`,
    'filler',
  ],
  [String.raw`or|vs\.?|versus`, 'or'],
  // Other questions.
  [String.raw`(?:how\s+(?:many|much)\s+)?(?:gb|gigs?|gigabytes?|tb)\s*(?:\/|per|an?)\s*(?:${HOURS})`, 'per-hour'],
  [String.raw`(?:how\s+(?:many|much)\s+)?(?:gb|gigs?|gigabytes?)\s*(?:\/|per|an?)\s*(?:${MINUTES})`, 'per-minute'],
  [String.raw`(?:per|an)\s+(?:${HOURS})\s+in\s+(?:gb|gigs?|gigabytes?|tb|terabytes?)`, 'per-hour'],
  // How much it comes to: how many TB, in GB; GB for 45 minutes.
  [String.raw`(?:how\s+many|in)\s+(?:gb|gigs?|gigabytes?|tb|terabytes?)(?!\s*(?:\/|per|an?)(?!\w))`, 'per-hour'],
  [String.raw`(?:gb|gigs|gigabytes|tb|terabytes)(?=\s+(?:for|of|at|in)\s+(?:an?\s+|\d))(?<=^\s*\w+)`, 'per-hour'],
  [
    String.raw`cop(?:y|ies|ied|ying)|off[\s-]?load(?:s|ed|ing)?|dump(?:s|ed|ing)?|transfer(?:s|red|ring)?|download(?:s|ed|ing)?|ingest(?:s|ed|ing)?|unload(?:s|ed|ing)?`,
    'copy',
  ],
  // Beside the amount of a time only: `about two hours`.
  [String.raw`(?:about|around|roughly|approximately|approx\.?|some|circa|ca\.?)`, 'about'],
  [String.raw`at\s+least|no\s+less\s+than`, 'at-least'],
  [String.raw`at\s+once|at\s+a\s+time|at\s+the\s+same\s+time|in\s+parallel`, 'at-once'],
  // The card was, and that tells its rate; beside a rate it is asked about.
  [String.raw`full\s+(?:in|after|within)(?=\s+(?:about\s+|only\s+|just\s+)?\d)`, 'filler'],
  [String.raw`any\s+(?:good|idea|chance)|at\s+all|all\s+right|in\s+total|by\s+the\s+way`, 'filler'],
  ['any|only', 'only'],
  // Between a rate and that of its proxy, and nowhere else.
  [String.raw`(?:\+|plus|and)(?=\s+(?:an?\s+)?\d[\d.,]*\s*[km]b\/?p?s\s+prox(?:y|ies))`, 'filler'],
  ['proxy|proxies', 'proxy'],
  // Where a reader is plugged in, which is no speed. Its second generation is slower than readers are: that is asked about.
  [
    String.raw`(?:(?:over|via|through|with|on|using|by)\s+)?(?:an?\s+|the\s+|my\s+)?usb(?:[\s-]?c|[\s-]?[34](?:\.\d)?)?(?![\s-]?\d|\.\d|-c|\s+(?:gen|ssd|drive|disk|stick|hdd|flash))(?:\s+(?:card\s+)?readers?)?`,
    'port',
  ],
];
