import type { GuideEntry } from './entry.ts';

/** How print is read off a picture, and what a person still has to say. */
export const PICTURES: readonly GuideEntry[] = [
  {
    id: 'picture-card',
    title: 'A card read off a picture',
    text: [
      'The picture stays on this device and goes when the dialog is shut. Its print is looked for at any turn, each line is straightened, and all of it is read twice, at two sizes.',
      'Sure is only what both readings say and one says as it stands. Everything else is asked, beside the piece of the picture it was read from; the share beside it is the recogniser’s own opinion, and decides nothing by itself. What no reading found is named, too: a mark may be printed and not be seen.',
      'Nothing of it counts before you have pressed that it is right, and a promise never comes from a doubtful piece without its question.',
    ],
  },
  {
    id: 'picture-misleads',
    title: 'What misleads a picture',
    text: [
      'A zero with a bar or a dot looks like a 6 or an 8: V60 and V90 are asked about most. One stroke more or less makes I of II. A grade in a bowl and a class in a ring are told by where the frame is open, and shine may open or shut one.',
      'Hold the card so that it fills the picture, with light from the side and no flash; turn it until nothing shines. Then compare with the card in your hand: it is right, not the picture.',
    ],
  },
  {
    id: 'picture-table',
    title: 'A table or a counter',
    text: [
      'Of a table of rates, each figure with a 6 or an 8 is asked about, and each that the two readings give otherwise; the rows then go through the same preview as pasted ones. Of a screen you pick which figure is the minutes left. It is then taken like one that was typed, and doubted by the same rules.',
    ],
  },
];
