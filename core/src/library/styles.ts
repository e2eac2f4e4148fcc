import type { SaltBasis } from '../salt/dose'
import type { Range } from '../working'
import type { PackingCheck } from './checks'
import type { Chore } from './chores'
import type { Closure } from './vessels'
import type { Level } from '../level'

export const STYLE_IDS = ['mash', 'brined', 'chop', 'bag', 'salt-packed', 'paste', 'infusion', 'cooked'] as const
export type StyleId = (typeof STYLE_IDS)[number]

/** A chore of a style: between two days (0 is the day of packing), again every so many hours; only under these closures, where named; `whenSour` only once it is sour and nothing doubtful was seen. */
export interface StyleChore {
  chore: Chore
  title: string
  why: string
  fromDay: number
  toDay: number
  everyH: number
  level: Extract<Level, 'ask' | 'act'>
  closures?: readonly Closure[]
  whenSour?: boolean
}

/** A way of making a base: usual salt, time, closures, chores, fill, yield, what to check and what to beware of. */
export interface Style {
  id: StyleId
  name: string
  what: string
  /** Bacteria make the acid; without that, time or the pot decides. */
  ferments: boolean
  basis: SaltBasis
  /** Percent on its basis; `null` where salt is to taste or none. */
  saltPct: { low: number; usual: number; high: number } | null
  /** What covers it. */
  liquid: 'brine' | 'vinegar' | 'own juice'
  /** Largest and least filled share of the brim volume. */
  fillLimit: number
  fillLeast: number
  /** The first is the usual one. */
  closures: readonly Closure[]
  days: { low: number; high: number; words: string }
  chores: readonly StyleChore[]
  checks: readonly PackingCheck[]
  /** Share of the bulk that is gaps between the pieces, where they are covered. */
  voidShare: Range | null
  /** Share of what was packed that becomes base, pressed the usual way. */
  yields: Range
  cautions: readonly string[]
  /** Grams of vinegar for a gram of peppers, where the style says so. */
  vinegarPerPepper?: number
}

const DAILY = 20
const burp: StyleChore = {
  chore: 'burp',
  title: 'Burp',
  why: 'A closed lid wants it daily, days 2 to 5 more. Away from your face.',
  fromDay: 0,
  toDay: 14,
  everyH: DAILY,
  level: 'act',
  closures: ['tight lid'],
}
const press: StyleChore = {
  chore: 'press down',
  title: 'Press down',
  why: 'Pieces above the liquid mould.',
  fromDay: 1,
  toDay: 14,
  everyH: DAILY,
  level: 'act',
}
const topUp: StyleChore = {
  chore: 'top up',
  title: 'Top up',
  why: 'Pieces drink brine in the first two days. Same strength as inside.',
  fromDay: 2,
  toDay: 2,
  everyH: 36,
  level: 'act',
}
const stir: StyleChore = {
  chore: 'stir',
  title: 'Stir',
  why: 'Open to the air: stirring drowns what would mould on top.',
  fromDay: 1,
  toDay: 10,
  everyH: DAILY,
  level: 'act',
  closures: ['cloth', 'loose lid'],
}
const airlock: StyleChore = {
  chore: 'airlock water',
  title: 'Check the airlock’s water',
  why: 'A dry airlock lets air in.',
  fromDay: 7,
  toDay: 1200,
  everyH: 24 * 7,
  level: 'ask',
  closures: ['airlock'],
}
const read: StyleChore = {
  chore: 'read',
  title: 'Read pH and temperature',
  why: 'The deadline and the forecast live on it. With a calibrated meter, the sample at its temperature.',
  fromDay: 1,
  toDay: 1200,
  everyH: 24,
  level: 'ask',
}
const taste: StyleChore = {
  chore: 'taste',
  title: 'Taste it',
  why: 'Sour, round, raw onion gone? With a clean spoon.',
  fromDay: 3,
  toDay: 1200,
  everyH: 24 * 4,
  level: 'ask',
  whenSour: true,
}
const squeeze: StyleChore = {
  chore: 'squeeze test',
  title: 'Squeeze a piece',
  why: 'Done when it gives between the fingers and holds.',
  fromDay: 5,
  toDay: 60,
  everyH: 24 * 4,
  level: 'ask',
  whenSour: true,
}
const wipe: StyleChore = {
  chore: 'wipe',
  title: 'Wipe the rim',
  why: 'Mould starts above the liquid, at the rim and under the lid.',
  fromDay: 3,
  toDay: 1200,
  everyH: 24 * 7,
  level: 'ask',
  closures: ['cloth', 'loose lid', 'tight lid'],
}
const cover: StyleChore = {
  chore: 'cover check',
  title: 'Check that it is covered',
  why: 'Soft fruit shrinks under the weight after some days and slips past it.',
  fromDay: 5,
  toDay: 5,
  everyH: 36,
  level: 'ask',
}
const weigh: StyleChore = {
  chore: 'weigh',
  title: 'Weigh it',
  why: 'What is missing has evaporated: the salt stands higher by as much.',
  fromDay: 30,
  toDay: 1200,
  everyH: 24 * 30,
  level: 'ask',
  closures: ['cloth', 'loose lid'],
}
const look: StyleChore = {
  chore: 'vent',
  title: 'Look at the bag',
  why: 'Tight with gas? Vent it away from your face and reseal.',
  fromDay: 1,
  toDay: 35,
  everyH: DAILY,
  level: 'ask',
  closures: ['sealed bag'],
}

