import { TOO_WARM_C, type Allowance } from '../ferment/clock'
import type { Flag } from '../ferment/flags'
import { RAW_NEEDED } from '../ferment/rawShare'
import { CALM_GAS, FERMENTED_FALL, riseAsks, SETTLED_FALL } from '../ferment/settled'
import { styleById } from '../library/styles'
import { saltToReach } from '../salt/correct'
import { leastSaltPct } from '../salt/least'
import { titratablePct } from '../acid/titration'
import type { PhFact } from '../makeup/acidity'
import { DAY_MS } from '../units/time'
import { byTaste, isUntasted } from './byTaste'
import { looksOf } from '../makeup/sensed'
import { dryAw, saltAt, samplesOf, weakestSaltInWater, type History } from './history'
import type { Foresight } from './judgement'
import type { TimeAbove } from './passing'
import type { Reason } from './reasons'

/** The time above 4.6 of the liquid and of the whole; one and the same where there are no pieces. */
export type Columns = Record<'liquid' | 'blended', TimeAbove>

/** What the rules of a lot judged by its acid look at. Times in ms. */
export interface Case {
  history: History
  columns: Columns
  atMs: number
  /** What its salt allows; `null` where it preserves. */
  allowance: Allowance | null
  /** Share at which the time of the whole is over. */
  wholeLimit: number
  tempC: number
  due: (limit: number, spent: number) => number
  foresight: Foresight | undefined
  ferment: boolean
  /** Time since packing in the measure of the clock, whether it passed or not. */
  elapsed: number
  /** Share spent until a moment, ms, had it never passed. */
  spentAt: (ms: number) => number
  /** Jars that no pH was read in. */
  unread: readonly string[]
  /** What it was made of stood on eye and tongue alone: that speaks in place of a proof. */
  fromTaste: boolean
}

/** A batch is as sour as this by twice its time. Judgement. */
const SOUR = 4.2
/** Least rise of titratable acid that shows a ferment, percent. Judgement. */
const FERMENTED_TITRATED = 0.3
/** Settled above its target: at or under 4.2, and moved by no more than so much in so many days. Judgement. */
const STILL = { days: 4, ph: 0.1 } as const
/** Nothing read by so many days, or by half of the time, wants a reading. Judgement. */
const FIRST_READING_DAYS = 2
const HALF = 0.5
/** From this share of their time on pieces press. Judgement. */
const PRESSING = 0.7

/** What is late in so much salt that only staphylococci are to be feared: their toxin stays. */
const salty = (history: History, atMs: number): Reason[] => [
  { code: 'salty and late', facts: { saltInWaterPct: weakestSaltInWater(history, atMs) } },
]

/** Under so much salt, percent, what passed late is not for the own kitchen either. Judgement. */
const HOME_SALT_PCT = 2

/**
 * Whether the maker may decide to eat at home what the record cannot show to have passed in time: it tasted sour in
 * time, or nine in ten of the forecast passed in time; salted, mostly raw, never too warm, not under oil.
 */
function mayEatAtHome({ history, atMs, spentAt }: Case, { mostSpent }: TimeAbove, limit: number): boolean {
  const { lot, start, temperature, startMs } = history
  const sour = looksOf(lot).some(
    ({ question, step, atMs: ms }) => question === 'sour' && step > 0 && spentAt(ms) < limit,
  )
  const salt = saltAt(history, atMs)
  const hot = temperature.some(
    ({ fromMs, toMs, fromC, toC }) => fromMs <= atMs && toMs >= startMs && Math.max(fromC, toC) > TOO_WARM_C,
  )
  return (
    (sour || (mostSpent !== null && mostSpent < limit)) &&
    (salt?.lowPct ?? 0) >= HOME_SALT_PCT &&
    (start?.strongStarter || (start?.rawPct ?? 0) >= 100 * RAW_NEEDED) &&
    !hot &&
    !history.oily
  )
}

