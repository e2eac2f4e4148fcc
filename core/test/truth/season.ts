import {
  allowedDays,
  asksOf,
  compositionOf,
  fermentCaseOf,
  forecastFerment,
  hiddenBatch,
  HIDDEN_KINDS,
  judgeOf,
  leastSaltPct,
  mayRelease,
  mix,
  mixturePh,
  normals,
  ofMass,
  summaryOf,
  partComposition,
  PH_LINE,
  piecesTimes,
  releaseChecks,
  allowanceOf,
  PLAIN_ALLOWANCE,
  type Allowance,
  uniforms,
  withPh,
  type Draft,
  type FermentForecast,
  type HiddenBatch,
  type HiddenKind,
  type ForecastSummary,
  type Sampled,
  type TaskCode,
} from '../../src'
import { caseOf, day, KEPT_COLD, notebook, START } from '../log/build'

/* Hidden true batches under the advice of the application, from packing to release. */

const DAY_MS = 86_400_000
/** What is not pressed by then is asked for ever. */
const LAST_DAY = 40
const MEMBERS = 120
/** Share of the time allowed by which a batch must have passed to be called sound. */
const SURE = 0.9

/** With what, and how diligently, a maker reads. `off`: the meter's own error. */
export const MAKERS = {
  bench: { sd: 0.03, off: 0, first: 2, every: 2 },
  pocket: { sd: 0.05, off: 0, first: 2, every: 3 },
  strips: { sd: 0.15, off: 0, first: 2, every: 2 },
  'once a week': { sd: 0.05, off: 0, first: 7, every: 7 },
  'meter 0.15 low': { sd: 0.05, off: -0.15, first: 2, every: 3 },
  'meter 0.15 high': { sd: 0.05, off: 0.15, first: 2, every: 3 },
} as const
export type Maker = keyof typeof MAKERS

/** What is packed: as a mash, or in pieces under brine. */
export const PACKED = {
  mash: (saltPct: number) => ({ saltPct, saltG: 20 * saltPct }),
  pieces: (saltPct: number) => ({
    ...{ style: 'brined', saltPct, saltG: 35 * saltPct, waterG: 1500, saltBasis: 'everything', cut: 'coarse' },
  }),
}

/** What is lived: one true batch, or a lot in two jars of which the second is another. */
export const SEASON_KINDS = [...HIDDEN_KINDS, 'jars differ'] as const
export type SeasonKind = (typeof SEASON_KINDS)[number]

/** What the second jar of a lot whose jars differ may be. */
const OTHER_JAR: readonly HiddenKind[] = ['stalled at 4.8', 'salt x1.6', 'late start', 'growth x0.7']

/** How one life went. */
export interface Season {
  kind: SeasonKind
  maker: Maker
  ended: 'pressed' | 'discarded' | 'asked for ever'
  released: boolean
  /** Stood above 4.6 too long, or for ever, and was pressed all the same. */
  unsafe: boolean
  /** Passed in its time with a tenth of it to spare: nearer to the line nobody can tell which side it was. */
  sound: boolean
  /** Stood above 4.6 past one and a half times what is allowed. */
  pastHalf: boolean
  days: number
  readings: number
  said: string
}

/** What nobody would call sound, however early it passed. */
const ROTS: readonly SeasonKind[] = ['film', 'not covered', 'yeast']

const READS: readonly TaskCode[] = [
  'read behind',
  'read again',
  'read the pH',
  'read the jars',
  'read the jar',
  'read after film',
]

/** The share of the time allowed that was truly spent when it passed; Infinity where it never does. */
function trulySpent(truth: HiddenBatch, of: Sampled, tempC: number, allowance: Allowance): number {
  for (let hour = 0; hour <= LAST_DAY * 24; hour += 1)
    if (truth.ph(hour, of) <= PH_LINE) return hour / 24 / (allowedDays(tempC, allowance) * allowance.times)
  return Infinity
}

