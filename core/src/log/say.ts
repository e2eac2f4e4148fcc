import { formatMass, type UnitWorld } from '../units/quantity'
import type { Row } from './contents'
import { TASTES, type Taste } from './observed'

/* Words that several kinds of entry share. */

/** A taste as words: "sour 3, raw onion 1". */
export const tasteWords = (taste: Partial<Record<Taste, number>>): string =>
  TASTES.flatMap((name) => (taste[name] === undefined ? [] : [`${name} ${taste[name]}`])).join(', ')

/** What went in: "1 346 g cayenne, 54 g salt". */
export const contentWords = (
  { rows, waterG, saltG }: { rows: readonly Row[]; waterG: number; saltG: number },
  world: UnitWorld,
): string =>
  [
    ...rows.map((row) => `${formatMass(row.massG, world)} ${row.name.toLowerCase()}`),
    ...(waterG > 0 ? [`${formatMass(waterG, world)} water`] : []),
    ...(saltG > 0 ? [`${formatMass(saltG, world)} salt`] : []),
  ].join(', ')

/** "1 bottle", "12 bottles". */
export const bottlesWords = (count: number): string => `${count} ${count === 1 ? 'bottle' : 'bottles'}`
