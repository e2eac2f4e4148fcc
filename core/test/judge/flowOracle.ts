import type { Ferment, Hour, Look, PutIn, Reading } from './life'
import {
  column,
  columnsOf,
  GOES_ON,
  judgeJar,
  ownRules,
  signRules,
  STATE_OF,
  TIME_OVER,
  verdict,
  type Column,
  type Jar,
  type Verdict,
} from './oracle'

/*
 * A second account of what travels with a portion, from the table of docs/judgement.md: every portion is gone through
 * anew, jar by jar and taking by taking. It shares no code with the first.
 */

/** A moment: its hour, and the place of the entry among those of one hour. */
export interface When {
  hour: Hour
  order: number
}
/** A part of another batch that went into this one. */
export interface Taken extends When {
  from: string
  /** Jars it was taken from, and jars it went into; `null`: all of them. */
  jars: string[] | null
  into: string[] | null
  making: boolean
}
export interface Vessel {
  mark: string
  from: Hour
  until: Hour
  /** The jar it was filled from. */
  of: string | null
}
/** Something put in; for some jars, what the mixture works out to is given, not judged. */
export interface Put extends When {
  jars: string[] | null
  mixture: (jars: string[]) => PutIn
}
export interface Batch extends When {
  id: string
  kind: 'ferment' | 'base' | 'pot' | 'bottles'
  vessels: Vessel[]
  taken: Taken[]
  put: Put[]
  readings: Reading[]
  looks: (Look & { marks: string[] })[]
  discardedHour: Hour | null
  /** Of a ferment: all that does not hang on its jars. */
  ferment: Pick<Ferment, 'saltPct' | 'saltInWaterPct' | 'workedPh' | 'rawPct' | 'alive' | 'targetPh'> | null
  /** Of a pot: what its mixture works out to at most. */
  predictedHigh: number
}
export type World = Map<string, Batch>

const isBefore = (a: When, b: When) => a.hour < b.hour || (a.hour === b.hour && a.order < b.order)

/** A batch as it stood: what it says, how far its time had gone, whether it is proven to be under. */
interface Stood {
  rules: string[]
  passed: boolean
  /** Share of its time above 4.6 that was spent. */
  spent: number
  begin: Hour
  unread: boolean
  hair: boolean
  on: (hour: Hour) => number
  over: (untilHour: Hour) => boolean
}

function jarsAt(batch: Batch, hour: Hour): Vessel[] {
  const there = batch.vessels.filter((vessel) => vessel.from <= hour && hour < vessel.until)
  if (there.length) return there
  const last = Math.max(...batch.vessels.map((vessel) => vessel.until))
  return batch.vessels.filter((vessel) => vessel.until === last)
}
/** Marks a jar went by: its own, and before it was filled those of the jar it was filled from. */
function wasIn(batch: Batch, vessel: Vessel, marks: readonly string[], hour: Hour): boolean {
  if (marks.includes(vessel.mark)) return true
  const source = batch.vessels.find((other) => other.mark === vessel.of)
  return source !== undefined && hour <= vessel.from && wasIn(batch, source, marks, hour)
}
/** Of which jars a fact is: the one there was, where it names none. */
function marksOf(batch: Batch, marks: string[], hour: Hour): string[] {
  const there = batch.vessels.filter((vessel) => vessel.from <= hour && hour < vessel.until)
  return marks.length === 0 && batch.vessels.length > 1 && there.length === 1 ? [there[0]!.mark] : marks
}
const provesNone = (reading: Reading) => reading.ph !== null && reading.ph <= 4.6 && reading.marks.length > 1

/** How some jars of a batch stood at a moment. @param now until when something was learned of what it was made of. */
function stood(world: World, id: string, asked: string[] | null, when: When, now: Hour): Stood {
  const batch = world.get(id)!
  const brought = broughtAlong(world, batch, asked, when, now)
  const { hour } = when
  const own: string[] = [...brought.rules]
  if (batch.discardedHour !== null && batch.discardedHour <= hour) own.push('thrown away')
  return batch.ferment ? fermentStood(batch, asked, hour, brought, own) : stockStood(batch, hour, brought, own)
}

interface Brought {
  rules: string[]
  sources: Stood[]
  under: boolean
  joined: { hour: Hour; spent: number; into: string[] | null; order: number }[]
}

