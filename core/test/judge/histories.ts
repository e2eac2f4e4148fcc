import { fold, historyOf, judgeOf, judgeSign, saltAt, type Book, type Entry, type SignId } from '../../src'
import { portionOf } from '../../src/flow'
import { judgeBatch, type Batch, type Vessel, type World } from './flowOracle'
import type { Look, PutIn, Reading } from './life'
import { chance, drawTool, instrumentOf, LOOKS, PACKED, pick, PUT, saltOf, type Chance } from './lives'

/*
 * Histories as people live them: several jars, jars that end, the same source used twice, brine drawn and poured back,
 * additions into one jar, new plans from old batches, corrections, several generations. Each is told twice: as entries
 * of a log, and as batches for the second oracle.
 */

const START_MS = Date.parse('2026-03-02T08:00:00.000Z')
const ms = (hour: number) => START_MS + Math.round(hour * 3600) * 1000
const at = (hour: number) => new Date(ms(hour)).toISOString()
const idOf = (number: number) => `01ARZ3NDEKTSV4RRFFQ6${String(number).padStart(6, '0')}`
const row = (materialId: string, massG: number, change: object = {}) => ({
  ...{ materialId, name: materialId, massG, preparation: 'raw' as const, seedsOut: false },
  ...change,
})

/** One history, as it is written down and as it is told. */
export interface Story {
  entries: Entry[]
  world: World
  hours: number[]
}

class Writer {
  entries: Entry[] = []
  world: World = new Map()
  hour = 0
  hours: number[] = []
  private lots = 0
  constructor(readonly next: Chance) {}

  write(draft: object): number {
    const order = this.entries.length
    this.entries.push({
      ...draft,
      id: idOf(order),
      at: at(this.hour),
      by: 'Bench',
      origin: 'maker',
    } as unknown as Entry)
    return order
  }
  lot() {
    const lotId = idOf(900_000 + this.lots++)
    return { lotId, code: `L-${this.lots}`, name: 'Lot', color: '#c22a1b' }
  }
  batch(id: string, order: number, rest: Partial<Batch> & Pick<Batch, 'kind'>): void {
    this.world.set(id, {
      ...{ id, hour: this.hour, order, vessels: [], taken: [], put: [], readings: [], looks: [] },
      ...{ discardedHour: null, ferment: null, predictedHigh: 0, ...rest },
    })
  }
  /** Batches that something can be taken from. */
  sources(): Batch[] {
    return [...this.world.values()].filter(({ kind }) => kind !== 'bottles')
  }
  standing({ vessels }: Batch): Vessel[] {
    return vessels.filter(({ from, until }) => from <= this.hour && this.hour < until)
  }
  /** Some jars of a batch, or nobody said which. */
  some(batch: Batch): string[] | null {
    const marks = this.standing(batch).map(({ mark }) => mark)
    if (marks.length < 2 || this.next() < 0.3) return null
    const chosen = marks.filter(() => this.next() < 0.5)
    return chosen.length ? chosen : [marks[0]!]
  }
}

const MARKS = [...'abcdefghijkl']
const taking = (
  from: string,
  hour: number,
  order: number,
  rest: { jars?: string[] | null; into?: string[] | null; making: boolean },
) => ({ from, hour, order, jars: null, into: null, ...rest })

