import type { Base, Ferment, Hour, Life, Look, Pot, Reading } from './life'

/*
 * A second judge, written from docs/judgement.md alone. It shares no code with the first and looks at lives, not at
 * entries; it is slow and plain on purpose.
 */

export type State = 'ready' | 'working' | 'ask' | 'act' | 'discard'
export type Make = 'pass' | 'ask' | 'stop'
export interface Verdict {
  state: State
  make: Make
  rules: string[]
  /** How near the time was to its limit: within a hair the two judges may differ by rounding. */
  hair: boolean
}

const ALLOWED: [number, number][] = [
  [12, 10],
  [15, 7],
  [18, 5],
  [21, 4],
  [24, 3],
  [27, 2.5],
  [30, 2],
  [35, 1],
]
/** @param salted 3.5 % salt in the water or more: 14 days in the cold, else ten. */
function daysAllowed(c: number, salted: boolean): number {
  const table: [number, number][] = [[10, salted ? 14 : 10], ...ALLOWED]
  if (c <= 10) return table[0]![1]
  for (let i = 1; i < table.length; i++) {
    const [t0, d0] = table[i - 1]!
    const [t1, d1] = table[i]!
    if (c <= t1) return d0 * (d1 / d0) ** ((c - t0) / (t1 - t0))
  }
  return 1
}

const SD = { bench: 0.03, pocket: 0.05, other: 0.25, strip: 0.2 }
type Class = keyof typeof SD
function classOf({ tool }: Reading): Class {
  if (tool.kind === 'strip') return 'strip'
  if (!tool.steady || tool.age < 0) return 'other'
  const good = tool.kind === 'bench' && tool.slopePct >= 90 && tool.slopePct <= 105
  if (good && tool.age <= 24) return 'bench'
  if (good && tool.age <= 168) return 'pocket'
  if (tool.kind === 'pocket' && tool.age <= 24) return 'pocket'
  return 'other'
}
const near = 1e-9
const high = (r: Reading) => r.ph! + 1.645 * SD[classOf(r)]
const low = (r: Reading) => r.ph! - 1.645 * SD[classOf(r)]
const isCoarse = (r: Reading) => classOf(r) === 'strip' || classOf(r) === 'other'
const isClear = (r: Reading) => (isCoarse(r) ? r.ph! + SD[classOf(r)] : high(r)) <= 4.6 + near
/** Of several coarse readings within an hour the highest. */
function highest(readings: Reading[]): Reading[] {
  const groups: Reading[][] = []
  for (const r of readings) {
    const group = groups.at(-1)
    if (group && isCoarse(r) && isCoarse(group[0]!) && r.hour - group[0]!.hour <= 1) group.push(r)
    else groups.push([r])
  }
  return groups.map((group) => group.reduce((a, b) => (b.ph! >= a.ph! ? b : a)))
}

/** A stretch of the temperature of a ferment, straight from one end to the other. */
interface Line {
  from: Hour
  to: Hour
  c0: number
  c1: number
}
/** What tells how warm a ferment stood. */
type Placed = Pick<Ferment, 'readings' | 'moves'>
function linesOf({ readings, moves }: Placed): Line[] {
  const stays = [{ hour: 0, c: 24 }, ...moves.map((m) => ({ hour: m.hour, c: m.saidC ?? (m.cold ? 4 : 24) }))]
  return stays.flatMap((stay, index) => {
    const until = stays[index + 1]?.hour ?? 1e9
    const here = readings.filter((r) => r.tempC !== null && r.hour >= stay.hour && r.hour < until)
    const first = here[0]?.hour ?? until
    return [
      { from: stay.hour, to: first, c0: stay.c, c1: stay.c },
      ...here.map((r, at) => {
        const next = here[at + 1]
        // Nobody knows when it got colder: the warmer of both.
        const c = Math.max(r.tempC!, next?.tempC ?? r.tempC!)
        return { from: r.hour, to: next?.hour ?? until, c0: c, c1: c }
      }),
    ]
  })
}

