import { exactly, USUAL_REFERENCE, type Process, type ReleaseCase } from '../../src'

/*
 * A second set of rules for a release, written from the table of hazards in docs/judgement.md alone. It shares no code
 * with the first, and only forbids: what it names must never be released.
 */

/** Numbers from a seed: a linear congruential generator of Numerical Recipes. */
export function chance(seed: number): () => number {
  let state = (seed * 2654435761) >>> 0
  return () => (state = (1664525 * state + 1013904223) >>> 0) / 2 ** 32
}

/** Reading error at its one-sided 95 % end, pH. */
const OFF = { bench: 0.049, pocket: 0.082, unchecked: 0.411, strip: 0.329, stained: 0.576, failed: 0.822 }

interface Row {
  hazard: string
  forbids: (of: ReleaseCase) => boolean
}
const hot = ({ treatment }: ReleaseCase) => treatment === 'cooked-hot-fill'
const highest = ({ process, treatment }: ReleaseCase) =>
  treatment === 'cold-fill' ? 3.3 : Math.min(4.6, process?.maxPh ?? (treatment === 'cooked-hot-fill' ? 4.1 : 4.2))
const could = ({ ph, trust }: { ph: number; trust: keyof typeof OFF }) => ph + OFF[trust]
const boiled = (points: readonly { minute: number; tempC: number }[]) => {
  let [best, run] = [0, 0]
  points.forEach((point, at) => {
    const before = points[at - 1]
    run =
      before && point.tempC >= 98.5 && before.tempC >= 98.5 && point.minute - before.minute <= 5
        ? run + point.minute - before.minute
        : 0
    best = Math.max(best, run)
  })
  return best
}
/** Minutes at 71.1 °C that a pot held at one temperature is worth. */
const worth = (points: readonly { minute: number; tempC: number }[], refC: number, zC: number) =>
  points.length < 2 ? 0 : (points.at(-1)!.minute - points[0]!.minute) * 10 ** ((points[0]!.tempC - refC) / zC)

export const TABLE: Row[] = [
  { hazard: 'no finished pH', forbids: ({ reading }) => reading === null },
  {
    hazard: 'pH over the limit',
    forbids: (of) => of.reading !== null && could(of.reading) > Math.min(of.limitPh, highest(of)) + 1e-3,
  },
  { hazard: 'not evened out', forbids: ({ reading }) => reading !== null && reading.hoursAfterBlending < 24 },
  {
    hazard: 'a meter nobody checked that day',
    forbids: ({ reading }) => reading !== null && ['unchecked', 'failed', 'stained'].includes(reading.trust),
  },
  {
    hazard: 'a meter checked long ago',
    forbids: ({ reading }) => reading !== null && reading.trust !== 'strip' && (reading.calibrationAgeH ?? 99) > 24,
  },
  {
    hazard: 'a meter that failed afterwards',
    forbids: ({ reading }) => reading !== null && reading.trust !== 'strip' && reading.checkedAfter === 'failed',
  },
  { hazard: 'strips over 4.0', forbids: ({ reading }) => reading?.trust === 'strip' && reading.ph > 4 },
  { hazard: 'pieces on less than three containers', forbids: ({ chunky, solids }) => chunky && solids.length < 3 },
  {
    hazard: 'a container over the limit',
    forbids: (of) => of.chunky && of.solids.some((one) => could(one) > Math.min(of.limitPh, highest(of)) + 1e-3),
  },
  {
    hazard: 'filled too cool',
    forbids: (of) => hot(of) && (of.heat.lastBottle?.points[0]?.tempC ?? 0) < (of.process?.fillC ?? 82),
  },
  { hazard: 'held too short', forbids: (of) => hot(of) && (of.heldMin ?? 0) < (of.process?.holdMin ?? 0) },
  {
    hazard: 'not turned over',
    forbids: (of) => hot(of) && (of.turnedMin ?? 0) < (of.process ? (of.process.invertMin ?? 0) : 2),
  },
  {
    hazard: 'cooked too little',
    forbids: (of) => {
      const { refC = 71.1, zC = 10.8, minutes = 1.2 } = of.process ?? {}
      return hot(of) && worth(of.heat.pot?.points ?? [], refC, zC) < minutes - 1e-6
    },
  },
  {
    hazard: 'boiled too short',
    forbids: (of) =>
      of.treatment === 'boiled-in-jar' && boiled(of.heat.water?.points ?? []) < (of.process?.boilMin ?? 10),
  },
  {
    hazard: 'boiled for the shelf by nobody’s process',
    forbids: (of) => of.treatment === 'boiled-in-jar' && of.store === 'shelf' && of.process?.boilMin === undefined,
  },
  {
    hazard: 'cold filled without a process',
    forbids: ({ treatment, process }) => treatment === 'cold-fill' && process === null,
  },
  {
    hazard: 'cold filled, not stood',
    forbids: (of) => of.treatment === 'cold-fill' && of.filledHours < 24 * (of.process?.standDays ?? 0),
  },
  {
    hazard: 'oil on the shelf',
    forbids: (of) => of.oilPct > 0.5 && of.store === 'shelf' && !of.process?.permits.includes('oil'),
  },
  {
    hazard: 'the shelf against its process',
    forbids: (of) => of.store === 'shelf' && of.process !== null && !of.process.permits.includes('shelf'),
  },
  {
    hazard: 'too large a container',
    forbids: (of) => relevant(of) && of.bottleMl > (of.process?.largestMl ?? Infinity),
  },
  {
    hazard: 'too wet',
    forbids: (of) => relevant(of) && of.process?.maxAw !== undefined && (of.aw ?? 1) > of.process.maxAw,
  },
  {
    hazard: 'live on the shelf',
    forbids: (of) => of.treatment === 'live-cold' && of.store === 'shelf' && of.hasLiveFerment,
  },
  { hazard: 'what the judge stops', forbids: ({ judged }) => judged.some(({ verdict }) => verdict === 'stop') },
]
/** Ways that a process is about. */
const relevant = ({ treatment, store }: ReleaseCase) =>
  ['cooked-hot-fill', 'boiled-in-jar', 'cold-fill'].includes(treatment) || store === 'shelf'

