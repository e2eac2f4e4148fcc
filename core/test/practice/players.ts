import {
  boilingPointC,
  EXERCISES,
  FILL_LEAST_C,
  filledBottleC,
  forecastBlend,
  mayRelease,
  partComposition,
  recallOf,
  releaseChecks,
  saltDose,
  scoreOf,
  phOf,
  trulyKnown,
  type Exercise,
  type Lot,
  type Score,
} from '../../src'
import { caseOf, KEPT_COLD } from '../log/build'
import { ByChance, ByThumb, ByTheBook } from './keepers'
import { Play } from './play'

/* Three makers at every exercise: who follows the application, who goes by rules of thumb, who does anything. */

export const PLAYERS = ['by the book', 'by thumb', 'by chance'] as const
export type Player = (typeof PLAYERS)[number]

/** What went into the jar of an exercise that begins with an empty log, and what its card says. */
const CARDS: Record<string, { style: string; rows: [string, string, number][]; waterG: number; saysPctOf: number }> = {
  'first-jar': { style: 'mash', rows: [['cayenne', 'Cayenne', 2000]], waterG: 0, saysPctOf: 2000 },
  'two-percent': { style: 'brined', rows: [['cubanelle', 'Cubanelle', 900]], waterG: 900, saysPctOf: 900 },
}
/** Salt of everything that the application proposes for what it thinks weak, percent. */
const PROPOSED_PCT = 2.6

/** Plans and packs what the exercise gives. */
function pack(play: Play, player: Player, draw: number) {
  const card = CARDS[play.exercise.id]!
  const { style, rows, waterG } = card
  const produceG = rows.reduce((sum, [, , massG]) => sum + massG, 0)
  const salting = { ingredientG: produceG, waterG }
  const asked = style === 'mash' ? saltDose('ingredients', 4, salting) : saltDose('everything', PROPOSED_PCT, salting)
  const byThumb = (style === 'mash' ? 0.03 : 0.02) * card.saysPctOf
  const saltG = Math.round(
    player === 'by the book' ? asked.saltG : player === 'by thumb' ? byThumb : 0.08 * draw * produceG,
  )
  const lotId = play.newLot()
  play.write({
    ...{ kind: 'plan', lotId, code: 'N-1', name: 'New jar', color: '#c22a1b', style, waterG, saltG },
    ...{ saltPct: Math.round((1000 * saltG) / (produceG + waterG)) / 10, saltId: 'fine-sea', targetPh: 3.8 },
    saltBasis: waterG ? 'everything' : 'ingredients',
    rows: rows.map(([materialId, name, massG]) => ({ materialId, name, massG, preparation: 'raw', seedsOut: false })),
  })
  const vessels = [{ vesselId: 'jar-3000', mark: '', massG: produceG + waterG + saltG, hot: false }]
  play.write({ kind: 'pack', lotId, place: 'Bench', closure: 'airlock', vessels, ...(waterG && { weight: 'weight' }) })
  play.write({ kind: 'reading', lotId, tempC: 21 })
}

type Part = { lotId?: string; materialId?: string; name: string; massG: number }
/** What parts come to, as the bench shows it. */
function forecastOf(play: Play, parts: readonly Part[]) {
  const { book } = play
  return forecastBlend(parts.flatMap((part) => partComposition(book, part) ?? []))
}

/** Pours a pot. Returns its lot. */
function pour(play: Play, code: string, parts: readonly Part[], cooked = false): string {
  const lotId = play.newLot()
  const { ph } = forecastOf(play, parts)
  play.write({
    ...{ kind: 'blend', lotId, code, name: `Sauce ${code}`, color: '#c22a1b', cooked, parts },
    ...(ph && { predictedPh: ph }),
  })
  return lotId
}

/** Amounts by the bench: as little vinegar as keeps the band under a pH, salt down to what is wanted. */
function byTheBench(play: Play, base: Part, fruit: Part | null, mostPh: number, mostSaltPct: number): Part[] {
  const vinegar = (massG: number): Part => ({ materialId: 'white-vinegar', name: 'White vinegar', massG })
  const water = (massG: number): Part => ({ materialId: 'water', name: 'Water', massG })
  const step = Math.ceil(base.massG / 20)
  for (let vinegarG = 0; vinegarG <= 1.5 * base.massG; vinegarG += step)
    for (let waterG = 0; waterG <= 1.5 * base.massG; waterG += 2 * step) {
      const parts = [base, ...(fruit ? [fruit] : []), vinegar(vinegarG), water(waterG)].filter(({ massG }) => massG > 0)
      const { ph, saltPct } = forecastOf(play, parts)
      if (ph && ph.high <= mostPh && saltPct <= mostSaltPct) return parts
    }
  return [base]
}