/** Share spent over part of a line, Simpson's rule; what was worked out before is kept. */
function shareOnLine({ from, to, c0, c1 }: Line, until: Hour, salted: boolean): number {
  const at = (hour: Hour) => c0 + ((c1 - c0) * (hour - from)) / (to - from)
  const n = c0 === c1 ? 2 : 40
  const step = (until - from) / n
  let sum = 0
  for (let k = 0; k <= n; k++) {
    const weight = k === 0 || k === n ? 1 : k % 2 ? 4 : 2
    sum += (weight * step) / 3 / 24 / daysAllowed(c0 === c1 ? c0 : at(from + k * step), salted)
  }
  return sum
}
const kept = new WeakMap<Placed, { lines: Line[]; whole: Record<'plain' | 'salted', number[]> }>()
function linesKept(f: Placed) {
  const known = kept.get(f)
  if (known) return known
  const lines = linesOf(f)
  const whole = (salted: boolean) => lines.map((line) => (line.to > line.from ? shareOnLine(line, line.to, salted) : 0))
  const found = { lines, whole: { plain: whole(false), salted: whole(true) } }
  kept.set(f, found)
  return found
}

/** Temperature of the ferment at an hour. */
function temperature(f: Jar, hour: Hour): number {
  const line = linesKept(f).lines.find((l) => hour >= l.from && hour < l.to)!
  return line.c0 === line.c1 ? line.c0 : line.c0 + ((line.c1 - line.c0) * (hour - line.from)) / (line.to - line.from)
}

/** Share of the time that is spent from packing to an hour. */
function shareSpent(f: Jar, to: Hour, { times, salted }: Salt): number {
  const { lines, whole: both } = linesKept(f)
  const whole = both[salted ? 'salted' : 'plain']
  let sum = 0
  lines.forEach((line, index) => {
    if (line.to <= line.from || to <= line.from) return
    sum += to >= line.to ? whole[index]! : shareOnLine(line, to, salted)
  })
  return sum / times
}

/** What is known of one column at an hour. */
export interface Column {
  passed: boolean
  likely: number
  late: number
  /** The early end, where a reading above says that it had not passed by then. */
  least: number
  over: boolean
  aboveAgain: boolean
  newest: Reading | null
  nearLimit: boolean
}

