import { describe, expect, it } from 'vitest';
import { tokenize } from './tokenize.ts';

/** What a line says, a word a token: kind, value in plain units, and whether it was read loosely. */
const said = (text: string): readonly string[] =>
  tokenize(text).map((token) => {
    switch (token.kind) {
      case 'time':
        return `${token.value} s${token.loose ? ' loose' : ''}${token.clock === null ? '' : ` or ${token.clock} s`}`;
      case 'capacity':
        return `${token.value / 1e9} GB${token.loose ? ' loose' : ''}`;
      case 'rate': {
        const { value, written, loose, printed, side, low } = token;
        const amount = written === 'bits' ? `${value / 125_000} Mb/s` : `${value / 1e6} MB/s`;
        return [amount, loose && 'loose', printed && 'printed', side, low !== undefined && `from ${low / 125_000}`]
          .filter(Boolean)
          .join(' ');
      }
      case 'picture':
        return `${token.width}x${token.height}`;
      case 'picture-name':
        return `named ${token.couldBe.join(' or ')}`.trim();
      case 'picture-size':
        return `${token.value / 1e6} MB each`;
      case 'mark':
        return token.mark;
      case 'arrangement':
        return token.arrangement;
      case 'codec':
        return token.codec;
      case 'say':
        return `say ${token.say}`;
      case 'word':
        return token.word;
      case 'unread':
        return `? ${token.problem.code}`;
      case 'fps':
      case 'count':
      case 'cameras':
      case 'repeat':
      case 'pictures':
      case 'bits':
      case 'ratio':
      case 'times':
        return `${token.kind} ${token.value}`;
      default:
        return token.kind;
    }
  });

describe('what people say', () => {
  it.each<readonly [string, readonly string[]]>([
    ['64g', ['64 GB loose']],
    ['2t', ['2000 GB loose']],
    ['2T', ['2000 GB loose']],
    ['half a terabyte', ['500 GB loose']],
    ['a TB', ['1000 GB loose']],
    ['a terabyte', ['1000 GB loose']],
    ['half an hour', ['1800 s loose']],
    ['half hour', ['1800 s loose']],
    ['a half hour', ['1800 s loose']],
    ['a half-hour', ['1800 s loose']],
    ['half of an hour', ['1800 s loose']],
    ['quarter hour', ['900 s loose']],
    ['a quarter of an hour', ['900 s loose']],
    ['quarters of an hour', ['? unknown', '3600 s loose']],
    ['three quarters of an hour', ['2700 s loose']],
    ['half a hour', ['1800 s loose']],
    ['an hour', ['3600 s loose']],
    ['a minute', ['60 s loose']],
    ['an hour and a half', ['5400 s loose']],
    ['1 and a half hours', ['5400 s loose']],
    ['2 and a half minutes', ['150 s loose']],
    ['2 hours and a half', ['9000 s loose']],
    ['1,5 and a half hours', ['7200 s loose']],
    ['2 128GB', ['count 2', '128 GB']],
    ['2 1.5 TB', ['count 2', '1500 GB']],
    ['3 cards', ['count 3']],
    ['3x cards', ['count 3']],
    ['3 × cards', ['count 3']],
    ['3 such cards', ['count 3']],
    ['4 of these cards', ['count 4']],
    ['4 of them cards', ['count 4']],
    ['2 V60 cards', ['count 2', 'V60', 'card']],
    ['2 x V60 U3 cards', ['count 2', 'V60', 'U3', 'card']],
    ['on one V60', ['on', 'count 1', 'V60']],
    ['on 1 V90 UHS-II card', ['on', 'count 1', 'V90', 'bus', 'card']],
    // The 1 of a print may be the numeral of its bus, with which the mark behind it counts on no such bus.
    ['SDXC 1 V60', ['family', '? no-unit', 'V60']],
    ['256GB 1 V60', ['256 GB', '? no-unit', 'V60']],
    ['1 V60', ['? no-unit', 'V60']],
    ['UHS 1 V30', ['bus', 'V30']],
    // From two on it counts, where nothing is printed before it; from seven on it is a size.
    ['2 V60', ['count 2', 'V60']],
    ['on 4 V30', ['on', 'count 4', 'V30']],
    ['7 V60', ['? no-unit', 'V60']],
    ['UHS-II 2 V90', ['bus', '? no-unit', 'V90']],
    ['256GB 2 V60', ['256 GB', '? no-unit', 'V60']],
    ['an hour and a quarter', ['4500 s loose']],
    ['hour and a quarter', ['4500 s loose']],
    ['an hour and three quarters', ['6300 s loose']],
    ['two hours and a quarter', ['8100 s loose']],
    ['two and a quarter hours', ['8100 s loose']],
    ['3 quarter hours', ['2700 s loose']],
    ['2½ hours', ['9000 s loose']],
    ['2 1/2 hours', ['9000 s loose']],
    ['3/4 hour', ['2700 s loose']],
    ['¼ h', ['900 s loose']],
    ['24 1/2 hours', ['88200 s loose']],
    // A size that lost its unit, and a half.
    ['64 1/2 hours', ['? no-unit', '1800 s loose']],
    ['21/2 hours', ['? no-unit', 'pause', '7200 s']],
    ['1/24 hours', ['? no-unit', 'pause', '86400 s']],
    ['a quarter terabyte', ['250 GB loose']],
    ['¾ TB', ['750 GB loose']],
    ['1/2 TB', ['500 GB loose']],
    ['both 64 GB', ['count 2', '64 GB']],
  ])('%s', (text, expected) => {
    expect(said(text)).toEqual(expected);
  });

  it.each([
    'backup',
    'back up',
    'back-up',
    'simultaneous',
    'simultaneously',
    'redundant',
    'both cards',
    'both  slots',
    'to both',
  ])('%s is a copy on each card', (text) => {
    expect(said(text)).toEqual(['mirrored']);
  });

  it.each([
    'overflow',
    'spanned',
    'spanning',
    'spaning',
    'one after the other',
    'one after another',
    'sequential',
    'sequentially',
  ])('%s is one card after the other', (text) => {
    expect(said(text)).toEqual(['relay']);
  });

  it.each(['dual backup', 'dual slot backup', 'dual-card mirrored', 'dual slots back-up'])(
    '%s is the same to both',
    (text) => {
      expect(said(text)).toEqual(['mirrored']);
    },
  );

  it.each(['dual', 'dual card', 'dual cards', 'dual slot', 'dual slots', 'dual recording'])('%s is asked', (text) => {
    expect(tokenize(text)).toMatchObject([
      { kind: 'unread', problem: { code: 'which', couldBe: ['mirrored', 'relay', 'split'] } },
    ]);
  });

  it.each(['overflows', 'backups2', 'dually', 'bothe', 'halfhour'])('%s is none of it', (text) => {
    expect(said(text)).toEqual(['? unknown']);
  });
});