/** From every source, as it was when some of it was taken, and what was learned of that since. */
function broughtAlong(world: World, batch: Batch, asked: string[] | null, when: When, now: Hour): Brought {
  const found: Brought = { rules: [], sources: [], under: true, joined: [] }
  const mine = batch.vessels.length
    ? batch.vessels.filter((vessel) => asked?.includes(vessel.mark) ?? jarsAt(batch, when.hour).includes(vessel))
    : null
  const ownRead = (after: Hour) =>
    batch.readings.some(
      (r) =>
        r.ph !== null &&
        r.hour > after &&
        r.hour <= when.hour &&
        (mine === null || r.marks.length === 0 || mine.some((vessel) => wasIn(batch, vessel, r.marks, r.hour))),
    )
  for (const taken of batch.taken.filter((one) => isBefore(one, when))) {
    if (taken.into && mine && !mine.some((vessel) => wasIn(batch, vessel, taken.into!, taken.hour))) continue
    const source = world.get(taken.from)!
    const then = stood(world, taken.from, taken.jars, taken, now)
    const holds = (rule: string) => {
      const plain = rule.replace(/^of /, '')
      if (plain === 'put in since') return !ownRead(taken.hour)
      if (TIME_OVER.includes(plain) && batch.kind === 'base') return rule !== plain
      if (batch.kind === 'bottles' && STATE_OF[plain]![1] !== 'pass') return true
      return [...GOES_ON, ...TIME_OVER, 'not proven', 'pressed unread'].includes(plain)
    }
    const later = learned(source, taken, then, now)
    found.rules.push(...[...then.rules.filter(holds), ...later].map((rule) => `of ${rule.replace(/^of /, '')}`))
    if (batch.kind === 'base' && then.unread) found.rules.push('of pressed unread')
    if (!taken.making) {
      found.joined.push({ hour: taken.hour, spent: then.spent, into: taken.into, order: taken.order })
      continue
    }
    found.sources.push(then)
    if (!then.passed) found.under = false
  }
  return found
}

/** Mould within 14 days, a reading above 4.6 within 7, of what was there when some was taken. */
function learned(source: Batch, taken: Taken, then: Stood, now: Hour): string[] {
  const jars = source.vessels.length
    ? source.vessels.filter(
        (vessel) => taken.jars?.includes(vessel.mark) ?? jarsAt(source, taken.hour).includes(vessel),
      )
    : null
  const ofThem = (marks: string[], hour: Hour) =>
    jars === null || marks.length === 0 || jars.some((jar) => wasIn(source, jar, marks, hour))
  const looks = source.looks.filter((look) => ofThem(look.marks, look.hour))
  const bad = signRules(looks, source.readings, Math.min(now, taken.hour + 14 * 24)).filter(
    (rule) => rule === 'bad sign',
  )
  const marks = (jars ?? []).map((jar) => jar.mark)
  const raising = source.put.filter(
    (put) => put.hour > taken.hour && ofThem(put.jars ?? [], put.hour) && put.mixture(marks).raises,
  )
  const changed = Math.min(...raising.map((put) => put.hour), Infinity)
  const until = Math.min(now, taken.hour + 7 * 24, changed)
  const above = source.readings
    .filter((r) => r.ph !== null && r.ph > 4.6 && r.hour > taken.hour && r.hour <= until && ofThem(r.marks, r.hour))
    .at(-1)
  if (!above || !then.passed) return bad
  return [...bad, then.over(above.hour) ? 'over' : 'above again']
}