export function column(
  readings: Reading[],
  spent: (hour: Hour) => number,
  now: Hour,
  limit: number,
  beginHour: Hour,
  beginsUnder: boolean,
  foreseen: { early: Hour; likely: Hour; late: Hour } | null,
  putIn: Hour[],
  joined: { hour: Hour; spent: number }[] = [],
): Column {
  let passed: { after: Hour; by: Hour; given: boolean } | null = beginsUnder
    ? { after: beginHour, by: beginHour, given: true }
    : null
  let told = foreseen
  const steps: { hour: Hour; more: number }[] = []
  let lastNotClear = beginHour
  let lastAbove = beginHour
  let lastClear: Hour | null = beginsUnder ? beginHour : null
  let rowFrom: Hour | null = null
  let strips: Hour | null = null
  let meters: Hour | null = null
  let over = false
  let above: Reading | null = null
  let newest: Reading | null = null
  let nearLimit = false
  const share = (hour: Hour) => spent(hour) + (steps.filter((s) => s.hour <= hour).at(-1)?.more ?? 0)
  const clamp = (hour: Hour, p: { after: Hour; by: Hour }) => Math.max(p.after, Math.min(p.by, hour))
  const lateOf = (p: { after: Hour; by: Hour; given: boolean }) => (p.given ? 0 : share(clamp(told?.late ?? p.by, p)))
  const likelyOf = (p: { after: Hour; by: Hour; given: boolean }) =>
    p.given ? 0 : share(told ? clamp(told.likely, { after: lastAbove, by: p.by }) : p.after)
  const leastOf = (p: { after: Hour; by: Hour; given: boolean }) =>
    p.given || lastAbove === beginHour ? 0 : share(told ? clamp(told.early, { after: lastAbove, by: p.by }) : lastAbove)
  const events = [
    ...putIn.map((hour) => ({ hour, reading: null as Reading | null, join: null as number | null, turn: 0 })),
    ...joined.map(({ hour, spent: join }) => ({ hour, reading: null, join, turn: 1 })),
    ...highest(readings.filter((r) => r.hour <= now)).map((reading) => ({
      hour: reading.hour,
      reading,
      join: null,
      turn: 2,
    })),
  ]
    .filter((e) => e.hour <= now)
    .sort((a, b) => a.hour - b.hour || a.turn - b.turn)
  for (const { hour, reading: r, join } of events) {
    if (join !== null) {
      if (join > share(hour)) steps.push({ hour, more: join - spent(hour) })
      continue
    }
    if (!r) {
      if (passed) steps.push({ hour, more: lateOf(passed) - spent(hour) })
      passed = null
      told = null
      lastNotClear = hour
      lastClear = null
      rowFrom = null
      strips = null
      meters = null
      continue
    }
    newest = r
    if (passed && low(r) > 4.6 + near) passed = null
    if (!passed && r.ph! > 4.6) lastAbove = hour
    if (r.ph! > 4.6) {
      const e = passed && lastClear !== null ? spent(hour) - spent(lastClear) : share(hour)
      if (Math.abs(e - limit) < 1e-4) nearLimit = true
      if (e >= limit) over = true
    }
    above = passed && r.ph! > 4.6 ? r : null
    const kind = classOf(r)
    const two = kind === 'bench' || kind === 'pocket'
    if (kind === 'strip') strips = r.ph! <= 4.1 ? (strips ?? hour) : null
    else if (r.ph! > 4.6) strips = null
    if (two) meters = r.ph! <= 4.55 ? (meters ?? hour) : null
    else if (r.ph! > 4.6) meters = null
    if (isClear(r)) {
      rowFrom ??= hour
      lastClear = hour
    } else {
      rowFrom = null
      if (!passed) lastNotClear = hour
    }
    const proof =
      (kind === 'strip' && (r.ph! <= 4.0 || (strips !== null && hour - strips >= 12 - 1e-6))) ||
      (kind === 'other' && r.ph! <= 4.0) ||
      (two && high(r) <= 4.6 + near) ||
      (two && meters !== null && hour - meters >= 12 - 1e-6)
    if (!passed && proof) {
      const by = rowFrom ?? hour
      passed = { after: Math.min(lastNotClear, by), by, given: false }
      lastClear = hour
    }
  }
  const open = above && lastClear !== null ? spent(now) - spent(lastClear) : null
  const likely = open ?? (passed ? likelyOf(passed) : share(now))
  const late = open ?? (passed ? lateOf(passed) : share(now))
  if (Math.abs(likely - limit) < 1e-4 || Math.abs(late - limit) < 1e-4) nearLimit = true
  const least = passed && open === null ? leastOf(passed) : 0
  if (Math.abs(least - limit) < 1e-4) nearLimit = true
  return { passed: passed !== null, likely, late, least, over, aboveAgain: above !== null, newest, nearLimit }
}

/** Questions of a sign that have to be answered for it to be settled. */
const QUESTIONS: Record<string, number> = { 'white film': 2, 'fuzzy growth': 2, cloud: 2, specks: 2, soft: 1, foam: 1 }

export function signRules(looks: Look[], readings: Reading[], now: Hour): string[] {
  const seen = looks.filter((l) => l.hour <= now)
  const lastPh = readings.filter((r) => r.ph !== null && r.hour <= now).at(-1)?.hour ?? -Infinity
  const rules = new Set<string>()
  seen.forEach((look, index) => {
    if (look.level === 'discard') rules.add('bad sign')
    else if (look.holds) {
      const settled = seen
        .slice(index + 1)
        .some(
          (l) =>
            l.sign === look.sign &&
            !l.holds &&
            l.level !== 'discard' &&
            l.answers.length >= (QUESTIONS[l.sign] ?? 0) &&
            !l.answers.includes('unsure'),
        )
      if (settled) return
      if (look.level === 'act') {
        if (!(lastPh > look.hour)) rules.add('film')
      } else rules.add('open sign')
    }
  })
  return [...rules]
}