function newFerment(w: Writer): void {
  const { next } = w
  const { rows, composition, workedPh } = PACKED[0]!
  const lot = w.lot()
  const count = next() < 0.4 ? 1 : next() < 0.8 ? 2 + Math.floor(next() * 3) : 5 + Math.floor(next() * 8)
  const old = next() < 0.25 ? pick(next, w.sources()) : undefined
  const all = [...rows, ...(old ? [row('part', 300, { lotId: old.id })] : [])]
  w.write({
    ...{ kind: 'plan', ...lot, style: 'mash', rows: all, waterG: 0, saltG: old ? 92 : 80, saltId: 'fine-sea' },
    ...{ saltBasis: 'everything', saltPct: 4, targetPh: 3.8, cut: 'ground' },
  })
  const marks = count === 1 ? [''] : MARKS.slice(0, count)
  const vessels = marks.map((mark) => ({ vesselId: 'jar-3000', mark, massG: composition.massG / count, hot: false }))
  const order = w.write({ kind: 'pack', lotId: lot.lotId, place: 'Bench', closure: 'airlock', vessels })
  w.batch(lot.lotId, order, {
    kind: 'ferment',
    vessels: marks.map((mark) => ({ mark, from: -Infinity, until: Infinity, of: null })),
    taken: old ? [taking(old.id, w.hour, order, { making: true })] : [],
    ferment: { ...saltOf(composition), workedPh, rawPct: 100, alive: true, targetPh: 3.8 },
  })
}

function reads(w: Writer): void {
  const { next, hour } = w
  const batch = pick(next, [...w.world.values()])
  const age = hour - batch.hour
  const typical = batch.kind === 'ferment' ? (next() < 0.8 ? Math.max(3.5, 5.2 - age * 0.02) : 5.0) : 3.6
  const marks = batch.vessels.length > 1 && next() < 0.85 ? (w.some(batch) ?? []) : []
  const one = marks.length > 1 && next() < 0.6 ? [marks[0]!] : marks
  const tool = drawTool(next)
  const instrument = instrumentOf({ tool, hour })
  const step = tool.kind === 'strip' ? 10 : 100
  const ph = Math.round((typical + (next() < 0.1 ? 1.2 : 0.1 * (next() - 0.5))) * step) / step
  const reading = { kind: 'reading', lotId: batch.id, instrument, of: 'blended', ...(one.length && { marks: one }) }
  const first = w.write({ ...reading, ph: next() < 0.1 ? 5.3 : ph })
  // What was typed wrong is corrected at once.
  if ((w.entries[first] as { ph?: number }).ph !== ph) w.write({ ...reading, ph, replaces: idOf(first) })
  batch.readings.push({ hour, ph, tempC: null, tool, of: 'blended', marks: one } satisfies Reading)
}

function looks(w: Writer): void {
  const { next, hour } = w
  const batch = pick(next, [...w.world.values()])
  const [sign, answers] = next() < 0.75 ? pick(next, LOOKS.slice(0, 3)) : pick(next, LOOKS)
  const { level, holds } = judgeSign(sign as SignId, answers, { day: 3, ph: 3.7, fell: true })
  const marks = batch.vessels.length > 1 ? (w.some(batch) ?? []) : []
  w.write({ kind: 'sign', lotId: batch.id, sign, answers, level, holds, ...(marks.length && { marks }) })
  batch.looks.push({ hour, sign, answers, level, holds, marks } satisfies Look & { marks: string[] })
}

/** Something is put in: a material, or part of a batch, of which a jar may end with it. */
function putsIn(w: Writer): void {
  const { next, hour } = w
  const into = pick(
    next,
    [...w.world.values()].filter(({ kind }) => kind === 'ferment' || kind === 'pot' || kind === 'base'),
  )
  const others = w.sources().filter(({ id }) => id !== into.id)
  const source = next() < 0.5 && others.length ? pick(next, others) : null
  const marks = into.vessels.length > 1 ? w.some(into) : null
  const what = pick(next, ['water', 'salt', 'vinegar', 'pear'] as const)
  const ending = source && w.standing(source).length > 1 && next() < 0.5 ? [w.standing(source)[0]!] : []
  const ended = ending.map(({ mark }) => mark)
  const rows = source ? [row('part', 100 + 200 * next(), { lotId: source.id, ...(ended.length && { ended }) })] : []
  const content = source ? { rows, waterG: 0, saltG: 0 } : PUT[what]
  const order = w.write({ kind: 'add', lotId: into.id, ...content, reason: '', ...(marks && { marks }) })
  for (const jar of ending) jar.until = hour
  into.put.push({ hour, order, jars: marks, mixture: () => ({ what }) as PutIn })
  if (source)
    into.taken.push(taking(source.id, hour, order, { jars: ended.length ? ended : null, into: marks, making: false }))
}

