import { ANY_OFFSET, stepOf, type SenseQuestion } from '../ferment/senses'
import type { SignId } from '../ferment/signKinds'
import { styleById } from '../library/styles'
import { structureOfLot } from '../makeup/structure'
import { DAY_MS, HOUR_MS } from '../units/time'
import type { Exercise } from './exercise'
import type { Luck } from './luck'
import { SEEN, type VesselState } from './vessel'
import { stateOf, type TrueJar, type World } from './world'

/* What is to be seen, smelt and tasted of a jar: drawn from the truth, with the errors of eyes and tongue. */

/** Something seen, with the answers that a close look gives. */
export interface Sight {
  sign: SignId
  answers: readonly string[]
}

/** What covers the surface. */
export type TopCover = 'veil' | 'skin' | 'islands' | 'fur'

/** A jar as it looks. Shares from 0 to 1. */
export interface JarLook {
  lotId: string
  mark: string
  /** How high it stands, a share of where the log has it: gas lifts it, what ran over or dried is missing. */
  level: number
  foam: number
  cover: TopCover | null
  covered: number
  /** Share of the pieces in the air. */
  bared: number
  /** 0 clear, 1 hazy, 2 milky. */
  cloud: number
  /** Steps of what eyes tell, without a taste. */
  seen: Partial<Record<SenseQuestion, number>>
  /** How far a lid or a bag is blown up. */
  blown: number
  sights: readonly Sight[]
  smell: 'fresh' | 'sour' | 'boozy' | 'foul'
}

/** A lid domes from so much on, bar; a bag is tight with so much free gas, L for a kg. Judgement. */
const TIGHT_BAR = 0.4
const BAG_L_PER_KG = 0.35
/** Foam is seen from so much gas on, mmol/kg a day. Judgement. */
const FOAM_GAS = 14
/** From this pH down it smells sour. Judgement. */
const SOUR_PH = 4.7
/** Rot is smelt from here on; one batch in three that rots does not smell of it. */
export const SMELT = 0.3
const SCENTLESS = 1 / 3

/** Whether the rot of a jar can be smelt at all. */
export const isSmelt = (luck: Luck, { lotId, mark }: TrueJar): boolean =>
  luck.share(`scent ${lotId} ${mark}`) > SCENTLESS

/** An answer of eyes or tongue is the same however often it is asked on one half-day. */
const halfDay = (ms: number, packedMs: number) => Math.floor((ms - packedMs) / (DAY_MS / 2))

/** A step of a scale as the one who practises sees or tastes it. */
export function stepSeen(world: World, jar: TrueJar, question: SenseQuestion, ms = world.nowMs): number {
  const { luck } = world
  const hour = Math.max(0, (ms - jar.packedMs) / HOUR_MS)
  const own = ANY_OFFSET.sd * luck.normal(`offset ${question}`)
  const noise = luck.normal(`${question} ${jar.lotId} ${jar.mark} ${halfDay(ms, jar.packedMs)}`)
  return stepOf(question, jar.course.figure(question, hour), own, noise)
}

const coverOf = ({ film, mould }: VesselState): TopCover | null => {
  if (mould > SEEN.mould) return 'fur'
  if (film > SEEN.islands) return 'islands'
  if (film > SEEN.skin) return 'skin'
  return film > SEEN.film ? 'veil' : null
}
const FILM_ANSWER = { veil: 'flat', skin: 'wrinkled', islands: 'islands', fur: 'furry' } as const

/** The sights an exercise puts in by itself. */
function putIn({ run, book }: World, jar: TrueJar, ms: number): Sight[] {
  const lot = book.lots.get(jar.lotId)
  const stands = ({ of, mark, fromDay, until }: Exercise['sights'][number]) => {
    const fromMs = run.startMs + fromDay * DAY_MS
    const done = lot?.chores.some(
      ({ chore, at }) => chore === until && Date.parse(at) >= fromMs && Date.parse(at) <= ms,
    )
    return of === lot?.code && (mark ?? jar.mark) === jar.mark && fromMs <= ms && !done
  }
  return run.exercise.sights.filter(stands).map(({ sign, answers }) => ({ sign, answers }))
}