/** The time above 4.6: of one kind of sample. */
export function lateReasons(all: Case): Reason[] {
  const { history, columns, allowance, wholeLimit, atMs } = all
  const { liquid, blended } = columns
  const late = allowance?.hazard === 'staphylococci'
  const of = (course: TimeAbove, limit: number, whole: boolean): Reason[] => {
    const { over, passed, spent, leastSpent, lateSpent, above, guessed } = course
    if (late && (over || (passed ? lateSpent : spent) >= limit)) return salty(history, atMs)
    if (over)
      return [
        {
          code: 'above too long',
          facts: { ph: over.sample.ph, atMs: over.sample.atMs, spent: over.spent, pieces: whole },
        },
      ]
    if (above) return [{ code: 'above again', facts: { ph: above.ph, atMs: above.atMs, spent } }]
    if (!passed) return []
    const { afterMs, byMs } = passed
    if (leastSpent >= limit)
      return [{ code: 'passed too late', facts: { spent: leastSpent, afterMs, byMs, pieces: whole } }]
    if (lateSpent < limit) return []
    const home = mayEatAtHome(all, course, limit)
    const decided =
      home && history.lot.decisions.findLast(({ at, decision }) => decision === 'home' && Date.parse(at) <= atMs)
    return decided
      ? [{ code: 'home use', facts: { atMs: Date.parse(decided.at), spent: lateSpent } }]
      : [{ code: 'may have passed late', facts: { spent: lateSpent, afterMs, byMs, guessed, pieces: whole, home } }]
  }
  return history.pieces ? [...of(liquid, 1, false), ...of(blended, wholeLimit, true)] : of(blended, 1, false)
}

/** Not proven to be under the line. */
function unprovenReasons({ history, columns, atMs, wholeLimit, tempC, due, foresight }: Case): Reason[] {
  const { liquid, blended, newest } = { ...columns, newest: columns.blended.newest ?? columns.liquid.newest }
  const ageMs = atMs - history.startMs
  const sensed = liquid.passed ? null : byTaste(history, liquid, foresight, { atMs, due })
  if (sensed) return sensed
  if (!liquid.passed && liquid.spent >= 1)
    return [
      {
        code: 'time over, not read',
        facts: { spent: liquid.spent, ph: liquid.newest?.ph ?? null, pieces: false, chance: null },
      },
    ]
  if (!newest)
    return ageMs > FIRST_READING_DAYS * DAY_MS || liquid.spent > HALF
      ? [{ code: 'not read yet', facts: { ageMs } }]
      : [{ code: 'young', facts: { spent: liquid.spent, dueMs: due(1, liquid.spent) } }]
  if (!liquid.passed) {
    const dueMs = due(1, liquid.spent)
    return liquid.spent > HALF
      ? [{ code: 'behind', facts: { ph: newest.ph, ageMs, tempC, dueMs } }]
      : [{ code: 'above the line', facts: { ph: newest.ph, dueMs } }]
  }
  if (blended.passed) return []
  // The liquid passed; the pieces have up to twice the time.
  if (blended.spent >= wholeLimit) return [{ code: 'pieces not read', facts: { spent: blended.spent } }]
  const ground = history.acidity.findLast(({ of, atMs: readMs }) => of === 'blended' && readMs <= atMs)
  const dueMs = due(wholeLimit, blended.spent)
  if (blended.newest && blended.spent > wholeLimit * PRESSING)
    return [{ code: 'behind', facts: { ph: (ground ?? blended.newest).ph, ageMs, tempC, dueMs } }]
  return ground
    ? [{ code: 'above the line', facts: { ph: ground.ph, dueMs } }]
    : [{ code: 'liquid only', facts: { ph: (liquid.newest ?? newest).ph } }]
}

/** Kept by its salt, once that is even in its pieces. */
export function preserved(history: History, atMs: number, leastDays = 0): Reason[] {
  const leftMs = Math.max(history.evenMs, history.startMs + leastDays * DAY_MS) - atMs
  return leftMs > 0
    ? [{ code: 'by time', facts: { leftMs } }]
    : [{ code: 'kept by salt', facts: { saltInWaterPct: weakestSaltInWater(history, atMs), aw: dryAw(history, atMs) } }]
}

/** A pH that rose; liquid and pieces are two things, each is laid beside its own, since something was put in last. */
function riseReason({ acidity, additions }: History, atMs: number): Reason[] {
  const raisedMs = additions.findLast((one) => one.raises && one.atMs <= atMs)?.atMs ?? -Infinity
  const read = acidity.filter((fact) => fact.atMs <= atMs && fact.atMs > raisedMs)
  const last = read.at(-1)
  if (!last) return []
  const lowest = Math.min(...read.filter(({ of }) => of === last.of).map(({ ph }) => ph))
  return last.ph - lowest > riseAsks(last.sd)
    ? [{ code: 'rose', facts: { from: lowest, to: last.ph, atMs: last.atMs } }]
    : []
}

