import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import {
  asksOf,
  compositionOf,
  contentComposition,
  FLAG_CODES,
  fold,
  judgeOf,
  judgeSign,
  mix,
  mixturePh,
  phBand,
  waterPhaseSaltPct,
  type Book,
  type Composition,
  type Draft,
  type Entry,
  type Foresight,
  type SignId,
} from '../../src'
import type { Base, Ferment, Life, Look, Pot, PutIn, Reading } from './life'
import { judgeBase, judgeFerment, judgePot, type Make, type State, type Verdict } from './oracle'

/* Random lives, lived by the judge and by the oracle. */

const START_MS = Date.parse('2026-03-02T08:00:00.000Z')
/** Whole seconds: the log keeps milliseconds, and both judges shall see the same moment. */
const ms = (hour: number) => START_MS + Math.round(hour * 3600) * 1000
const at = (hour: number) => new Date(ms(hour)).toISOString()

/** Ways to pack that differ in what the judge looks at; what they work out to is asked of the composition once. */
const RECIPES = [
  { style: 'mash', waterG: 0, saltG: 80, preparation: 'raw', rawG: 2000 },
  { style: 'mash', waterG: 0, saltG: 125, preparation: 'raw', rawG: 2000 },
  { style: 'mash', waterG: 0, saltG: 30, preparation: 'raw', rawG: 2000 },
  { style: 'mash', waterG: 0, saltG: 220, preparation: 'raw', rawG: 2000 },
  { style: 'mash', waterG: 0, saltG: 80, preparation: 'roasted', rawG: 700 },
  { style: 'mash', waterG: 0, saltG: 80, preparation: 'dead', rawG: 0 },
  { style: 'brined', waterG: 1500, saltG: 100, preparation: 'raw', rawG: 2000 },
  { style: 'brined', waterG: 1500, saltG: 60, preparation: 'raw', rawG: 2000 },
] as const
const EMPTY_BOOK = fold([])
const row = (massG: number, preparation: string) => ({
  materialId: preparation === 'dead' ? 'white-vinegar' : 'cayenne',
  name: 'Cayenne',
  massG,
  preparation: preparation === 'raw' ? ('raw' as const) : ('roasted' as const),
  seedsOut: false,
})
export const PACKED = RECIPES.map(({ waterG, saltG, preparation, rawG }) => {
  const rows =
    preparation === 'dead'
      ? [{ ...row(2000, 'roasted'), materialId: 'honey', name: 'Honey' }]
      : preparation === 'roasted'
        ? [row(rawG, 'raw'), row(2000 - rawG, 'roasted')]
        : [row(2000, 'raw')]
  const composition = contentComposition(EMPTY_BOOK, { rows, waterG, saltG })!
  return { rows, composition, workedPh: mixturePh(composition) ?? 7 }
})
export const saltOf = ({ saltG, massG, waterG }: Composition) => ({
  saltPct: (100 * saltG) / massG,
  saltInWaterPct: waterPhaseSaltPct(saltG, waterG),
})

/** What is put in, as it is weighed. */
export const PUT = {
  water: { rows: [], waterG: 300, saltG: 0 },
  salt: { rows: [], waterG: 0, saltG: 30 },
  vinegar: {
    rows: [{ materialId: 'white-vinegar', name: 'Vinegar', massG: 150, preparation: 'raw' as const, seedsOut: false }],
    waterG: 0,
    saltG: 0,
  },
  pear: {
    rows: [{ materialId: 'carrot', name: 'Carrot', massG: 900, preparation: 'raw' as const, seedsOut: false }],
    waterG: 0,
    saltG: 0,
  },
}
const PUT_MADE = Object.fromEntries(
  Object.entries(PUT).map(([what, content]) => [what, contentComposition(EMPTY_BOOK, content)!]),
) as Record<keyof typeof PUT, Composition>