export const STATE_OF: Record<string, [State, Make]> = {
  'bad sign': ['discard', 'stop'],
  over: ['discard', 'stop'],
  'too late': ['discard', 'stop'],
  'thrown away': ['discard', 'stop'],
  'read it now': ['act', 'stop'],
  'above again': ['act', 'stop'],
  'bottle over': ['act', 'stop'],
  'not read': ['act', 'stop'],
  behind: ['act', 'stop'],
  'too warm': ['act', 'ask'],
  'does not fit': ['act', 'ask'],
  'behind forecast': ['act', 'ask'],
  late: ['ask', 'stop'],
  'open sign': ['ask', 'stop'],
  film: ['ask', 'stop'],
  'pieces not proven': ['act', 'stop'],
  'put in since': ['ask', 'stop'],
  'pressed unread': ['ask', 'stop'],
  'too early': ['ask', 'stop'],
  'not proven': ['ask', 'stop'],
  rose: ['ask', 'ask'],
  'may be something else': ['ask', 'ask'],
  'salty and late': ['ask', 'ask'],
  'kept by salt': ['ready', 'pass'],
  'settled above': ['ready', 'ask'],
  weak: ['ask', 'ask'],
  'no life': ['ask', 'ask'],
  'half cooked': ['ask', 'ask'],
  slow: ['ask', 'ask'],
  'jars unread': ['ask', 'ask'],
  'one jar': ['ask', 'ask'],
  'on its way above': ['working', 'stop'],
  'on its way': ['working', 'ask'],
  ready: ['ready', 'pass'],
}
const STATES: State[] = ['ready', 'working', 'ask', 'act', 'discard']
const MAKES: Make[] = ['pass', 'ask', 'stop']
export function verdict(rules: string[], hair: boolean): Verdict {
  const of = (rule: string) => STATE_OF[rule.replace(/^of /, '')]!
  const state = Math.max(...rules.map((rule) => STATES.indexOf(of(rule)[0])))
  const make = Math.max(...rules.map((rule) => MAKES.indexOf(of(rule)[1])))
  return { state: STATES[state]!, make: MAKES[make]!, rules, hair }
}

const saltNow = (f: Jar, now: Hour) => {
  const last = f.putIn.filter((p) => p.hour <= now).at(-1)
  return last?.saltPct ?? f.saltPct
}
interface Salt {
  times: number
  salted: boolean
  /** So salty that only staphylococci are feared. */
  staph: boolean
}
function timesOf(f: Jar, now: Hour): Salt | null {
  let weakest = Math.min(f.saltInWaterPct, ...f.putIn.filter((p) => p.hour <= now).map((p) => p.saltInWaterPct))
  if (weakest >= 20) return null
  // Nobody measured what stands in the tissue.
  if (f.pieces) weakest = Math.min(weakest, 9.99)
  const times = weakest <= 4.5 ? 1 : weakest >= 8 ? 3 : 1 + (2 * (weakest - 4.5)) / 3.5
  return { times, salted: weakest >= 3.5, staph: weakest >= 10 }
}
/** In how many times the time of their liquid the pieces of a jar have to pass. */
const piecesLimit = (f: Jar, now: Hour) => (timesOf(f, now)?.salted === false ? 1 : 2)

export function columnsOf(f: Jar, now: Hour) {
  const readings = f.readings.filter((r) => r.ph !== null)
  const times = timesOf(f, now)
  const spent = (hour: Hour) => (f.before ?? 0) + (times === null ? 0 : shareSpent(f, hour, times))
  const raised = f.putIn.filter((p) => p.raises && (p.upperPh === null || p.upperPh > 4.6)).map((p) => p.hour)
  const blendedReads = readings.filter((r) => r.of === 'blended')
  const agreed = blendedReads.find((b) =>
    readings.some(
      (l) => l.of === 'liquid' && Math.abs(l.hour - b.hour) <= 24 && Math.abs(l.ph! - b.ph!) <= 0.15 + near,
    ),
  )?.hour
  const whole = f.pieces
    ? readings.filter((r) => r.of === 'blended' || r.ph! > 4.6 || (agreed !== undefined && r.hour >= agreed))
    : readings
  const wet = f.pieces ? readings.filter((r) => r.of === 'liquid' || r.ph! <= 4.6) : readings
  const blended = column(
    whole,
    spent,
    now,
    f.pieces ? piecesLimit(f, now) : 1,
    0,
    false,
    f.foreseen?.blended ?? null,
    raised,
    f.joined,
  )
  const liquid = f.pieces ? column(wet, spent, now, 1, 0, false, f.foreseen?.liquid ?? null, raised, f.joined) : blended
  return { blended, liquid, spent, whole, readings }
}