/** Put in since the last reading, and of a kind that could raise it. */
export function putInReason(history: History, atMs: number, fromTaste = false): Reason[] {
  const { acidity, additions } = history
  const last = additions.findLast((one) => one.raises && one.atMs <= atMs)
  const told = acidity.some((fact) => last && fact.atMs < last.atMs) || (fromTaste && isUntasted(history, atMs))
  if (!last || !told) return []
  const readSince = acidity.some((fact) => fact.atMs > last.atMs && fact.atMs <= atMs && fact.of === 'blended')
  return readSince ? [] : [{ code: 'put in since', facts: { atMs: last.atMs, upperPh: last.upperPh } }]
}

/** What was wrong with it from the start, until it shows that it works: salt, and what lives in it. */
function startReasons({ history, columns, atMs }: Case, targetPh: number): Reason[] {
  const reasons: Reason[] = []
  const { start, acidity } = history
  const salt = saltAt(history, atMs)
  const last = acidity.findLast((fact) => fact.atMs <= atMs && fact.of === 'blended')
  const leastPct = leastSaltPct(start?.strongStarter ?? false)
  const atTarget = last !== undefined && last.ph <= targetPh
  if (salt && salt.saltPct < leastPct - 0.005 && !atTarget)
    reasons.push({
      code: 'weak salt',
      facts: { saltPct: salt.saltPct, leastPct, saltG: saltToReach(salt.massG, salt.saltPct, leastPct) },
    })
  else if (salt && salt.lowPct < leastPct - 0.005 && !atTarget)
    reasons.push({ code: 'may be weak', facts: { lowPct: salt.lowPct, saltPct: salt.saltPct, leastPct } })
  if (!start) return reasons
  const fell = last !== undefined && start.ph - last.ph >= FERMENTED_FALL
  const alive = start.alive || history.additions.some((one) => one.lives && one.atMs <= atMs)
  const rawPct = history.additions.findLast((one) => one.atMs <= atMs)?.rawPct ?? start.rawPct ?? 0
  if (!alive) reasons.push({ code: 'nothing alive', facts: { rawPct } })
  else if (!fell && !columns.liquid.passed && !start.strongStarter && rawPct < 100 * RAW_NEEDED)
    reasons.push({ code: 'mostly cooked', facts: { rawPct } })
  return reasons
}

/** Gas was seen, and later calm; or it has stood its style's least days with a sign of life. */
function lived({ signs, startMs, lot }: History, atMs: number): boolean {
  const seen = signs.filter(({ at }) => Date.parse(at) <= atMs)
  const gas = seen.filter(({ sign }) => sign === 'bubbles' || sign === 'foam' || sign === 'bag ballooned')
  const first = gas[0]
  if (!first) return false
  if (seen.some(({ sign, at }) => sign === 'calm' && at > first.at)) return true
  const leastDays = lot.made.kind === 'plan' ? styleById(lot.made.style).days.low : 0
  return atMs - startMs >= leastDays * DAY_MS
}

/** Whether its acid is its own: it fell from its start, gas came and went, or its titratable acid rose. */
function fermented(history: History, now: PhFact, atMs: number): boolean {
  const { start, lot } = history
  if (start && start.ph - now.ph >= FERMENTED_FALL - 1e-9) return true
  if (lived(history, atMs)) return true
  const titrated = lot.readings
    .filter(({ at, titration }) => titration && Date.parse(at) <= atMs)
    .flatMap(({ titration }) => (titration ? [titratablePct(titration)] : []))
  const [first, last] = [titrated[0], titrated.at(-1)]
  return first !== undefined && last !== undefined && last - first >= FERMENTED_TITRATED - 1e-9
}