export type Chance = () => number
export const chance = (seed: number): Chance => {
  const generator = xoroshiro128plus(seed)
  for (let skipped = 0; skipped < 20; skipped++) uniformFloat64(generator)
  return () => uniformFloat64(generator)
}
export const pick = <T>(next: Chance, of: readonly T[]): T => of[Math.floor(next() * of.length)]!
/** Whole seconds. */
const between = (next: Chance, low: number, high: number) => Math.round((low + (high - low) * next()) * 3600) / 3600
const normal = (next: Chance) => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())

const KINDS = ['bench', 'pocket', 'bare', 'strip'] as const
const TRUE_SD = { bench: 0.03, pocket: 0.05, bare: 0.08, strip: 0.15 }

/** The true pH of a kind of sample: a lag, then falling through 4.6 at the crossing to where it ends. */
function truePh(start: number, crossing: number, ends: number, hour: number): number {
  if (!Number.isFinite(crossing)) return Math.max(4.7, start - hour * 0.002)
  const slope = Math.max(0.004, (start - 4.6) / Math.max(6, crossing * 0.6))
  return Math.max(ends, 4.6 - (hour - crossing) * slope) > start
    ? start
    : Math.max(ends, 4.6 - (hour - crossing) * slope)
}

/** What something is read with, and when that was checked last. */
export const drawTool = (next: Chance): Reading['tool'] => ({
  kind: pick(next, KINDS),
  age: next() < 0.12 ? -5 : next() < 0.15 ? 400 : Math.round(next() * 40),
  slopePct: next() < 0.06 ? 80 : 97,
  steady: next() > 0.05,
})

function readingOf(
  next: Chance,
  hour: number,
  ph: number | null,
  tempC: number | null,
  of: Reading['of'],
  jars: string[],
): Reading {
  const tool = drawTool(next)
  const { kind } = tool
  const noisy = ph === null ? null : ph + TRUE_SD[kind] * normal(next) + (next() < 0.02 ? 0.4 * normal(next) : 0)
  const step = kind === 'strip' ? 10 : 100
  return {
    ...{ hour, tempC, of },
    ph: noisy === null ? null : Math.min(8, Math.max(2.5, Math.round(noisy * step) / step)),
    tool,
    marks: jars.length > 1 && next() < 0.8 ? jars.filter(() => next() < 0.7) : [],
  }
}

export const LOOKS: readonly [SignId, string[]][] = [
  ['bubbles', []],
  ['foam', ['clean']],
  ['calm', []],
  ['white film', ['flat', 'clean']],
  ['white film', ['unsure', 'clean']],
  ['cloud', ['runs', 'unsure']],
  ['cloud', ['runs', 'clean']],
  ['specks', ['lid', 'flat']],
  ['specks', ['unsure', 'unsure']],
  ['fuzzy growth', ['furry', 'coloured']],
  ['soft', ['clean']],
  ['soft', ['unsure']],
]
function lookAt(next: Chance, hour: number): Look {
  const [sign, answers] = next() < 0.9 ? pick(next, LOOKS.slice(0, 9)) : pick(next, LOOKS)
  const { level, holds } = judgeSign(sign, answers, { day: hour / 24, ph: 3.7, fell: true })
  return { hour, sign, answers, level, holds }
}

/** What something that was put in comes to; worked out by the composition, as the judge is told it. */
function putInto(ferment: Ferment, packed: Composition, hour: number, what: PutIn['what']): PutIn {
  const all = [packed, ...ferment.putIn.map((one) => PUT_MADE[one.what]), PUT_MADE[what]]
  const { saltPct, saltInWaterPct } = saltOf(mix(all))
  const carrotsG = 900 * [...ferment.putIn.map((one) => one.what), what].filter((one) => one === 'pear').length
  const produceG = ferment.rawPct === 0 ? 0 : 2000
  const rawG = (ferment.rawPct / 100) * produceG + carrotsG
  const rawPct = produceG + carrotsG > 0 ? (100 * rawG) / (produceG + carrotsG) : 0
  return { hour, what, massG: 0, raises: false, upperPh: null, saltPct, saltInWaterPct, rawPct }
}