/** How a jar looks at a moment. */
export function lookAt(world: World, jar: TrueJar, ms = world.nowMs): JarLook {
  const { book, luck } = world
  const lot = book.lots.get(jar.lotId)
  const state = stateOf(jar, ms)
  const hour = Math.max(0, (ms - jar.packedMs) / HOUR_MS)
  const gas = jar.course.gasPerDay(hour)
  const style = lot?.made.kind === 'plan' ? styleById(lot.made.style) : null
  const pieces = lot ? structureOfLot(book, lot).liquid < 1 : false
  const bag = style?.lie === 'in a bag'
  const ph = jar.course.ph(hour, 'blended') + state.eaten
  const foul = state.rot > SMELT && isSmelt(luck, jar)
  const smell = foul ? 'foul' : jar.kind === 'yeast' && hour > 72 ? 'boozy' : ph < SOUR_PH ? 'sour' : 'fresh'
  const said = foul ? 'foul' : smell === 'boozy' ? 'boozy' : 'clean'
  const cover = coverOf(state)
  const bagLPerKg = state.bagL / Math.max(0.05, state.contentG / 1000)
  const foam = Math.min(1, Math.max(0, gas - FOAM_GAS) / 20)
  const cloud = pieces ? stepSeen(world, jar, 'cloud', ms) : 0
  const sights: Sight[] = putIn(world, jar, ms)
  if (cover === 'fur') {
    const colour = luck.share(`fur ${jar.lotId} ${jar.mark}`) < 0.7 ? 'coloured' : 'white'
    sights.push({ sign: 'fuzzy growth', answers: ['furry', colour] })
  } else if (cover) sights.push({ sign: 'white film', answers: [FILM_ANSWER[cover], said] })
  if (foul) sights.push({ sign: 'putrid smell', answers: ['foul'] })
  if (foam > 0) sights.push({ sign: 'foam', answers: [said] })
  if (bag && bagLPerKg > BAG_L_PER_KG && !sights.some(({ sign }) => sign === 'bag ballooned'))
    sights.push({ sign: 'bag ballooned', answers: [said] })
  if (state.bar > TIGHT_BAR) sights.push({ sign: 'tight lid', answers: [said] })
  if (state.bared > 0.1)
    sights.push({
      sign: state.ranOverG + state.driedG > 0.03 * state.contentG ? 'not covered' : 'floaters',
      answers: [state.bared > 0.3 ? 'longer' : 'day', cover === 'fur' ? 'furry' : 'flat'],
    })
  return {
    ...{ lotId: jar.lotId, mark: jar.mark, foam, cover, cloud, sights, smell, bared: state.bared },
    level: (1 + state.rise) * (state.contentG / (state.contentG + state.ranOverG + state.driedG || 1)),
    covered: cover === 'fur' ? Math.min(1, 0.3 + 3 * state.mould) : state.film,
    seen: {
      bubbles: stepSeen(world, jar, 'bubbles', ms),
      [pieces ? 'cloud' : 'one mass']: stepSeen(world, jar, pieces ? 'cloud' : 'one mass', ms),
    },
    blown: bag ? Math.min(1, bagLPerKg) : Math.min(1, state.bar),
  }
}

/** The jars that stand on the shelf now. */
export const standing = ({ jars, book }: World): TrueJar[] =>
  jars.filter(({ lotId, mark }) => {
    const lot = book.lots.get(lotId)
    return lot?.state === 'fermenting' && lot.vessels.some((vessel) => vessel.mark === mark || lot.vessels.length === 1)
  })

/** All jars on the shelf as they look. */
export const looksOfWorld = (world: World): JarLook[] => standing(world).map((jar) => lookAt(world, jar))

/** What would make somebody who passes by stop: not the steps, which waver. */
const striking = (look: JarLook) =>
  JSON.stringify([look.cover, look.smell, look.sights.map(({ sign }) => sign), Math.round(4 * look.blown)])

/** How far one looks ahead at most, and how often, h. */
const AHEAD_H = 14 * 24
const EVERY_H = 6

/**
 * When something next changes that can be seen, ms: the moment given where nothing does in two weeks.
 * @param aheadOf a world that reaches so far, of the same run.
 */
export function nextChange(aheadOf: (ms: number) => World, fromMs: number): number {
  const far = fromMs + AHEAD_H * HOUR_MS
  const world = aheadOf(far)
  const atMoment = (ms: number) =>
    standing(world)
      .map((jar) => striking(lookAt(world, jar, ms)))
      .join()
  const now = atMoment(fromMs)
  for (let ms = fromMs + EVERY_H * HOUR_MS; ms < far; ms += EVERY_H * HOUR_MS) if (atMoment(ms) !== now) return ms
  return far
}