const COMMON = ['sound', 'salt', 'vessel', 'lid', 'tray', 'gloves'] as const

/** All ways. Common practice; fill limits after the rise of a ground mash (a quarter to a third); yields and void shares are judgement. */
export const STYLES: readonly Style[] = [
  {
    id: 'mash',
    name: 'Mash',
    what: 'everything ground with salt, no water',
    ferments: true,
    basis: 'ingredients',
    saltPct: { low: 2, usual: 4, high: 7 },
    liquid: 'own juice',
    fillLimit: 0.75,
    fillLeast: 0.4,
    closures: ['airlock', 'tight lid', 'clip', 'cloth', 'loose lid'],
    days: { low: 3, high: 1100, words: '3–7 days, a month, or years' },
    chores: [read, burp, stir, airlock, wipe, taste, weigh],
    checks: COMMON,
    voidShare: null,
    yields: { low: 0.75, typical: 0.85, high: 0.95 },
    cautions: [
      'A ground mash rises by a quarter to a third: stand it in a tray. The most mould-prone style: keep air off it.',
    ],
  },
  {
    id: 'brined',
    name: 'Brined pieces',
    what: 'whole or cut pieces under salt water',
    ferments: true,
    basis: 'brine',
    saltPct: { low: 2.5, usual: 3.5, high: 6 },
    liquid: 'brine',
    fillLimit: 0.9,
    fillLeast: 0.5,
    closures: ['tight lid', 'airlock', 'clip', 'loose lid', 'cloth'],
    days: { low: 5, high: 180, words: '5–14 days, or months' },
    chores: [read, burp, press, topUp, cover, airlock, wipe, squeeze, taste, weigh],
    checks: [...COMMON, 'water'],
    voidShare: { low: 0.3, typical: 0.4, high: 0.5 },
    yields: { low: 0.8, typical: 0.92, high: 1 },
    cautions: [
      'A brine strength is not the final salt: judge by “everything, evened out”. Top up with brine of the same strength, never with water.',
    ],
  },
  {
    id: 'chop',
    name: 'Dry-salted chop',
    what: 'chopped, salted, makes its own juice: salsa, relish',
    ferments: true,
    basis: 'ingredients',
    saltPct: { low: 2, usual: 2.5, high: 3 },
    liquid: 'own juice',
    fillLimit: 0.85,
    fillLeast: 0.5,
    closures: ['loose lid', 'tight lid', 'airlock', 'clip', 'cloth'],
    days: { low: 2, high: 7, words: '2–5 days fine, 5–7 days coarse' },
    chores: [read, burp, press, topUp, cover, wipe, squeeze, taste],
    checks: COMMON,
    voidShare: null,
    yields: { low: 0.9, typical: 0.97, high: 1 },
    cautions: ['Not covered by its own juice next morning: add brine of the same strength.'],
  },
  {
    id: 'bag',
    name: 'Sealed bag',
    what: 'salted pieces, air drawn out, no water',
    ferments: true,
    basis: 'ingredients',
    saltPct: { low: 3, usual: 4, high: 5 },
    liquid: 'own juice',
    fillLimit: 0.5,
    fillLeast: 0.1,
    closures: ['sealed bag'],
    days: { low: 21, high: 35, words: '3–5 weeks' },
    chores: [read, look, squeeze],
    checks: ['sound', 'salt', 'seal', 'tray', 'gloves'],
    voidShare: null,
    yields: { low: 0.88, typical: 0.95, high: 0.99 },
    cautions: ['Leave half of the bag empty, never less than a third: it balloons. Look daily; vent and reseal.'],
  },
  {
    id: 'salt-packed',
    name: 'Salt-packed fruit',
    what: 'slit fruit packed with salt in its own juice',
    ferments: true,
    basis: 'ingredients',
    saltPct: { low: 8, usual: 10, high: 30 },
    liquid: 'own juice',
    fillLimit: 0.9,
    fillLeast: 0.5,
    closures: ['tight lid', 'clip'],
    days: { low: 30, high: 365, words: '30 days' },
    chores: [
      {
        chore: 'turn',
        title: 'Turn the jar',
        why: 'Salt lies at the bottom; turning spreads it and wets the top.',
        fromDay: 1,
        toDay: 7,
        everyH: DAILY,
        level: 'ask',
      },
      {
        chore: 'cover check',
        title: 'Check that it is covered',
        why: 'Not covered by day 5: add juice.',
        fromDay: 5,
        toDay: 60,
        everyH: 24 * 5,
        level: 'ask',
      },
    ],
    checks: ['sound', 'salt', 'vessel', 'lid', 'tray'],
    voidShare: null,
    yields: { low: 0.85, typical: 0.92, high: 0.98 },
    cautions: [
      'pH hardly moves here: cover and time decide. Fruit that stands clear of its juice on day 5 wants more juice.',
    ],
  },
  {
    id: 'paste',
    name: 'Salt-cured seafood paste',
    what: 'ground shellfish with much salt, kept cold: an ingredient',
    ferments: false,
    basis: 'ingredients',
    saltPct: { low: 35, usual: 40, high: 45 },
    liquid: 'own juice',
    fillLimit: 0.9,
    fillLeast: 0.4,
    closures: ['clip', 'tight lid'],
    days: { low: 7, high: 28, words: '1–4 weeks, cold' },
    chores: [
      {
        chore: 'stir',
        title: 'Stir the paste',
        why: 'Evens the salt out; back into the cold at once.',
        fromDay: 1,
        toDay: 28,
        everyH: 70,
        level: 'ask',
      },
    ],
    checks: ['sound', 'salt', 'vessel', 'lid', 'cold', 'gloves'],
    voidShare: null,
    yields: { low: 0.95, typical: 0.98, high: 1 },
    cautions: [
      'Cold from start to end, 4 °C or below; never warm, never tasted raw. Crustaceans and fish are allergens: keep the bench and the spoons apart.',
    ],
  },
  {
    id: 'infusion',
    name: 'Vinegar infusion',
    what: 'pierced peppers under vinegar of 5 % or more; refilled once',
    ferments: false,
    basis: 'ingredients',
    saltPct: null,
    liquid: 'vinegar',
    fillLimit: 0.95,
    fillLeast: 0.6,
    closures: ['tight lid', 'clip'],
    days: { low: 28, high: 42, words: '4–6 weeks, then one refill' },
    chores: [
      {
        chore: 'shake',
        title: 'Shake it',
        why: 'Keeps every pod wet.',
        fromDay: 1,
        toDay: 42,
        everyH: 24 * 6,
        level: 'ask',
      },
    ],
    checks: ['sound', 'pierced', 'vessel', 'lid', 'gloves'],
    voidShare: { low: 0.4, typical: 0.5, high: 0.6 },
    yields: { low: 0.5, typical: 0.65, high: 0.75 },
    cautions: [
      'Not a ferment. Vinegar of 5 % or more, every pod pierced and covered. One refill, not two: the pods water the vinegar down.',
    ],
  },
  {
    id: 'cooked',
    name: 'Cooked sauce',
    what: 'peppers simmered in vinegar, 5 to 8 by weight, 15 minutes, blended, sieved',
    ferments: false,
    basis: 'everything',
    saltPct: { low: 0, usual: 1.5, high: 4 },
    liquid: 'vinegar',
    fillLimit: 0.75,
    fillLeast: 0.2,
    closures: ['loose lid'],
    days: { low: 0, high: 0, words: 'the same day' },
    chores: [],
    checks: ['sound', 'salt', 'pot', 'air', 'gloves'],
    voidShare: null,
    yields: { low: 0.6, typical: 0.72, high: 0.85 },
    vinegarPerPepper: 1.6,
    cautions: ['Simmer 15 minutes with the hood on. Never blend boiling liquid in a sealed jug: let it cool first.'],
  },
]
const BY_ID = new Map(STYLES.map((style) => [style.id, style]))

/** A style by its id; every id of the type is in the table. */
export function styleById(id: StyleId): Style {
  const style = BY_ID.get(id)
  if (!style) throw new Error(`No style ${id}`)
  return style
}
