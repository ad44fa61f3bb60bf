import { board } from '../../core/match/board.ts';
import { readStoredKit } from '../../store/read.ts';
import { policyOf } from '../match/policy.ts';
import { boardCsv, cardsCsv, drillCsv, modesCsv, pricesCsv, testsCsv } from './csv.ts';
import { database } from './database.ts';
import { today } from './today.ts';

export type TableKey = 'board' | 'cards' | 'modes' | 'tests' | 'prices' | 'drill';

/** A table of the stored kit as a CSV file. */
export async function tableFile(key: TableKey): Promise<{ readonly name: string; readonly text: string }> {
  const kit = await readStoredKit(database);
  const name = `${key}-${today()}.csv`;
  switch (key) {
    case 'board':
      return { name, text: boardCsv(board(kit, policyOf(kit.settings)), kit.settings.take) };
    case 'cards':
      return { name, text: cardsCsv(kit.cards) };
    case 'modes':
      return { name, text: modesCsv(kit.bodies) };
    case 'tests':
      return { name, text: testsCsv(kit) };
    case 'prices':
      return { name, text: pricesCsv(kit.prices) };
    case 'drill':
      return { name, text: drillCsv(kit.drills) };
  }
}