/** A ferment, or one jar of it, of which nobody may have told when it passed. */
type Told = { early: Hour; likely: Hour; late: Hour } | null
export type Jar = Omit<Ferment, 'foreseen'> & { foreseen: { liquid: Told; blended: Told; gas: number } | null }

/** Jars that a reading speaks for by name: a sample mixed of several proves none of them. */
const namedBy = (r: Reading): string[] => (r.ph !== null && r.ph <= 4.6 && r.marks.length > 1 ? [] : r.marks)
const jarsReadBy = (f: Ferment, now: Hour): Set<string> =>
  new Set(f.readings.filter((r) => r.ph !== null && r.hour <= now).flatMap(namedBy))

/** The jars asked about, else each that was read by its mark, as if it stood alone; all of it where none was read. */
function jarsAlone(f: Ferment, now: Hour, asked: string[] | null): Jar[] {
  const read = f.readings.filter((r) => r.ph !== null).map((r) => ({ ...r, marks: namedBy(r) }))
  const readJars = jarsReadBy(f, now)
  if (f.jars.length < 2 || readJars.size === 0) return [f]
  const named = asked ?? f.jars.filter((mark) => readJars.has(mark))
  const newest = (mark: string) => read.filter((r) => r.marks.includes(mark)).at(-1)?.ph ?? -1
  const highest = Math.max(...f.jars.map(newest))
  const followed = f.jars.find((mark) => newest(mark) === highest)
  return named.map((mark) => ({
    ...f,
    // The forecast is of the jar that stands highest, and tells nothing of when another passed.
    foreseen: f.foreseen && { ...f.foreseen, ...(mark !== followed && { liquid: null, blended: null }) },
    readings: f.readings.map((r) => {
      const marks = namedBy(r)
      const speaks = r.ph !== null && (marks.length ? marks.includes(mark) : r.ph > 4.6)
      // What was read of the room with it was read all the same.
      return speaks ? r : { ...r, ph: null }
    }),
  }))
}

/** The ferment at an hour: every jar by itself, what holds in one holds for all. */
export function judgeFerment(f: Ferment, now: Hour, asked: string[] | null = null): Verdict {
  const each = jarsAlone(f, now, asked).map((jar) => judgeJar(jar, now))
  // What was seen counts in every jar, read or not.
  const all = jarsReadBy(f, now).size > 0 ? jarsAlone(f, now, asked ?? f.jars) : []
  const rules = [...each.flatMap((jar) => jar.rules), ...all.flatMap((jar) => signRules(f.looks, jar.readings, now))]
  if (f.jars.length > 1 && each.some((jar) => jar.passed)) {
    const read = jarsReadBy(f, now)
    if ((asked ?? f.jars).some((mark) => !read.has(mark))) rules.push('jars unread')
  }
  const differ = (of: (jar: (typeof each)[number]) => boolean) => each.some(of) && !each.every(of)
  const passes = ({ rules: its }: { rules: string[] }) => its.every((rule) => STATE_OF[rule]![1] === 'pass')
  if (differ((jar) => jar.passed && !jar.bad) || differ(passes)) rules.push('one jar')
  return verdict(
    rules,
    each.some((jar) => jar.hair),
  )
}

