import {
  ANY_OFFSET,
  asksOf,
  forecastFerment,
  hiddenBatch,
  isByTaste,
  judgeOf,
  leastSaltPct,
  lotCaseOf,
  normals,
  summaryOf,
  PH_LINE,
  piecesTimes,
  allowedDays,
  allowanceOf,
  PLAIN_ALLOWANCE,
  SENSE_QUESTIONS,
  stepOf,
  uniforms,
  type Draft,
  type FermentForecast,
  type HiddenKind,
  type SenseQuestion,
  type TaskCode,
  type Kit,
} from '../../src'
import { day, notebook, START } from '../log/build'
import { middle, PACKED } from './season'

/* Hidden true batches kept by eye and tongue alone, as the application asks for it. */

const DAY_MS = 86_400_000
const HOUR_MS = 3_600_000
const LAST_DAY = 16
const MEMBERS = 300

/** The mix of section "true batches": what lives, stands still, starts late, is yeast, is dead; shares sum to 1. */
const LIVING: readonly HiddenKind[] = [
  ...['model', 'model', 'model', 'growth x0.7', 'growth x1.3', 'least pH +0.3', 'another curve'],
  ...['room 3 °C colder', 'room 3 °C warmer', 'buffer x1.8', 'start +0.4', 'salt x0.6', 'salt x1.6'],
] as HiddenKind[]
const OTHERS: readonly [share: number, kinds: readonly HiddenKind[]][] = [
  [0.2, ['stuck at 3.9', 'stuck at 4.3', 'stalled at 4.8']],
  [0.1, ['late start']],
  [0.05, ['yeast']],
  [0.03, ['dead']],
]

/** The kind of a batch in the mix. @param draw, within numbers from 0 to 1. */
export function mixedKind(draw: number, within: number): HiddenKind {
  const pick = (kinds: readonly HiddenKind[]) => kinds[Math.floor(within * kinds.length)] ?? 'model'
  let left = draw
  for (const [share, kinds] of OTHERS) {
    if (left < share) return pick(kinds)
    left -= share
  }
  return pick(LIVING)
}

/** Whether a strip is dipped beside: never, on days 4 and 11, or where the application asks for one. */
export const STRIPS = ['none', 'days 4 and 11', 'as asked'] as const
export type Strips = (typeof STRIPS)[number]

/** How one life by eye and tongue went. */
export interface SenseLife {
  kind: HiddenKind
  strips: Strips
  ended: 'likely' | 'proven' | 'discarded' | 'asked for ever'
  /** Said to be likely under, and it was not, or had not passed in its time. */
  wrong: boolean
  /** It stood above 4.6 when it was said to be likely, and was eaten. */
  above: boolean
  /** Truly passed in its time, with a tenth of it to spare, and stands under. */
  sound: boolean
  askedForStrip: boolean
  days: number
  /** What was said day by day, and whether it was so. */
  said: { chance: number; was: boolean }[]
}

/** Tasks that want a pH. */
const READS: readonly TaskCode[] = ['strip', 'read behind', 'read again', 'read the pH']