const pick = <T>(next: () => number, from: readonly T[]): T => from[Math.floor(next() * from.length)]!
const held = (tempC: number, minutes: number) => ({
  points: Array.from(
    { length: Math.max(2, Math.ceil(minutes) + 1) },
    (_, index, { length } = { length: Math.max(2, Math.ceil(minutes) + 1) }) => ({
      minute: (minutes * index) / (length - 1),
      tempC,
    }),
  ),
})

function drawProcess(next: () => number): Process | null {
  if (next() < 0.5) return null
  const maybe = (key: string, value: number) => (next() < 0.4 ? { [key]: value } : {})
  return {
    ...{ basis: 'scheduled process', name: 'Letter', author: 'Authority', written: '2026-01-01', product: 'Sauce' },
    ...{
      container: 'glass',
      closure: 'cap',
      pack: pick(next, ['hot', 'raw', 'cold'] as const),
      maxPh: pick(next, [3.9, 4.3, 4.6]),
    },
    permits: (['shelf', 'oil'] as const).filter(() => next() < 0.7),
    ...maybe('fillC', 88),
    ...maybe('holdMin', 3),
    ...maybe('invertMin', 1),
    ...maybe('boilMin', 15),
    ...maybe('largestMl', 150),
    ...maybe('maxAw', 0.95),
    ...maybe('standDays', 3),
    ...(next() < 0.4 ? { refC: 93.3, zC: 8.9, minutes: 2 } : {}),
  } as Process
}

/** A run of bottles that is mostly as it should be, with a fault or two. */
export function drawCase(seed: number): ReleaseCase {
  const next = chance(seed)
  const sound = <T>(good: T, bad: T): T => (next() < 0.9 ? good : bad)
  const process = drawProcess(next)
  const treatment = pick(next, ['live-cold', 'frozen', 'cooked-hot-fill', 'boiled-in-jar', 'cold-fill'] as const)
  const trust = pick(next, ['bench', 'bench', 'bench', 'pocket', 'strip', 'unchecked', 'failed', 'stained'] as const)
  const read = (ph: number) => ({ ph, hoursAfterBlending: sound(30, 10), trust: 'bench' as const, calibrationAgeH: 3 })
  const reference = process
    ? {
        ...USUAL_REFERENCE,
        ...{
          refC: process.refC ?? 71.1,
          zC: process.zC ?? 10.8,
          highestPh: process.maxPh,
          minutes: process.minutes ?? 1.2,
        },
      }
    : USUAL_REFERENCE
  return {
    ...{
      treatment,
      process,
      store: sound(pick(next, ['shelf', 'cold'] as const), 'shelf'),
      limitPh: process?.maxPh ?? sound(4, 4.2),
    },
    ...{ headspace: 0.11, altitudeM: 0, predictedPh: null, sugarGPerL: exactly(0), relief: 'vented' },
    ...{ bottleMl: sound(150, 250), filledHours: sound(100, 20), heldMin: sound(4, 1), turnedMin: sound(2.5, 0.5) },
    ...{ oilPct: sound(0, 20), aw: sound(null, 0.9), chunky: sound(false, true), hasLiveFerment: next() < 0.3 },
    reading: sound(
      {
        ...read(sound(3.1, 4.1) + 0.3 * next()),
        trust,
        calibrationAgeH: sound(3, 40),
        checkedAfter: sound('passed', 'failed'),
      } as ReleaseCase['reading'],
      null,
    ),
    solids: Array.from({ length: Math.floor(4 * next()) + sound(1, 0) }, () => read(sound(3.6, 4.5))),
    heat: {
      reference,
      pot: sound(held(sound(92, 71.5), sound(10, 1)), null),
      lastBottle: sound({ points: [{ minute: 0, tempC: sound(90, 81) }] }, null),
      water: sound(held(100, sound(16, 8)), null),
    },
    judged: sound([], [{ verdict: 'stop', sentence: 'Made of what stops.' }]) as ReleaseCase['judged'],
    ...{ unknown: [], allergens: [] },
    label: { current: true, evidence: { atMs: 0, by: 'Bench', what: '60 printed' } },
  }
}

/** What forbids a release, by the table. */
export const forbidden = (of: ReleaseCase): string[] =>
  TABLE.filter(({ forbids }) => forbids(of)).map(({ hazard }) => hazard)