function draws(w: Writer): void {
  const { next } = w
  const from = pick(
    next,
    w.sources().filter(({ kind }) => kind === 'ferment' || kind === 'base'),
  )
  const jars = from.kind === 'ferment' ? w.some(from) : null
  const lot = w.lot()
  const method = next() < 0.5 ? 'draw' : 'sieve'
  const order = w.write({
    ...{ kind: 'press', ...lot, fromLotId: from.id, method, inG: 200, baseG: 180, pulpG: 10, seedsG: 0 },
    ...(jars && { marks: jars }),
  })
  w.batch(lot.lotId, order, { kind: 'base', taken: [taking(from.id, w.hour, order, { jars, making: true })] })
}

function pours(w: Writer): void {
  const { next } = w
  const from = [pick(next, w.sources()), ...(next() < 0.4 ? [pick(next, w.sources())] : [])]
  const lot = w.lot()
  const predictedHigh = next() < 0.8 ? 3.9 : 4.9
  const order = w.write({
    ...{ kind: 'blend', ...lot, cooked: false },
    parts: [
      ...from.map(({ id }) => ({ lotId: id, name: 'part', massG: 300 })),
      { materialId: 'white-vinegar', name: 'Vinegar', massG: 100 },
    ],
    predictedPh: { low: predictedHigh - 0.4, typical: predictedHigh - 0.2, high: predictedHigh },
  })
  const taken = from.map(({ id }) => taking(id, w.hour, order, { making: true }))
  w.batch(lot.lotId, order, { kind: 'pot', taken, predictedHigh })
}

function bottles(w: Writer): void {
  const pots = [...w.world.values()].filter(({ kind }) => kind === 'pot')
  if (!pots.length) return
  const pot = pick(w.next, pots)
  const lot = w.lot()
  const order = w.write({
    ...{ kind: 'bottle', ...lot, fromLotId: pot.id, bottleMl: 150, count: 1, usedG: 150 },
    ...{ treatment: 'live-cold', bestBefore: '2027-01-01' },
  })
  w.batch(lot.lotId, order, { kind: 'bottles', taken: [taking(pot.id, w.hour, order, { making: true })] })
}

/** A jar ends, or is shared into one more; or all of a batch is thrown away. */
function jarsChange(w: Writer): void {
  const { next, hour } = w
  const batch = pick(next, [...w.world.values()])
  const standing = w.standing(batch)
  const jar = standing[0]
  if (jar && standing.length > 1 && next() < 0.6) {
    const gone = { lotId: batch.id, marks: [jar.mark] }
    if (next() < 0.5) w.write({ kind: 'discard', ...gone, reason: 'Gone.' })
    else w.write({ kind: 'use', ...gone, massG: 100, how: 'eaten', to: 'Home' })
    jar.until = hour
  } else if (jar && next() < 0.7 && batch.vessels.length < MARKS.length) {
    const mark = MARKS.find((one) => !batch.vessels.some((vessel) => (vessel.mark || 'a') === one))!
    w.write({ kind: 'share', lotId: batch.id, from: jar.mark, vesselId: 'jar-1000', mark, massG: 30 })
    if (jar.mark === '') jar.mark = 'a'
    batch.vessels.push({ mark, from: hour, until: Infinity, of: jar.mark })
  } else if (next() < 0.2 && batch.discardedHour === null) {
    w.write({ kind: 'discard', lotId: batch.id, reason: 'Gone.' })
    batch.discardedHour = hour
  }
}

const ACTS = [reads, reads, reads, reads, looks, putsIn, putsIn, draws, pours, bottles, jarsChange]