export function judgeJar(f: Jar, now: Hour) {
  const { blended, liquid, spent, whole, readings } = columnsOf(f, now)
  const times = timesOf(f, now)
  const rules = signRules(f.looks, f.readings, now)
  if (f.discardedHour !== null && f.discardedHour <= now) rules.push('thrown away')
  let late = false
  const whole2 = f.pieces ? piecesLimit(f, now) : 1
  for (const [c, limit] of [[liquid, 1], ...(f.pieces ? [[blended, whole2]] : [])] as [Column, number][]) {
    if (times?.staph && (c.over || (c.passed ? c.late : c.likely) >= limit)) rules.push('salty and late')
    else if (c.over) rules.push('over')
    else if (c.aboveAgain) rules.push('above again')
    else if (c.passed && c.least >= limit) rules.push('too late')
    else if (c.passed && c.late >= limit) rules.push('late')
    else continue
    late = true
  }
  if (times === null) {
    const raised = f.putIn.filter((p) => p.raises && p.hour <= now).at(-1)?.hour
    if (raised !== undefined && readings.some((r) => r.hour < raised))
      if (!readings.some((r) => r.hour > raised && r.hour <= now && r.of === 'blended')) rules.push('put in since')
    return { rules: [...rules, 'kept by salt'], passed: true, bad: false, hair: false }
  }
  const newest = blended.newest ?? liquid.newest
  if (!late) {
    if (!liquid.passed && liquid.likely >= 1) rules.push('read it now')
    else if (!newest) rules.push(now > 48 || liquid.likely > 0.5 ? 'not read' : 'on its way above')
    else if (!liquid.passed) rules.push(liquid.likely > 0.5 ? 'behind' : 'on its way above')
    else if (!blended.passed)
      if (blended.likely >= whole2) rules.push('pieces not proven')
      else rules.push(blended.newest && blended.likely > 0.7 * whole2 ? 'behind' : 'on its way above')
  }
  if (temperature(f, now) > 32) rules.push('too warm')
  if (f.flag === 'distrust') rules.push('does not fit')
  if (f.flag === 'film' || f.flag === 'yeast') rules.push('may be something else')
  if (f.flag === 'behind' && !blended.passed) rules.push('behind forecast')
  const raisedAt = f.putIn.filter((p) => p.raises && p.hour <= now).at(-1)?.hour ?? null
  const since = readings.filter((r) => r.hour <= now && (raisedAt === null || r.hour > raisedAt))
  const last = since.at(-1)
  if (last) {
    const lowest = Math.min(...since.filter((r) => r.of === last.of).map((r) => r.ph!))
    if (last.ph! - lowest > 0.2 && last.ph! - lowest > 3.25 * SD[classOf(last)]) rules.push('rose')
  }
  if (raisedAt !== null && readings.some((r) => r.hour < raisedAt))
    if (!since.some((r) => r.of === 'blended')) rules.push('put in since')
  startRules(f, now, liquid, rules)
  const sour = liquid.newest
  if (sour && sour.ph! > 4.2 && shareSpent(f, now, times) > 2) rules.push('slow')
  if (blended.passed) rules.push(...readyRules(f, now, whole, raisedAt))
  const hair = liquid.nearLimit || blended.nearLimit || hairs(f, now, spent, times)
  return { rules, passed: blended.passed, bad: blended.over || blended.aboveAgain, hair }
}

/** Within a hair of one of the other lines of time. */
function hairs(f: Jar, now: Hour, spent: (hour: Hour) => number, times: Salt): boolean {
  const all = shareSpent(f, now, times)
  return [0.5, 0.7, 1, 1.4, 2].some((line) => Math.abs(spent(now) - line) < 1e-4 || Math.abs(all - line) < 1e-4)
}

const startPhOf = (f: Jar) =>
  f.readings.find((r) => r.ph !== null && r.of === 'blended' && r.hour >= -1 && r.hour <= 12)?.ph ?? f.workedPh - 0.25

function startRules(f: Jar, now: Hour, liquid: Column, rules: string[]) {
  const blended = f.readings.filter((r) => r.ph !== null && r.of === 'blended' && r.hour <= now).at(-1)
  const salt = saltNow(f, now)
  if (salt < 2 - 0.005 && !(blended && blended.ph! <= f.targetPh)) rules.push('weak')
  const alive = f.alive || f.putIn.some((p) => p.what === 'pear' && p.hour <= now)
  if (!alive) rules.push('no life')
  else if (blended && startPhOf(f) - blended.ph! >= 0.3) return
  else if (!liquid.passed && (f.putIn.filter((p) => p.hour <= now).at(-1)?.rawPct ?? f.rawPct) < 50)
    rules.push('half cooked')
}