/** One life, drawn. */
export function drawLife(seed: number): { life: Life; recipe: number } {
  const next = chance(seed)
  const recipe = Math.floor(next() * RECIPES.length)
  const { style, preparation, rawG } = RECIPES[recipe]!
  const { composition, workedPh } = PACKED[recipe]!
  const pieces = style === 'brined'
  const endHour = between(next, 20, next() < 0.5 ? 300 : 900)
  const stalls = next() < 0.2
  const crossing = stalls ? Infinity : between(next, 10, next() < 0.7 ? 90 : 260)
  const blendedCrossing = pieces ? crossing * (1 + 2 * next()) : crossing
  const ends = 3.3 + 1.1 * next() ** 2
  const jars = next() < 0.2 ? ['a', 'b'] : ['']
  const start = 5.2
  const foretold = next() < 0.8
  const told = (true_: number) => {
    // A forecast may know fewer readings than the judge: then it is far off.
    const off = next() < 0.1 ? 0.3 : 0.85 + 0.3 * next()
    const likely = Number.isFinite(true_) ? true_ * off : between(next, 20, 200)
    return { early: likely * (0.6 + 0.3 * next()), likely, late: likely * (1 + 0.8 * next()) }
  }
  const ferment: Ferment = {
    ...{ pieces, jars, style, workedPh },
    ...saltOf(composition),
    rawPct: preparation === 'dead' ? 0 : (100 * (preparation === 'raw' ? 2000 : rawG)) / 2000,
    alive: preparation !== 'dead',
    targetPh: 3.8,
    ...{ readings: [], moves: [], putIn: [], looks: [] },
    discardedHour: next() < 0.03 ? between(next, 10, 900) : null,
    foreseen: foretold ? { liquid: told(crossing), blended: told(blendedCrossing), gas: next() < 0.1 ? 5 : 1 } : null,
    flag: next() < 0.1 ? pick(next, FLAG_CODES) : null,
  }
  const roomC = between(next, 10, 31)
  const count = Math.floor(next() * 9)
  const hours = Array.from({ length: count }, () => between(next, 0, endHour)).sort((a, b) => a - b)
  if (next() < 0.5) {
    const first = between(next, 30, endHour)
    hours.push(first, first + 25, first + 50)
    hours.sort((a, b) => a - b)
  }
  for (const hour of hours.filter((one, index) => one !== hours[index - 1])) {
    const of = pieces && next() < 0.55 ? 'liquid' : 'blended'
    const ph = next() < 0.92 ? truePh(start, of === 'liquid' ? crossing : blendedCrossing, ends, hour) : null
    const tempC = next() < 0.6 || ph === null ? roomC + 2 * normal(next) + (next() < 0.02 ? 12 : 0) : null
    const spoiled = ph !== null && next() < 0.03 && hour > 60 ? 4.8 : ph
    ferment.readings.push(readingOf(next, hour, spoiled, tempC, of, jars))
  }
  if (next() < 0.3) {
    const cold = next() < 0.7
    const saidC = next() < 0.5 ? (cold ? 5 : 20) : null
    ferment.moves.push({ hour: between(next, 5, endHour), cold, saidC })
    if (next() < 0.3)
      ferment.moves.push({ hour: ferment.moves[0]!.hour + between(next, 5, 200), cold: !cold, saidC: null })
  }
  while (next() < 0.35 && ferment.looks.length < 4) ferment.looks.push(lookAt(next, between(next, 1, endHour)))
  ferment.looks.sort((a, b) => a.hour - b.hour)
  if (next() < 0.12) {
    const putHours = [between(next, 20, endHour), ...(next() < 0.3 ? [endHour] : [])].sort((a, b) => a - b)
    for (const hour of putHours)
      ferment.putIn.push(putInto(ferment, composition, hour, pick(next, ['water', 'salt', 'vinegar', 'pear'] as const)))
  }
  const base: Base | null = next() < 0.5 ? { hour: endHour + between(next, 1, 60), marks: null, readings: [] } : null
  // Seen in what was left, after some of it was taken.
  if (base && next() < 0.08) ferment.looks.push(lookAt(next, base.hour + between(next, 1, 80)))
  if (base) {
    if (jars.length > 1 && next() < 0.7) base.marks = jars.filter(() => next() < 0.6)
    if (base.marks?.length === 0) base.marks = [jars[0]!]
    if (next() < 0.5)
      base.readings.push(
        readingOf(
          next,
          base.hour + between(next, 1, 80),
          truePh(start, blendedCrossing, ends, base.hour),
          null,
          'blended',
          [],
        ),
      )
  }
  const pot: Pot | null =
    next() < 0.5
      ? {
          hour: (base?.hour ?? endHour) + between(next, 85, 300),
          fromFerment: !base,
          predictedHigh: next() < 0.8 ? 3.9 : 4.9,
          ...{ readings: [], looks: [] },
        }
      : null
  if (pot) {
    while (next() < 0.6 && pot.readings.length < 3) {
      const hour = (pot.readings.at(-1)?.hour ?? pot.hour) + between(next, 1, 40)
      pot.readings.push(readingOf(next, hour, pot.predictedHigh - 0.2 + (next() < 0.1 ? 0.9 : 0), null, 'blended', []))
    }
    if (next() < 0.15) pot.looks.push(lookAt(next, pot.hour + between(next, 1, 60)))
  }
  return {
    recipe,
    life: {
      ...{ ferment, base, pot },
      bottledHour: pot && next() < 0.5 ? pot.hour + between(next, 130, 300) : null,
      truth: { liquid: crossing, blended: blendedCrossing },
    },
  }
}