/** One life, by its seed. */
export function liveSeason(kind: SeasonKind, maker: Maker, seed: number): Season {
  const chance = uniforms(seed + 1_000_000)
  const noise = normals(seed + 2_000_000)
  const pieces = kind.startsWith('pieces') || seed % 4 === 3
  const roomC = 12 + 14 * chance()
  const saltPct = Math.max(leastSaltPct(false), 2.5 + 3 * chance())
  const log = notebook()
  const marks = kind === 'jars differ' ? ['a', 'b'] : ['']
  const vessels = marks.map((mark) => ({ vesselId: 'jar-3000', mark, massG: 2080 / marks.length, hot: false }))
  const lotId = log.mash(0, PACKED[pieces ? 'pieces' : 'mash'](saltPct), { vessels })
  log.read(lotId, 0, undefined, roomC)
  const lot = () => log.book().lots.get(lotId)!
  const believed = fermentCaseOf(log.book(), lot())!
  const steady = { batch: believed.batch, temperature: { points: [{ hour: 0, tempC: roomC }] } }
  const kinds: HiddenKind[] = kind === 'jars differ' ? ['model', OTHER_JAR[seed % OTHER_JAR.length] ?? 'model'] : [kind]
  const truths = kinds.map((one, jar) => hiddenBatch(one, steady, seed + jar * 500_000))
  const { sd, off, first, every } = MAKERS[maker]
  let readings = 0
  function read(id: string, atDay: number, truePh: number, of: Sampled = 'blended', mark = '') {
    const step = maker === 'strips' ? 10 : 100
    const ph = Math.round((truePh + off + sd * noise()) * step) / step
    const meter = { name: 'Meter', steady: true, kind: 'meter' as const }
    const instrument =
      maker === 'strips'
        ? { ...meter, kind: 'strip' as const }
        : maker === 'bench'
          ? { ...meter, calibratedAt: day(atDay - 0.1), slopePct: 97 }
          : { ...meter, checkedAt: day(atDay - 1) }
    log.write({
      kind: 'reading',
      at: day(atDay),
      lotId: id,
      tempC: roomC,
      ph,
      of,
      instrument,
      ...(mark && { marks: [mark] }),
    } as Draft)
    readings++
  }
  // Forecasts hang on what was read alone.
  let known: { readings: number; forecast: FermentForecast } | null = null
  function summary(nowMs: number): ForecastSummary {
    if (known?.readings !== readings)
      known = {
        readings,
        forecast: forecastFerment(fermentCaseOf(log.book(), lot())!, {
          days: Math.max(15, (nowMs - START) / DAY_MS + 8),
          members: MEMBERS,
        }),
      }
    return summaryOf(log.book(), lot(), known.forecast, nowMs)
  }
  const allowance = allowanceOf(believed.batch.medium.saltPct) ?? PLAIN_ALLOWANCE
  const spentBy = (of: Sampled) => Math.max(...truths.map((truth) => trulySpent(truth, of, roomC, allowance)))
  const spentAt = { liquid: spentBy('liquid'), blended: spentBy('blended') }
  const limit = pieces ? piecesTimes(true, believed.batch.medium.saltPct) : 1
  const sound = spentAt.liquid < SURE && spentAt.blended < SURE * limit && !ROTS.includes(kind)
  const over = (share: number) => spentAt.liquid > share || spentAt.blended > share * limit
  const end = (ended: Season['ended'], atDay: number, said: string, released = false): Season => ({
    ...{ kind, maker, ended, released, sound, readings, said, days: atDay },
    pastHalf: over(1.5),
    unsafe: ended === 'pressed' && over(1.5),
  })

  let due: number = first
  let still = 0
  for (let onDay = 1; onDay <= LAST_DAY; onDay++) {
    const nowMs = START + onDay * DAY_MS
    const judged = () => {
      const ahead = summary(nowMs)
      return { ahead, book: log.book(), judge: judgeOf(log.book(), () => ahead) }
    }
    const ask = () => {
      const { ahead, book, judge } = judged()
      return asksOf(book, judge, lot(), nowMs, ahead)
    }
    const standsStill = () =>
      judged()
        .judge(lotId, nowMs)!
        .reasons.some(({ code }) => code === 'stands still')
    let asks = ask()
    const wanted = asks.some(
      ({ code, chore, title }) => READS.includes(code) || (code === 'chore' && !chore && /pH/.test(title)),
    )
    if (onDay >= due || wanted) {
      due = onDay + (onDay > 14 ? 7 : every)
      // Of two jars the first, until the other is asked for.
      const allJars = asks.some(
        ({ code }) => code === 'read the jars' || code === 'read the jar' || code === 'read again',
      )
      for (const [jar, truth] of truths.entries()) {
        if (jar > 0 && !allJars) continue
        if (pieces) read(lotId, onDay, truth.ph(onDay * 24, 'liquid'), 'liquid', marks[jar])
        read(lotId, onDay, truth.ph(onDay * 24, 'blended'), 'blended', marks[jar])
      }
      asks = ask()
    }
    if (asks.some(({ code }) => code === 'discard')) return end('discarded', onDay, asks[0]!.why)
    if (!asks.some(({ code }) => code === 'press')) {
      // Told twice that it goes no further, the maker calls it ready and leaves the rest to the blend.
      if (standsStill() && ++still === 2)
        log.write({
          kind: 'decide',
          at: day(onDay + 0.05),
          lotId,
          decision: 'ready',
          reason: 'It goes no further.',
        } as Draft)
      continue
    }
    const base = log.press(lotId, onDay + 0.1)
    const pot = log.id()
    const vinegar = { materialId: 'white-vinegar', name: 'Vinegar', massG: 200 }
    log.write({
      ...{
        kind: 'blend',
        at: day(onDay + 0.2),
        lotId: pot,
        code: 'S-1',
        name: 'Sauce',
        color: '#c22a1b',
        cooked: false,
      },
      parts: [{ lotId: base, name: 'Base', massG: 1000 }, vinegar],
      predictedPh: { low: 3.4, typical: 3.5, high: 3.6 },
    } as Draft)
    const truly = withPh(
      compositionOf(log.book(), base)!,
      middle(truths.map((truth) => truth.ph((onDay + 0.1) * 24, 'blended'))),
      0,
    )
    const finished = mixturePh(mix([ofMass(truly, 1000), partComposition(log.book(), vinegar)!]))
    read(pot, onDay + 1.4, finished ?? 7)
    const checks = releaseChecks({
      ...caseOf(log.book(), pot, { ...KEPT_COLD, relief: 'vented' }),
      label: { current: true, evidence: { atMs: START, by: 'Bench', what: 'printed' } },
    })
    const stops = checks.filter(({ verdict }) => verdict === 'stop').map(({ sentence }) => sentence)
    return end('pressed', onDay, stops.join(' '), mayRelease(checks))
  }
  return end('asked for ever', LAST_DAY, '')
}