/** One life, by its seed; in the mix, or of one kind. */
export function liveBySenses(
  seed: number,
  strips: Strips,
  { only, members = MEMBERS, lastDay = LAST_DAY }: { only?: HiddenKind; members?: number; lastDay?: number } = {},
): SenseLife {
  const chance = uniforms(seed + 1_000_000)
  const noise = normals(seed + 2_000_000)
  const kit: Kit = { sour: strips === 'none' ? 'nose and tongue' : 'paper strips', scale: true }
  const roomC = 12 + 14 * chance()
  const saltPct = Math.max(leastSaltPct(false), 2.5 + 3 * chance())
  const kind = only ?? mixedKind(chance(), chance())
  const pieces = seed % 4 === 3
  const log = notebook()
  const lotId = log.mash(0, PACKED[pieces ? 'pieces' : 'mash'](saltPct))
  log.read(lotId, 0, undefined, roomC)
  const lot = () => log.book().lots.get(lotId)!
  const believed = lotCaseOf(log.book(), lot(), START)!
  const truth = hiddenBatch(kind, { batch: believed.batch, temperature: { points: [{ hour: 0, tempC: roomC }] } }, seed)
  const offsets = Object.fromEntries(SENSE_QUESTIONS.map((question) => [question, ANY_OFFSET.sd * noise()]))
  const { saltPct: inWaterPct } = believed.batch.medium
  const allowance = allowanceOf(inWaterPct) ?? PLAIN_ALLOWANCE
  const allowedH = 24 * allowedDays(roomC, allowance) * allowance.times
  const passesAt = (of: 'liquid' | 'blended') => {
    for (let hour = 0; hour < 24 * 60; hour++) if (truth.ph(hour, of) <= PH_LINE) return hour
    return Infinity
  }
  const passed = { liquid: passesAt('liquid'), blended: passesAt('blended') }
  const inTime = (share: number) =>
    passed.liquid <= share * allowedH &&
    passed.blended <= share * allowedH * (pieces ? piecesTimes(true, inWaterPct) : 1)
  const under = (atDay: number) => truth.ph(atDay * 24, 'blended') <= PH_LINE
  let known: { entries: number; forecast: FermentForecast } | null = null
  let entries = 0
  function look(atDay: number, questions: readonly SenseQuestion[]) {
    const seen = Object.fromEntries(
      questions.map((of) => [of, stepOf(of, truth.figure(of, atDay * 24), offsets[of] ?? 0, noise())]),
    )
    log.write({ kind: 'sense', at: day(atDay), lotId, seen } as Draft)
    entries++
  }
  /** In half points, as a strip is read. */
  function dip(atDay: number) {
    const ph = Math.round((truth.ph(atDay * 24, 'blended') + 0.15 * noise()) * 2) / 2
    const instrument = { name: 'Strips', kind: 'strip', steady: true } as const
    log.write({ kind: 'reading', at: day(atDay), lotId, ph, of: 'blended', instrument } as Draft)
    entries++
  }
  const said: SenseLife['said'] = []
  let askedForStrip = false
  let dipped = -1
  const life = (ended: SenseLife['ended'], days: number): SenseLife => ({
    ...{ kind, strips, ended, days, askedForStrip, said },
    sound: inTime(0.9) && under(LAST_DAY) && kind !== 'yeast',
    wrong: ended === 'likely' && !(inTime(1) && under(days)),
    above: ended === 'likely' && !under(days),
  })
  for (let onDay = 0; onDay <= lastDay; onDay++) {
    const atDay = onDay + 0.05
    const nowMs = START + atDay * DAY_MS
    const stands = () => {
      if (known?.entries !== entries) {
        const forecast = forecastFerment(lotCaseOf(log.book(), lot(), nowMs)!, { days: LAST_DAY + 2, members })
        known = { entries, forecast }
      }
      const ahead = summaryOf(log.book(), lot(), known.forecast, nowMs)
      const judge = judgeOf(log.book(), () => ahead)
      return { ahead, judge, asks: asksOf(log.book(), judge, lot(), nowMs, ahead, undefined, kit) }
    }
    const first = stands().asks
    for (const { questions } of first) if (questions) look(atDay, questions)
    const wanted = stands().asks.some(
      ({ code, title }) => READS.includes(code) || (code === 'chore' && /pH/.test(title)),
    )
    if (
      strips === 'days 4 and 11' ? onDay === 4 || onDay === 11 : strips === 'as asked' && wanted && onDay > dipped + 1
    ) {
      dip(atDay + 0.01)
      dipped = onDay
    }
    const { ahead, judge, asks } = stands()
    const judgement = judge(lotId, nowMs)!
    if (ahead.under && strips === 'none') {
      const hour = (nowMs - START) / HOUR_MS
      const at = ahead.under.hours.findIndex((one) => one >= hour)
      said.push({ chance: ahead.under.chances[at]!, was: inTime(1) && under(atDay) })
    }
    if (asks.some(({ code }) => code === 'strip')) askedForStrip = true
    if (asks.some(({ code }) => code === 'discard')) return life('discarded', atDay)
    if (judgement.reasons.some(isByTaste)) return life('likely', atDay)
    if (judgement.passed) return life('proven', atDay)
  }
  return life('asked for ever', lastDay)
}

const share = (part: number, of: number) => (of ? ((100 * part) / of).toFixed(1) : '-')

export const SENSE_COLUMNS = [
  'true batch',
  'lives',
  'said likely',
  'of these wrong',
  'above 4.6 when eaten',
  'proven by strip',
  'asked for a strip',
  'thrown away',
  'sound',
  'sound thrown away %',
  'sound, not told by day 14 %',
  'told on day (median)',
]

/** A row of the table of lives by senses. */
export function senseRow(name: string, lives: readonly SenseLife[]): string[] {
  const count = (holds: (life: SenseLife) => boolean, of = lives) => of.filter(holds).length
  const sound = lives.filter((life) => life.sound)
  const told = ({ ended, days }: SenseLife) => (ended === 'likely' || ended === 'proven') && days < 15
  return [
    name,
    `${lives.length}`,
    `${count(({ ended }) => ended === 'likely')}`,
    `${count(({ wrong }) => wrong)}`,
    `${count(({ above }) => above)}`,
    `${count(({ ended }) => ended === 'proven')}`,
    `${count(({ askedForStrip }) => askedForStrip)}`,
    `${count(({ ended }) => ended === 'discarded')}`,
    `${sound.length}`,
    share(
      count(({ ended }) => ended === 'discarded', sound),
      sound.length,
    ),
    share(
      count((life) => !told(life) && life.ended !== 'discarded', sound),
      sound.length,
    ),
    middle(lives.filter(told).map(({ days }) => days)).toFixed(0),
  ]
}

/** Calibration: what was said in steps of probability, against how often it was so. */
export function calibrationRows(lives: readonly SenseLife[]): string[][] {
  const ends = [0.02, 0.05, 0.1, 0.2, 0.4, 0.6, 0.8, 0.9, 0.95, 0.99, 1.0001]
  const all = lives.flatMap(({ said }) => said)
  return ends.map((end, index) => {
    const from = ends[index - 1] ?? 0
    const here = all.filter(({ chance }) => chance >= from && chance < end)
    const mean = here.reduce((sum, { chance }) => sum + chance, 0) / Math.max(1, here.length)
    return [
      `${from}–${Math.min(1, end)}`,
      `${here.length}`,
      mean.toFixed(3),
      (here.filter(({ was }) => was).length / Math.max(1, here.length)).toFixed(3),
    ]
  })
}