const ID = '01ARZ3NDEKTSV4RRFFQ69G5'
const idOf = (number: number) => `${ID}${String(number).padStart(3, '0')}`
const [FERMENT, BASE, POT, BOTTLES] = [900, 901, 902, 903].map(idOf) as [string, string, string, string]

export function instrumentOf({ tool, hour }: Pick<Reading, 'tool' | 'hour'>) {
  const { kind, age, slopePct, steady } = tool
  const done = at(hour - age)
  return {
    name: 'Meter',
    steady,
    kind: kind === 'strip' ? ('strip' as const) : ('meter' as const),
    ...(kind === 'bench' && { calibratedAt: done, slopePct }),
    ...(kind === 'pocket' && { checkedAt: done }),
  }
}

/** The entries of a life. They skip the schema: it is tested elsewhere, and a million lives are many. */
function entriesOf({ ferment, base, pot, bottledHour }: Life, recipe: number): Entry[] {
  const { style, waterG, saltG } = RECIPES[recipe]!
  const { rows } = PACKED[recipe]!
  const entries: Entry[] = []
  const write = (draft: Draft) =>
    entries.push({ ...draft, id: idOf(entries.length), by: 'Bench', origin: 'maker' } as Entry)
  const reads = (lotId: string, readings: readonly Reading[]) => {
    for (const reading of readings)
      write({
        kind: 'reading',
        at: at(reading.hour),
        lotId,
        of: reading.of,
        ...(reading.marks.length > 0 && { marks: reading.marks }),
        ...(reading.tempC !== null && { tempC: reading.tempC }),
        ...(reading.ph !== null && { ph: reading.ph, instrument: instrumentOf(reading) }),
        ...(reading.ph === null && reading.tempC === null && { note: 'nothing' }),
      } as Draft)
  }
  const looked = (lotId: string, looks: readonly Look[]) => {
    for (const { hour, sign, answers, level, holds } of looks)
      write({ kind: 'sign', at: at(hour), lotId, sign, answers, level, holds } as Draft)
  }
  const lot = (lotId: string, code: string) => ({ lotId, code, name: code, color: '#c22a1b' })
  write({
    kind: 'plan',
    at: at(0),
    ...lot(FERMENT, 'F'),
    ...{ style, rows, waterG, saltG, saltId: 'fine-sea', saltBasis: 'everything', saltPct: 4, targetPh: 3.8 },
    ...(style === 'mash' && { cut: 'ground' }),
  } as Draft)
  const vessels = ferment.jars.map((mark) => ({ vesselId: 'jar-3000', mark, massG: 1000, hot: false }))
  write({ kind: 'pack', at: at(0), lotId: FERMENT, place: 'Bench', closure: 'airlock', vessels } as Draft)
  reads(FERMENT, ferment.readings)
  looked(FERMENT, ferment.looks)
  for (const { hour, cold, saidC } of ferment.moves)
    write({
      ...{ kind: 'decide', at: at(hour), lotId: FERMENT, decision: cold ? 'cold' : 'warm', reason: '' },
      place: cold ? 'Fridge' : 'Shelf',
      ...(saidC !== null && { tempC: saidC }),
    } as Draft)
  for (const { hour, what } of ferment.putIn)
    write({ kind: 'add', at: at(hour), lotId: FERMENT, ...PUT[what], reason: '' } as Draft)
  if (ferment.discardedHour !== null)
    write({ kind: 'discard', at: at(ferment.discardedHour), lotId: FERMENT, reason: 'Gone.' } as Draft)
  if (base) {
    write({
      ...{ kind: 'press', at: at(base.hour), ...lot(BASE, 'B'), fromLotId: FERMENT, method: 'sieve' },
      ...{ inG: 1500, baseG: 1300, pulpG: 150, seedsG: 0 },
      ...(base.marks && { marks: base.marks }),
    } as Draft)
    reads(BASE, base.readings)
  }
  if (pot) {
    const from = pot.fromFerment ? FERMENT : BASE
    write({
      ...{ kind: 'blend', at: at(pot.hour), ...lot(POT, 'P'), cooked: false },
      parts: [
        { lotId: from, name: 'base', massG: 500 },
        { materialId: 'white-vinegar', name: 'Vinegar', massG: 100 },
      ],
      predictedPh: { low: pot.predictedHigh - 0.4, typical: pot.predictedHigh - 0.2, high: pot.predictedHigh },
    } as Draft)
    reads(POT, pot.readings)
    looked(POT, pot.looks)
    if (bottledHour !== null)
      write({
        ...{ kind: 'bottle', at: at(bottledHour), ...lot(BOTTLES, 'X'), fromLotId: POT, bottleMl: 150, count: 3 },
        ...{ usedG: 450, treatment: 'live-cold', bestBefore: '2027-01-01' },
      } as Draft)
  }
  return entries
}