/** Kinds of which the maker was told something wrong: what could not be known is counted apart. */
const MISLED: readonly (SeasonKind | Maker)[] = [
  'salt x0.6',
  'salt x1.6',
  'room 3 °C colder',
  'room 3 °C warmer',
  'start +0.4',
  'meter 0.15 low',
  'meter 0.15 high',
]
export const isMisled = ({ kind, maker }: Pick<Season, 'kind' | 'maker'>): boolean =>
  MISLED.includes(kind) || MISLED.includes(maker)

export const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0
const share = (part: number, of: number) => (of ? ((100 * part) / of).toFixed(part ? 1 : 0) : '-')

/** A row of the table of seasons: what became of lives of one kind. */
export function seasonRow(name: string, lives: readonly Season[]): string[] {
  const pressed = lives.filter(({ ended }) => ended === 'pressed')
  const sound = lives.filter((life) => life.sound)
  const thrown = sound.filter(({ ended }) => ended === 'discarded')
  const asked = sound.filter(({ ended }) => ended === 'asked for ever')
  return [
    name,
    `${lives.length}`,
    `${pressed.length}`,
    `${lives.filter(({ released }) => released).length}`,
    `${lives.filter(({ pastHalf }) => pastHalf).length}`,
    `${lives.filter(({ unsafe }) => unsafe).length}`,
    `${sound.length}`,
    share(thrown.length, sound.length),
    share(asked.length, sound.length),
    `${middle(pressed.map(({ days }) => days))}`,
    `${middle(lives.map(({ readings }) => readings))}`,
  ]
}
export const SEASON_COLUMNS = [
  'true batch',
  'lives',
  'pressed',
  'released',
  'above 4.6 past 1.5 D',
  'of these pressed (unsafe)',
  'sound',
  'sound thrown away %',
  'sound asked for ever %',
  'pressed on day (median)',
  'readings (median)',
]