/** One history, drawn. */
export function drawStory(seed: number): Story {
  const w = new Writer(chance(seed))
  newFerment(w)
  const acts = 5 + Math.floor(w.next() * 14)
  for (let act = 0; act < acts; act++) {
    // Some things happen in one and the same minute.
    if (w.next() < 0.85) w.hour = Math.round((w.hour + 1 + 50 * w.next() ** 2) * 3600) / 3600
    w.hours.push(w.hour)
    if (w.next() < 0.1) newFerment(w)
    else pick(w.next, ACTS)(w)
  }
  w.hours.push(w.hour + 1, w.hour + 100)
  return { entries: w.entries, world: w.world, hours: w.hours }
}

/** Tells the oracle what the mixtures of a story work out to, and how salty they are, as the composition has it. */
export function tellMixtures(book: Book, { world }: Story): void {
  for (const batch of world.values()) {
    if (batch.ferment) {
      const { salt, start } = historyOf(book, portionOf(book.lots.get(batch.id)!, null, ms(batch.hour)))
      const { saltPct, saltInWaterPct } = salt[0]!
      Object.assign(batch.ferment, { saltPct, saltInWaterPct, rawPct: start!.rawPct ?? 0, alive: start!.alive })
      if (!start!.read) batch.ferment.workedPh = start!.ph + 0.25
    }
    for (const put of batch.put) {
      const { what } = put.mixture([])
      put.mixture = (jars) => {
        const history = historyOf(book, portionOf(book.lots.get(batch.id)!, jars.length ? jars : null, ms(put.hour)))
        const addition = history.additions.find(({ atMs }) => atMs === ms(put.hour))
        const salt = saltAt(history, ms(put.hour))
        return {
          ...{ hour: put.hour, what, massG: 0, raises: addition?.raises ?? false, upperPh: addition?.upperPh ?? null },
          ...{
            rawPct: addition?.rawPct ?? 100,
            saltPct: salt?.saltPct ?? 0,
            saltInWaterPct: salt?.saltInWaterPct ?? 0,
          },
        }
      }
    }
  }
}

const STATES = ['ready', 'working', 'ask', 'act', 'discard']
const MAKES = ['pass', 'ask', 'stop']

/** What histories come to beside the oracle. */
export interface StoryScore {
  verdicts: number
  milder: string[]
  stricter: string[]
  states: Record<string, number>
}

/** Tells some seeds to both. */
export function tell(from: number, count: number): StoryScore {
  const score: StoryScore = { verdicts: 0, milder: [], stricter: [], states: {} }
  for (let seed = from; seed < from + count; seed++) {
    const story = drawStory(seed)
    const book = fold(story.entries)
    tellMixtures(book, story)
    const judge = judgeOf(book)
    for (const batch of story.world.values())
      for (const hour of new Set([batch.hour + 0.5, story.hours.at(-2)!, story.hours.at(-1)!])) {
        const found = judge(batch.id, ms(hour))
        if (!found || hour < batch.hour) continue
        const expected = judgeBatch(story.world, batch.id, Math.round(hour * 3600) / 3600)
        score.verdicts++
        score.states[found.state] = (score.states[found.state] ?? 0) + 1
        if (expected.hair) continue
        const gap = STATES.indexOf(found.state) - STATES.indexOf(expected.state)
        const gapMake = MAKES.indexOf(found.make) - MAKES.indexOf(expected.make)
        const codes = found.reasons.map((reason) =>
          reason.code === 'made of' ? `of ${reason.facts.of.code}` : reason.code,
        )
        const sentence = `${seed} ${batch.kind} ${batch.id.slice(-2)} at ${hour.toFixed(2)} h: ${found.state}/${found.make} (${codes.join(', ')}), oracle ${expected.state}/${expected.make} (${expected.rules.join(', ')})`
        if (gap < 0 || gapMake < 0) score.milder.push(sentence)
        else if (gap > 0 || gapMake > 0) score.stricter.push(sentence)
      }
  }
  return score
}