const truePhOf = (play: Play, lotId: string) => phOf(trulyKnown(play.world).book, lotId)?.ph ?? 7

/** Read a day later, and more vinegar for as long as the release limit is not kept. */
function readUntilItHolds(play: Play, pot: string) {
  for (let turn = 0; turn < 4; turn++) {
    play.wait(1.05)
    play.readPot(pot, truePhOf(play, pot))
    const ph = releaseChecks(caseOf(play.book, pot, { ...KEPT_COLD, relief: 'vented' })).find(({ id }) => id === 'ph')
    if (ph?.verdict === 'pass') return
    const massG = Math.round(0.06 * play.book.lots.get(pot)!.leftG)
    const row = { materialId: 'white-vinegar', name: 'White vinegar', massG, preparation: 'raw', seedsOut: false }
    play.write({ kind: 'add', lotId: pot, rows: [row], waterG: 0, saltG: 0, reason: 'More acid.' })
  }
}

/** Fills so many bottles of a pot, in some way. Returns their lot. */
function fill(play: Play, pot: string, count: number, way: object): string {
  const lotId = play.newLot()
  const { code, name, color } = play.book.lots.get(pot)!
  play.write({
    ...{ kind: 'bottle', lotId, code: `${code}-A`, name, color, fromLotId: pot, bottleMl: 150 },
    ...{ count, usedG: count * 158, ...way },
  })
  return lotId
}

/** Fills a pot, labels it, and lets it go where every check allows it. */
function bottleByTheBook(play: Play, pot: string, count: number) {
  const way = { treatment: 'live-cold', store: 'cold', place: 'Fridge', closing: 'vented' } as const
  const lotId = fill(play, pot, count, { ...way, bestBefore: '2026-12-01' })
  release(play, pot, lotId, { ...KEPT_COLD, relief: 'vented' })
}
function release(play: Play, pot: string, lotId: string, choice: typeof KEPT_COLD) {
  const checks = releaseChecks({
    ...caseOf(play.book, pot, choice, { bottledId: lotId }),
    label: { current: true, evidence: { atMs: play.nowMs, by: 'Bench', what: 'printed' } },
  })
  const released = mayRelease(checks)
  const decision = released ? 'released' : 'held'
  play.write({ kind: 'release', lotId, decision, limitPh: choice.limitPh, reason: 'As the checks say.' })
  if (released) play.write({ kind: 'send', lotId, count: 4, to: 'Quay market', how: 'sold' })
}
function bottleByThumb(play: Play, pot: string, count: number, hot: boolean) {
  const treatment = hot ? 'cooked-hot-fill' : 'live-cold'
  const lotId = fill(play, pot, count, { treatment, store: 'shelf', closing: 'tight', bestBefore: '2027-06-01' })
  play.write({ kind: 'send', lotId, count: 4, to: 'Quay market', how: 'sold', unreleased: true })
}

const baseOf = (play: Play): Lot => [...play.book.lots.values()].find(({ kind }) => kind === 'base')!

/** The pots of an exercise: one, or the four fruit sauces. */
function blend(play: Play, player: Player, draw: number) {
  const base = baseOf(play)
  const four = play.exercise.id === 'four-sauces'
  const fruits: (readonly [string, string] | null)[] = four
    ? [null, ['plum', 'Plum'], ['pear', 'Pear'], ['carrot', 'Carrot']]
    : [null]
  for (const [index, fruit] of fruits.entries()) {
    const massG = Math.round((base.leftG * (four ? 0.97 : 1)) / fruits.length)
    const part: Part = { lotId: base.id, name: base.name, massG: Math.floor(massG) }
    const with_ = fruit && { materialId: fruit[0], name: fruit[1], massG: Math.round(0.35 * massG) }
    if (player === 'by the book') {
      const pot = pour(play, `S-${index}`, byTheBench(play, part, with_, 3.85, 3))
      readUntilItHolds(play, pot)
      bottleByTheBook(play, pot, 6)
    } else {
      const splash = player === 'by thumb' ? 0.05 : 0.2 * draw
      const thin = player === 'by thumb' ? 0.2 : draw
      const parts = [part, ...(with_ ? [with_] : [])]
      const more = [
        { materialId: 'white-vinegar', name: 'White vinegar', massG: Math.round(splash * massG) },
        { materialId: 'water', name: 'Water', massG: Math.round(thin * massG) },
      ].filter((one) => one.massG > 0)
      bottleByThumb(play, pour(play, `S-${index}`, [...parts, ...more]), 6, false)
    }
  }
}

const potOf = (play: Play): Lot => [...play.book.lots.values()].find(({ kind }) => kind === 'blend')!

