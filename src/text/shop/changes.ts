/** What a change made in the shop is called where it can be taken back. */
export const SHOP_CHANGE = {
  needSaved: 'Need saved',
  needDeleted: 'Need deleted',
  needOut: (isOut: boolean): string => (isOut ? 'Need left out' : 'Need counted again'),
  needsTaken: (plan: string, count: number): string =>
    `${count === 1 ? '1 need' : `${count} needs`} taken from ${plan}`,
  offerSaved: (name: string): string => `Price of ${name} saved`,
  offerDeleted: (name: string): string => `Price of ${name} deleted`,
  offersAdded: (count: number): string => `${count === 1 ? '1 price' : `${count} prices`} added`,
  offersDeleted: (count: number): string => `${count === 1 ? '1 price' : `${count} prices`} deleted`,
  bought: (count: number): string => `${count === 1 ? '1 card' : `${count} cards`} bought, now among your cards`,
  standingSaved: (name: string): string => `${name} saved`,
  standingDeleted: (name: string): string => `${name} deleted`,
} as const;
