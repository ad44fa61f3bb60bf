import type { Body } from '../../core/kit/model.ts';
import { withDigest } from '../../kit/digest.ts';
import { kitText } from '../../kit/exportKit.ts';
import { EMPTY_KIT } from '../../kit/kit.ts';
import { readStoredKit } from '../../store/read.ts';
import { database } from './database.ts';
import type { ExportedFile } from './kitFile.ts';
import { today } from './today.ts';

const plainName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w-]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase() || 'body';

/**
 * A body alone as a kit file, to be given to a colleague. Which of one's own cards are approved media stays out: the cards
 * are not in the file.
 */
export function bodyFile(body: Body): ExportedFile {
  const { approved, ...given } = body;
  return {
    name: `${plainName(body.name)}.coolreel.json`,
    text: kitText(withDigest({ ...EMPTY_KIT, bodies: [given] })),
  };
}

/** The wallet as it is stored, alone, as a kit file. */
export async function storedWallet(): Promise<ExportedFile> {
  const { cards } = await readStoredKit(database);
  return { name: `wallet-${today()}.coolreel.json`, text: kitText(withDigest({ ...EMPTY_KIT, cards })) };
}