function readyRules(f: Jar, now: Hour, whole: Reading[], raisedAt: Hour | null): string[] {
  const read = whole.filter((r) => r.hour <= now)
  const last = read.at(-1)
  if (!last) return ['on its way']
  if (last.ph! > f.targetPh) {
    const since = read.findLast((r) => r.hour <= last.hour - 4 * 24 + 1e-6 && (raisedAt === null || r.hour > raisedAt))
    const still = since && Math.abs(since.ph! - last.ph!) <= 0.1
    if (!still || last.ph! > 4.2 || (f.foreseen?.gas ?? 0) > 2) return ['on its way']
    return isOwn(f, now, last) ? ['settled above'] : ['on its way']
  }
  const first = read.filter((r) => r.hour <= last.hour - 24 + 1e-6 && (raisedAt === null || r.hour > raisedAt)).at(-1)
  if (!first || first.ph! > f.targetPh) return ['on its way']
  if (((first.ph! - last.ph!) / (last.hour - first.hour)) * 24 >= 0.05) return ['on its way']
  if ((f.foreseen?.gas ?? 0) > 2) return ['on its way']
  return isOwn(f, now, last) ? ['ready'] : ['on its way']
}

/** Its acid is its own: it fell from its start, or gas came and went. */
function isOwn(f: Jar, now: Hour, last: Reading): boolean {
  const gas = f.looks.find((l) => ['bubbles', 'foam'].includes(l.sign) && l.hour <= now)
  const calm = gas && f.looks.some((l) => l.sign === 'calm' && l.hour > gas.hour && l.hour <= now)
  const leastDays = f.style === 'mash' ? 3 : 5
  return startPhOf(f) - last.ph! >= 0.3 - near || Boolean(gas && (calm || now >= leastDays * 24))
}

/** Rules that go on to what is made of a lot. */
export const GOES_ON = [
  'bad sign',
  'over',
  'too late',
  'thrown away',
  'above again',
  'late',
  'open sign',
  'film',
  'salty and late',
  'weak',
]

/** The time of these runs on in a base, until its own reading proves it; in a pot they hold. */
export const TIME_OVER = ['read it now', 'pieces not proven']

/** What goes on from a ferment to what was taken of it at an hour; mould seen within 14 days counts too. */
function carried(f: Ferment, hour: Hour, asked: string[] | null, now: Hour, read: boolean): string[] {
  const on = [...GOES_ON, ...(read ? [] : ['put in since'])]
  const then = judgeFerment(f, hour, asked).rules.filter((rule) => on.includes(rule))
  const later = signRules(f.looks, f.readings, Math.min(now, hour + 14 * 24)).filter((rule) => rule === 'bad sign')
  return [...then, ...later, ...aboveLater(f, hour, asked, now)].map((rule) => `of ${rule}`)
}
/** Read above 4.6 within 7 days of what had passed when some was taken, unless something that raises it went in. */
function aboveLater(f: Ferment, hour: Hour, asked: string[] | null, now: Hour): string[] {
  const jars = jarsAlone(f, hour, asked)
  const changed = f.putIn.find((p) => p.raises && p.hour > hour)?.hour ?? Infinity
  const above = f.readings
    .filter((r) => r.ph !== null && r.ph > 4.6 && r.hour > hour && r.hour <= Math.min(now, hour + 7 * 24, changed))
    .filter((r) => !asked || r.marks.length === 0 || r.marks.some((mark) => asked.includes(mark)))
    .at(-1)
  if (!above || timesOf(f, hour) === null || !jars.every((jar) => columnsOf(jar, hour).liquid.passed)) return []
  return [jars.some((jar) => columnsOf(jar, above.hour).blended.over) ? 'over' : 'above again']
}
const readBy = (readings: Reading[], after: Hour, now: Hour) =>
  readings.some((r) => r.ph !== null && r.hour > after && r.hour <= now)

/** How far the time of a source had gone when something was taken of it, and how it went on until then. */
interface Source {
  passed: boolean
  before: number
  on: (hour: Hour) => number
  begin: Hour
}
function fermentSource(f: Ferment, hour: Hour, asked: string[] | null): Source {
  const { spent } = columnsOf(f, hour)
  const badness = ({ over, aboveAgain, passed, late }: Column) =>
    (over ? 3000 : aboveAgain ? 2000 : passed ? 0 : 1000) + late
  const [blended] = jarsAlone(f, hour, asked)
    .map((jar) => columnsOf(jar, hour).blended)
    .sort((a, b) => badness(b) - badness(a)) as [Column]
  const salty = timesOf(f, hour) === null
  const passed = blended.passed || salty
  return { passed, before: salty ? 0 : blended.passed ? blended.late : blended.likely, on: spent, begin: 0 }
}