describe('words of a line', () => {
  it.each<readonly [string, readonly string[]]>([
    ['~ 400 Mb/s', ['say about', '400 Mb/s']],
    ['≈400 Mb/s', ['say about', '400 Mb/s']],
    ['100 → 25p', ['fps 100', 'pause', 'fps 25']],
    ['100p->25', ['fps 100', 'pause', 'fps 25']],
    ['119,88 fps => 25 fps', ['fps 119.88', 'pause', 'fps 25']],
    ['100 fps → 25p', ['fps 100', 'pause', 'fps 25']],
    ['120 p > 24', ['fps 120', 'pause', 'fps 24']],
    ['R300', ['300 MB/s printed read']],
    ['W:260MB/s', ['260 MB/s printed write']],
    ['r 300 mb/s', ['300 MB/s printed read']],
    ['300/260MB/s', ['300 MB/s printed read', 'pause', '260 MB/s printed write']],
    ['300 / 260 MB/s', ['300 MB/s printed read', 'pause', '260 MB/s printed write']],
    ['read up to 300', ['300 MB/s printed read']],
    ['reads: 300 MB/s', ['300 MB/s printed read']],
    ['read 300 and write up to 260 MB/s', ['300 MB/s printed read', 'pause', '260 MB/s printed write']],
    ['170MB/s card', ['170 MB/s printed', 'card']],
    ['300 MB/s V90 II card', ['300 MB/s printed', 'V90', 'bus', 'card']],
    ['300 MB/s', ['300 MB/s']],
    ['50 frames per second', ['fps 50']],
    ['50 pictures a sec', ['fps 50']],
    ['59.94 frames/s', ['fps 59.94']],
    ['2 x 45 min takes', ['5400 s loose']],
    ['3 times 1h', ['10800 s loose']],
    ['4 clips of 30 min each', ['7200 s loose']],
    ['4 interviews at 1h30', ['21600 s loose']],
    ['5 20 min sets', ['6000 s loose']],
    ['60-90 min', ['5400 s loose']],
    ['1 to 2 hours', ['7200 s loose']],
    ['between 1 and 2 h', ['7200 s loose']],
    ['pictures of 25 MB', ['25 MB each']],
    ['300 raw photos', ['pictures 300']],
    ['1200 stills', ['pictures 1200']],
    ['3 cameras', ['cameras 3']],
    ['x2 bodies', ['cameras 2']],
    ['2 400 Mb/s cameras', ['cameras 2', '400 Mb/s', 'say body']],
    ['2 × 400 Mb/s', ['repeat 2', '400 Mb/s']],
    ['2 times 400 Mb/s', ['repeat 2', '400 Mb/s']],
    ['2x 128 GB', ['count 2', '128 GB']],
    ['4K60', ['named 3840x2160 or 4096x2160', 'fps 60']],
    ['UHD25p', ['named 3840x2160 or 4096x2160', 'fps 25']],
    ['1080p24', ['named 1920x1080', 'fps 24']],
    ['8K @ 50', ['named 7680x4320 or 8192x4320', 'at', 'fps 50']],
    ['4K 60 min', ['named 3840x2160 or 4096x2160', '3600 s']],
    ['5.1k', ['named']],
    ['12K', ['named 12288x6480']],
    ['720p', ['named 1280x720']],
    ['3840 × 2160', ['3840x2160']],
    ['10-bit', ['bits 10']],
    ['12bit', ['bits 12']],
    ['1:30:00', ['5400 s']],
    ['0:45', ['2700 s loose or 45 s']],
    ['12m 30s', ['750 s']],
    ['1h30', ['5400 s']],
    ['90 sec', ['90 s']],
    ['1066x', ['times 1066']],
    ['4x', ['count 4']],
    ['V60 x2', ['V60', 'count 2']],
    ['intra', ['intra']],
    ['All-I', ['intra']],
    ['IPB', ['long-gop']],
    ['long gop', ['long-gop']],
    ['mirror', ['mirrored']],
    ['relay', ['relay']],
    ['split', ['split']],
    ['single', ['single']],
    ['captured', ['captured']],
    ['filmed at 100p', ['captured', 'at', 'fps 100']],
    ['recorded', ['recorded']],
    ['recording at 25p', ['recorded', 'at', 'fps 25']],
    ['played back', ['plays']],
    ['25p timeline', ['fps 25', 'plays']],
    ['conformed to 25p', ['plays', 'fps 25']],
    ['slot', ['slot']],
    ['H.265', ['pause']],
    ['10 bit 422', ['bits 10', 'pause']],
  ])('%s', (text, expected) => {
    expect(said(text)).toEqual(expected);
  });
});