function fermentStood(batch: Batch, asked: string[] | null, hour: Hour, brought: Brought, own: string[]): Stood {
  const all = jarsAt(batch, hour)
  const mine = asked ? batch.vessels.filter((vessel) => asked.includes(vessel.mark)) : all
  const isRead = (vessel: Vessel) =>
    batch.readings.some(
      (r) =>
        r.ph !== null &&
        r.hour <= hour &&
        !provesNone(r) &&
        r.marks.length > 0 &&
        wasIn(batch, vessel, r.marks, r.hour),
    )
  const touches = (vessel: Vessel) =>
    batch.put.some((put) => put.jars !== null && wasIn(batch, vessel, put.jars, put.hour))
  const uneven = batch.vessels.length > 1 && batch.put.some((put) => put.jars !== null)
  const anyRead = all.some(isRead)
  const apart = all.length > 1 && (anyRead || uneven)
  const followed = !apart
    ? [null]
    : mine.filter((vessel) => !anyRead || isRead(vessel) || asked !== null || touches(vessel))
  const spentBefore = Math.max(0, ...brought.sources.map((source) => source.spent))
  const jarOf = (vessel: Vessel | null): Jar => {
    const at = (absolute: Hour) => absolute - batch.hour
    const readings = batch.readings
      .filter((r) => r.marks.length === 0 || mine.some((one) => wasIn(batch, one, r.marks, r.hour)))
      .filter((r) => {
        if (vessel === null || r.ph === null) return true
        if (!anyRead) return r.marks.length === 0 || wasIn(batch, vessel, r.marks, r.hour)
        const named = provesNone(r) ? [] : r.marks
        return named.length ? wasIn(batch, vessel, named, r.hour) : r.ph > 4.6
      })
    const speaks = (marks: string[] | null, when: Hour) =>
      marks === null || (vessel ? [vessel] : mine).some((one) => wasIn(batch, one, marks, when))
    return {
      ...{ pieces: false, jars: [''], style: 'mash', ...batch.ferment!, moves: [], foreseen: null, flag: null },
      readings: readings.map((r) => ({ ...r, hour: at(r.hour) })),
      putIn: batch.put
        .filter((put) => speaks(put.jars, put.hour))
        .map((put) => ({
          ...put.mixture((vessel && uneven ? [vessel] : mine).map(({ mark }) => mark)),
          hour: at(put.hour),
        })),
      looks: batch.looks
        .filter((look) =>
          look.marks.length === 0
            ? true
            : (vessel ? [vessel] : mine).some((one) => wasIn(batch, one, look.marks, look.hour)),
        )
        .map((look) => ({ ...look, hour: at(look.hour) })),
      discardedHour: null,
      before: spentBefore,
      joined: brought.joined
        .filter((join) => vessel === null || speaks(join.into, join.hour))
        .map((join) => ({ hour: at(join.hour), spent: join.spent })),
    }
  }
  const now = hour - batch.hour
  const jars = followed.map(jarOf)
  const each = jars.map((jar) => judgeJar(jar, now))
  // What was seen counts in every jar, followed or not.
  const seen = (apart ? mine : [null]).map(jarOf).flatMap((jar) => signRules(jar.looks, jar.readings, now))
  const rules = [...own, ...seen, ...each.flatMap((jar) => jar.rules)]
  const unread = all.length > 1 && mine.some((vessel) => !isRead(vessel))
  if (unread && each.some((jar) => jar.passed)) rules.push('jars unread')
  const differ = (of: (jar: (typeof each)[number]) => boolean) => each.some(of) && !each.every(of)
  const passes = ({ rules: its }: { rules: string[] }) => its.every((rule) => STATE_OF[rule]![1] === 'pass')
  if (differ((jar) => jar.passed && !jar.bad) || differ(passes)) rules.push('one jar')
  const badness = ({ over, aboveAgain, passed, late }: Column) =>
    (over ? 3000 : aboveAgain ? 2000 : passed ? 0 : 1000) + late
  const columns = jars.map((jar) => columnsOf(jar, now))
  const [worst] = columns.map(({ blended }) => blended).sort((a, b) => badness(b) - badness(a)) as [Column]
  return {
    ...{ rules, passed: worst.passed, unread, begin: batch.hour },
    spent: worst.passed ? worst.late : worst.likely,
    hair: each.some((jar) => jar.hair),
    on: (absolute) => Math.max(...columns.map(({ spent }) => spent(absolute - batch.hour))),
    over: (until) => jars.some((jar) => columnsOf(jar, until - batch.hour).blended.over),
  }
}

/** A base, a pot, bottles: in a room nobody read, 24 °C. */
function stockStood(batch: Batch, hour: Hour, brought: Brought, own: string[]): Stood {
  const [source] = [...brought.sources].sort((a, b) => b.spent - a.spent)
  const under = batch.kind === 'pot' ? batch.predictedHigh <= 4.6 : brought.under
  const unproven = source !== undefined && !source.passed
  const on = (at: Hour) =>
    unproven && at <= batch.hour ? source.on(at) : (source?.spent ?? 0) + Math.max(0, at - batch.hour) / 24 / 3
  const puts = batch.put.map((put) => ({ ...put.mixture([]), hour: put.hour }))
  const raised = puts.filter((put) => put.raises && (put.upperPh === null || put.upperPh > 4.6)).map((put) => put.hour)
  const read = batch.readings.filter((r) => r.ph !== null)
  const begin = under || !unproven ? batch.hour : source.begin
  const until = (end: Hour) => column(read, on, end, 1, begin, under, null, raised, brought.joined)
  const c = until(hour)
  const rules = [...own, ...signRules(batch.looks, batch.readings, hour), ...ownRules(c)]
  if (batch.kind === 'bottles' && read.some((r) => r.ph! > 4.2 && r.hour <= hour)) rules.push('bottle over')
  const lastRaise = puts.filter((put) => put.raises && put.hour <= hour).at(-1)?.hour
  if (lastRaise !== undefined && read.some((r) => r.hour < lastRaise))
    if (!read.some((r) => r.hour > lastRaise && r.hour <= hour)) rules.push('put in since')
  return {
    ...{ rules, passed: c.passed, unread: false, on, begin },
    spent: c.passed ? c.late : c.likely,
    hair: c.nearLimit,
    over: (end) => until(end).over,
  }
}

/** How a batch stands at an hour. */
export function judgeBatch(given: World, id: string, hour: Hour): Verdict {
  const world: World = new Map(
    [...given].map(([key, batch]) => [
      key,
      {
        ...batch,
        readings: batch.readings.map((r) => ({ ...r, marks: marksOf(batch, r.marks, r.hour) })),
        looks: batch.looks.map((look) => ({ ...look, marks: marksOf(batch, look.marks, look.hour) })),
      },
    ]),
  )
  const { rules, hair } = stood(world, id, null, { hour, order: Infinity }, hour)
  return verdict(rules, hair)
}