/** Below the line: on its way to the target, or there. */
function progress({ history, columns, atMs, foresight }: Case, targetPh: number): Reason[] {
  const { blended } = columns
  if (!blended.passed) return []
  const raisedMs = history.additions.findLast((one) => one.raises && one.atMs <= atMs)?.atMs ?? -Infinity
  const agreed = samplesOf(history).blended.filter((fact) => fact.atMs <= atMs)
  const now = agreed.at(-1)
  if (!now) return []
  if (now.ph > targetPh) {
    const before = agreed.findLast((one) => one.atMs > raisedMs && one.atMs <= now.atMs - STILL.days * DAY_MS)
    const apartMs = before ? now.atMs - before.atMs : 0
    const stands =
      before !== undefined &&
      now.ph <= SOUR &&
      Math.abs(before.ph - now.ph) <= STILL.ph &&
      (foresight?.gasPerDay ?? 0) <= CALM_GAS &&
      fermented(history, now, atMs)
    return [
      stands
        ? { code: 'settled above target', facts: { ph: now.ph, targetPh, apartMs } }
        : { code: 'below the line', facts: { ph: now.ph, targetPh } },
    ]
  }
  const earlier = agreed.findLast((one) => one.atMs <= now.atMs - DAY_MS && one.atMs > raisedMs)
  if (!earlier || earlier.ph > targetPh) return [{ code: 'one reading at target', facts: { ph: now.ph } }]
  const perDay = (earlier.ph - now.ph) / ((now.atMs - earlier.atMs) / DAY_MS)
  if (perDay >= SETTLED_FALL) return [{ code: 'falling', facts: { ph: now.ph, perDay } }]
  if ((foresight?.gasPerDay ?? 0) > CALM_GAS) return [{ code: 'gassing', facts: { ph: now.ph } }]
  if (!fermented(history, now, atMs))
    return [
      {
        code: 'not fermented',
        facts: { ph: now.ph, startPh: history.start?.ph ?? now.ph, read: history.start?.read ?? false },
      },
    ]
  return [
    {
      code: 'settled',
      facts: { first: earlier.ph, second: now.ph, apartMs: now.atMs - earlier.atMs, targetPh },
    },
  ]
}

/** What a flag of the forecast comes to; `distrust` says why by the gravest that stands beside it. */
function reasonOf(
  { code, chance }: Flag,
  flags: readonly Flag[],
  { passed, newest }: Pick<TimeAbove, 'passed' | 'newest'>,
  targetPh: number,
): Reason | null {
  switch (code) {
    case 'distrust': {
      const because = flags.find((other) => other.code === 'dead' || other.code === 'standing still') ?? { code }
      return { code: 'does not fit', facts: { chance, because: because.code } }
    }
    case 'film':
      return { code: 'may carry film', facts: { chance } }
    case 'yeast':
      return { code: 'may be yeast', facts: { chance } }
    case 'standing still':
      return passed && newest && newest.ph > targetPh ? { code: 'stands still', facts: { chance, targetPh } } : null
    case 'behind':
      return passed ? null : { code: 'behind the forecast', facts: { chance } }
    // What is dead is distrusted.
    case 'dead':
      return null
  }
}

/** What the forecast makes of what was read. */
const foreseen = (flags: readonly Flag[], blended: TimeAbove, targetPh: number): Reason[] =>
  flags.flatMap((flag) => reasonOf(flag, flags, blended, targetPh) ?? [])

/** Everything that speaks for or against a lot that is judged by its acid. */
export function fermentReasons(of: Case): Reason[] {
  const { history, columns, atMs, allowance, tempC, ferment } = of
  const { made, decisions } = history.lot
  const late = lateReasons(of)
  if (!ferment || made.kind !== 'plan') {
    const unproven: Reason[] =
      columns.blended.passed || late.length || of.fromTaste
        ? []
        : [{ code: 'not proven', facts: { spent: columns.blended.spent, ph: columns.blended.newest?.ph ?? null } }]
    const rest = [...late, ...unproven, ...putInReason(history, atMs, of.fromTaste)]
    return [...rest, { code: 'as it is', facts: { kind: history.lot.kind } }]
  }
  const reasons: Reason[] = [...late]
  if (!allowance) return [...preserved(history, atMs), ...putInReason(history, atMs)]
  if (!late.length) reasons.push(...unprovenReasons(of))
  if (tempC > TOO_WARM_C) reasons.push({ code: 'too warm', facts: { tempC } })
  const flags = of.foresight?.flags ?? []
  reasons.push(...foreseen(flags, columns.blended, made.targetPh), ...riseReason(history, atMs))
  reasons.push(...putInReason(history, atMs), ...startReasons(of, made.targetPh))
  const { newest } = columns.liquid
  if (newest && newest.ph > SOUR && of.elapsed > 2)
    reasons.push({ code: 'slow to sour', facts: { ph: newest.ph, ageMs: atMs - history.startMs } })
  if (of.unread.length && columns.blended.passed) reasons.push({ code: 'jars not read', facts: { marks: of.unread } })
  reasons.push(...progress(of, made.targetPh))
  const wait = decisions.findLast(({ at }) => Date.parse(at) <= atMs)
  const untilMs = wait?.decision === 'wait' && wait.until ? Date.parse(wait.until) : 0
  if (untilMs > atMs) reasons.push({ code: 'more time given', facts: { untilMs } })
  return reasons
}