/** Hot, and measured in the last bottle; warmed glass where it was too cold. */
function fillHot(play: Play, pot: string) {
  const fillC = Math.min(96, boilingPointC(0) - 4)
  play.write({
    ...{ kind: 'heat', lotId: pot, where: 'pot', name: 'Cook' },
    points: [0, 2, 4, 6, 8, 10].map((minute) => [minute, fillC]),
  })
  readUntilItHolds(play, pot)
  const glass = [play.exercise.glassC, 75]
  const lastC = glass.map((glassC) => filledBottleC({ fillC, glassC, sauceG: 150, glassG: 150 }))
  const lastBottleC = Math.round(10 * (lastC.find((tempC) => tempC >= FILL_LEAST_C) ?? lastC[0]!)) / 10
  const way = { treatment: 'cooked-hot-fill', store: 'shelf', place: 'Shelf', closing: 'tight' } as const
  const lotId = fill(play, pot, 10, { ...way, turnedMin: 2, bestBefore: '2027-06-01' })
  play.write({ kind: 'heat', lotId: pot, where: 'last bottle', name: 'Thermometer', points: [[0, lastBottleC]] })
  const choice = { ...KEPT_COLD, treatment: 'cooked-hot-fill', store: 'shelf', turnedMin: 2, relief: 'none' } as const
  release(play, pot, lotId, choice)
}

function bottle(play: Play, player: Player, draw: number) {
  const pot = potOf(play).id
  const hot = play.exercise.id === 'cold-glass'
  if (player === 'by thumb' || (player === 'by chance' && draw < 0.5)) return bottleByThumb(play, pot, 10, hot)
  if (player === 'by chance') return play.discard(pot, 'Enough of it.')
  if (hot) return fillHot(play, pot)
  readUntilItHolds(play, pot)
  return bottleByTheBook(play, pot, 10)
}

function recall(play: Play, player: Player, draw: number) {
  const lots = [...play.book.lots.values()]
  const code =
    player === 'by the book'
      ? play.exercise.recall!
      : player === 'by thumb'
        ? 'Q-2'
        : lots[Math.floor(draw * lots.length)]!.code
  const lot = play.lotOf(code)
  const found = recallOf(play.book, lot.id)!
  const { made, here, out } = found
  play.write({ kind: 'recall', lotId: lot.id, exercise: false, made, here, out })
}

/** How a player fares at an exercise. */
export function playOnce(exercise: Exercise, player: Player, seed: number): Score & { released: boolean } {
  const play = new Play(exercise, seed)
  const keeper = player === 'by the book' ? new ByTheBook() : player === 'by thumb' ? new ByThumb() : new ByChance(seed)
  const draw = ((seed * 7919) % 1000) / 1000
  if (exercise.task === 'blend') blend(play, player, draw)
  if (exercise.task === 'bottle') bottle(play, player, draw)
  if (exercise.task === 'recall') recall(play, player, draw)
  if (exercise.task === 'salt') pack(play, player, draw)
  if (exercise.task === 'salt' || exercise.task === 'keep')
    while (play.day < exercise.days && play.open.length > 0) {
      keeper.round(play)
      play.tomorrow()
    }
  const released = play.entries.some((entry) => entry.kind === 'release' && entry.decision === 'released')
  return { ...scoreOf(play.world), released }
}

export const exerciseOf = (id: string): Exercise => EXERCISES.find((one) => one.id === id)!

/** How one go went, as it is kept. */
export interface PlayedLife extends Pick<Score, 'unsafe' | 'wastedG' | 'soundG' | 'minutes' | 'days'> {
  /** Whether a filled lot was let go with every check kept. */
  released: boolean
  exercise: string
  player: Player
  seed: number
}
export const PLAYER_COLUMNS = [
  'exercise, player',
  'goes',
  'let go unsafe',
  'in % of goes',
  'good food wasted %',
  'minutes',
  'days',
  'released in % of goes',
]
/** A row of the table of players. */
export function playerRow(name: string, lives: readonly PlayedLife[]): string[] {
  const sum = (of: (life: PlayedLife) => number) => lives.reduce((all, life) => all + of(life), 0)
  const goes = Math.max(1, lives.length)
  const released = lives.filter((life) => life.released).length
  return [
    name,
    `${lives.length}`,
    `${sum(({ unsafe }) => unsafe)}`,
    ((100 * lives.filter(({ unsafe }) => unsafe > 0).length) / goes).toFixed(1),
    (
      (100 * sum(({ wastedG }) => wastedG)) /
      Math.max(
        1,
        sum(({ soundG }) => soundG),
      )
    ).toFixed(2),
    (sum(({ minutes }) => minutes) / goes).toFixed(0),
    (sum(({ days }) => days) / goes).toFixed(1),
    released ? ((100 * released) / goes).toFixed(0) : '–',
  ]
}