/** What the additions of a life come to is told to the oracle: the same composition, asked here in the test. */
function tellPutIn(life: Life, book: Book): void {
  const { ferment } = life
  for (const one of ferment.putIn) {
    const own = mixturePh(PUT_MADE[one.what])
    const before = compositionBefore(book, ms(one.hour))
    const last = ferment.readings.filter((r) => r.ph !== null && r.hour < one.hour).at(-1)?.ph
    const lotPh = last ?? mixturePh(before)
    one.raises = one.what !== 'salt' && (own === null || lotPh === null || own > lotPh + 0.02)
    const parts = PUT[one.what].rows.length
      ? [PUT_MADE[one.what]]
      : [PUT_MADE[one.what]].filter(({ massG }) => massG > 0)
    one.upperPh = phBand([before, ...parts])?.high ?? null
  }
}
const compositionBefore = (book: Book, atMs: number): Composition => compositionOf(book, FERMENT, atMs - 1)!

/** What a million lives come to. */
export interface Score {
  lives: number
  verdicts: number
  unsafe: string[]
  stricter: number
  twoPages: string[]
  sound: number
  soundDiscarded: number
  states: Record<string, number>
}

const STATES: State[] = ['ready', 'working', 'ask', 'act', 'discard']
const MAKES: Make[] = ['pass', 'ask', 'stop']

/** Lives some seeds through both judges. */
export function live(from: number, count: number): Score {
  const score: Score = {
    ...{ lives: 0, verdicts: 0, unsafe: [], stricter: 0, twoPages: [], sound: 0, soundDiscarded: 0, states: {} },
  }
  for (let seed = from; seed < from + count; seed++) liveOne(seed, score)
  return score
}

const hoursOf = ({ early, likely, late }: { early: number; likely: number; late: number }) => ({
  ...{ earlyH: early, likelyH: likely, mostH: (likely + late) / 2, lateH: late },
})