/** The column of something made of a source, in a room nobody read: 24 °C. */
function columnAfter(
  source: Source,
  madeHour: Hour,
  under: boolean,
  readings: Reading[],
  foreseen: Told,
  now: Hour,
): { column: Column; source: Source } {
  const on = (hour: Hour) =>
    hour <= madeHour && !source.passed ? source.on(hour) : source.before + Math.max(0, hour - madeHour) / 24 / 3
  const begin = under || source.passed ? madeHour : source.begin
  const read = readings.filter((r) => r.ph !== null)
  const found = column(read, on, now, 1, begin, under, foreseen, [])
  return {
    column: found,
    source: { passed: found.passed, before: found.passed ? found.late : found.likely, on, begin },
  }
}

function baseColumn(life: Life, now: Hour) {
  const { hour, readings, marks } = life.base as Base
  const source = fermentSource(life.ferment, hour, marks)
  const apart = life.ferment.jars.length > 1 && jarsReadBy(life.ferment, Infinity).size > 0
  return columnAfter(
    source,
    hour,
    source.passed,
    readings,
    apart ? null : (life.ferment.foreseen?.blended ?? null),
    now,
  )
}

/** A base at an hour after it was pressed. */
export function judgeBase(life: Life, now: Hour, learned = now): Verdict {
  const base = life.base as Base
  const { column: c } = baseColumn(life, now)
  const rules: string[] = []
  rules.push(...carried(life.ferment, base.hour, base.marks, learned, readBy(base.readings, base.hour, now)))
  if (unreadPressed(life.ferment, base)) rules.push('of pressed unread')
  rules.push(...ownRules(c))
  return verdict(rules, c.nearLimit || judgeFerment(life.ferment, base.hour, base.marks).hair)
}

function unreadPressed(f: Ferment, base: Base): boolean {
  if (f.jars.length < 2) return false
  const read = jarsReadBy(f, base.hour)
  return (base.marks ?? f.jars).some((mark) => !read.has(mark))
}

export function ownRules(c: Column): string[] {
  if (c.over) return ['over', 'ready']
  if (c.aboveAgain) return ['above again', 'ready']
  if (!c.passed) return ['not proven', 'ready']
  if (c.least >= 1) return ['too late', 'ready']
  if (c.late >= 1) return ['late', 'ready']
  return ['ready']
}

const ON_FROM_BASE = [...GOES_ON, 'not proven']

/** A pot at an hour after it was poured. */
export function judgePot(life: Life, now: Hour): Verdict {
  const pot = life.pot as Pot
  const f = life.ferment
  const rules = signRules(pot.looks, pot.readings, now)
  const ofFerment = pot.fromFerment || !life.base
  const read = readBy(pot.readings, pot.hour, now)
  const over = ofFerment ? judgeFerment(f, pot.hour).rules.filter((rule) => TIME_OVER.includes(rule)) : []
  const before = ofFerment
    ? [...carried(f, pot.hour, null, now, read), ...over.map((rule) => `of ${rule}`)]
    : judgeBase(life, pot.hour, now)
        .rules.filter((rule) => ON_FROM_BASE.includes(rule) || rule.startsWith('of '))
        .filter((rule) => !read || rule !== 'of put in since')
        .map((rule) => `of ${rule.replace(/^of /, '')}`)
  rules.push(...before)
  const hair = ofFerment ? judgeFerment(f, pot.hour).hair : judgeBase(life, pot.hour).hair
  const source = ofFerment ? fermentSource(f, pot.hour, null) : baseColumn(life, pot.hour).source
  const { column: c } = columnAfter(source, pot.hour, pot.predictedHigh <= 4.6, pot.readings, null, now)
  // Not proven and not begun under: the source's time runs on.
  rules.push(...ownRules(c))
  return verdict(rules, hair || c.nearLimit)
}