function liveOne(seed: number, score: Score): void {
  const { life, recipe } = drawLife(seed)
  const book = fold(entriesOf(life, recipe))
  if (life.ferment.putIn.length) tellPutIn(life, book)
  const { foreseen, flag } = life.ferment
  const foresight: Foresight = {
    crossing: foreseen && {
      liquid: hoursOf(foreseen.liquid),
      blended: hoursOf(foreseen.blended),
    },
    gasPerDay: foreseen?.gas ?? 0,
    flags: flag === null ? [] : [{ code: flag, chance: 0.98 }],
  }
  const judge = judgeOf(book, () => foresight)
  score.lives++
  const compare = (lotId: string, hour: number, expected: Verdict) => {
    const found = judge(lotId, ms(hour))!
    score.verdicts++
    score.states[found.state] = (score.states[found.state] ?? 0) + 1
    if (expected.hair) return
    const gap = STATES.indexOf(found.state) - STATES.indexOf(expected.state)
    const gapMake = MAKES.indexOf(found.make) - MAKES.indexOf(expected.make)
    const told = `${seed} ${lotId.slice(-3)} at ${hour.toFixed(2)} h: ${found.state}/${found.make} (${found.reasons.map(({ code }) => code).join(', ')}), oracle ${expected.state}/${expected.make} (${expected.rules.join(', ')})`
    if (gap < 0 || gapMake < 0) score.unsafe.push(told)
    else if (gap > 0 || gapMake > 0) {
      score.stricter++
      if (score.stricter <= 3) score.twoPages.push(`stricter: ${told}`)
    }
  }
  const { ferment, base, pot } = life
  const lastHour = Math.max(
    24,
    ...ferment.readings.map(({ hour }) => hour),
    ...ferment.moves.map(({ hour }) => hour),
    ...ferment.putIn.map(({ hour }) => hour),
  )
  const endHour = base?.hour ?? pot?.hour ?? lastHour + 30
  const hours = [endHour * 0.35, Math.min(endHour, lastHour + 0.5), endHour].map(
    (hour) => Math.round(hour * 3600) / 3600,
  )
  for (const hour of hours) compare(FERMENT, hour, judgeFerment(ferment, hour))
  pages(book, judge, hours.at(-1)!, seed, score)
  soundness(
    life,
    judge(FERMENT, ms(endHour))!.reasons.map(({ code }) => code),
    score,
  )
  if (base) for (const hour of [base.hour + 0.01, base.hour + 84]) compare(BASE, hour, judgeBase(life, hour))
  if (pot) for (const hour of [pot.hour + 0.01, pot.hour + 125]) compare(POT, hour, judgePot(life, hour))
}

/** The round says of the ferment what the judge says. */
function pages(book: Book, judge: ReturnType<typeof judgeOf>, hour: number, seed: number, score: Score): void {
  const lot = book.lots.get(FERMENT)!
  if (lot.state !== 'fermenting') return
  const found = judge(FERMENT, ms(hour))!
  const asks = asksOf(book, judge, lot, ms(hour))
  const discards = asks.some(({ code }) => code === 'discard')
  const presses = asks.some(({ code }) => code === 'press')
  const level = asks.filter(({ code }) => code !== 'chore').some((ask) => ask.level === 'act')
  if (discards !== (found.state === 'discard')) score.twoPages.push(`${seed}: the round and the lot differ on discard`)
  if (presses && found.make === 'stop') score.twoPages.push(`${seed}: the round says press where the judge stops`)
  if (found.state === 'ready' && !presses) score.twoPages.push(`${seed}: ready, and the round does not say so`)
  if (found.state === 'act' && !level) score.twoPages.push(`${seed}: act, and the round is quiet`)
}

/** A lot that truly passed in its time, and that was thrown away on its acid. */
function soundness({ ferment, truth }: Life, codes: readonly string[], score: Score): void {
  const spoiled = ferment.putIn.length > 0 || ferment.discardedHour !== null
  if (spoiled || !Number.isFinite(truth.liquid) || truth.liquid > 30) return
  score.sound++
  if (codes.some((code) => code === 'above too long' || code === 'passed too late')) score.soundDiscarded++
}
