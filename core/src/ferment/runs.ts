import type { Batch } from './batch'
import { integrateMember } from './integrate'
import { COLUMNS, SHOWN } from './shown'
import { DRAWS, memberOf } from './member'
import { logT, spreadOf, type PhReading } from './readings'
import { hoursOf, sensesLog, type Sensed } from './senses'
import type { TemperaturePlan } from './temperature'
import { differs, goOnWay, phOnWay, type FermentWay, type WeighedWay } from './ways'

/*
 * Runs of many possible batches: what they say of what was read, and how they go on. Each run is its own, so what is
 * worked out from them asks for them and does not care who runs them: one alone, or several who share the rows.
 */

/** A batch, what is known of its temperature, what was read and sensed of it, and the ways it may go. */
export interface KnownBatch {
  batch: Batch
  temperature: TemperaturePlan
  readings: readonly PhReading[]
  sensed: readonly Sensed[]
  ways: readonly WeighedWay[]
}

/**
 * What members say of each reading, member by member, where each of them started, and how well each fits, on each way,
 * what was sensed: logarithms, members × ways.
 */
export interface Predicted {
  ph: Float64Array
  startPh: Float64Array
  senses: Float64Array
}

const LIQUID = SHOWN.indexOf('liquid')
/** Where something was sensed a run is looked at every so many hours: when it came to a halt lies between them. */
const HALT_STEP_H = 12

/** Hours at which runs are looked at: of readings and looks, and, where there are looks, of a halt. */
function looksAt(readings: readonly PhReading[], sensed: readonly Sensed[]): Float64Array {
  const looks = hoursOf(sensed)
  const last = Math.max(0, ...looks)
  const steps = looks.length ? Array.from({ length: Math.ceil(last / HALT_STEP_H) }, (_, at) => at * HALT_STEP_H) : []
  return Float64Array.from(new Set([...readings.map(({ hour }) => hour), ...looks, ...steps])).sort()
}

/** What members say of each reading and of what was sensed. */
function predict({ batch, temperature, readings, sensed, ways }: KnownBatch, z: Float64Array): Predicted {
  const count = z.length / DRAWS
  const hours = looksAt(readings, sensed)
  const shown = new Float64Array(hours.length * COLUMNS)
  const onWay = new Float64Array(shown.length)
  const ph = new Float64Array(count * readings.length)
  const startPh = new Float64Array(count)
  const senses = new Float64Array(count * ways.length)
  const fitting = sensesLog(sensed, hours, batch.medium.acidPct)
  const places = readings.map(({ hour, of }) => hours.indexOf(hour) * COLUMNS + SHOWN.indexOf(of))
  for (let row = 0; row < count; row++) {
    const member = memberOf(batch, z, row * DRAWS)
    startPh[row] = member.startPh
    integrateMember(member, temperature, hours, shown, 0)
    for (let index = 0; index < readings.length; index++) ph[row * readings.length + index] = shown[places[index]!]!
    if (sensed.length === 0) continue
    const living = fitting(shown)
    let lowest = Infinity
    for (let at = LIQUID; at < shown.length; at += COLUMNS) if (shown[at]! < lowest) lowest = shown[at]!
    for (let way = 0; way < ways.length; way++) {
      const apart = differs(ways[way]!.way, lowest)
      if (apart) {
        onWay.set(shown)
        goOnWay(ways[way]!.way, hours, onWay, 0, member.hexose)
      }
      senses[row * ways.length + way] = apart ? fitting(onWay) : living
    }
  }
  return { ph, startPh, senses }
}

/**
 * Log likelihood of each member on each way, the way's share in it: members × ways.
 * @param to only so many readings, the first ones.
 */
export function logsOnWays(
  { ph, startPh, senses }: Predicted,
  { readings, ways }: Pick<KnownBatch, 'readings' | 'ways'>,
  to = readings.length,
): Float64Array {
  const width = readings.length
  const out = new Float64Array(startPh.length * ways.length)
  const shares = ways.map(({ share }) => Math.log(share))
  const spreads = readings.map(spreadOf)
  for (let row = 0; row < startPh.length; row++)
    for (let way = 0; way < ways.length; way++) {
      let sum = shares[way]! + senses[row * ways.length + way]!
      for (let index = 0; index < to; index++) {
        const { hour, ph: read } = readings[index]!
        sum += logT(read - phOnWay(ways[way]!.way, ph[row * width + index]!, hour, startPh[row]!), spreads[index]!)
      }
      out[row * ways.length + way] = sum
    }
  return out
}

const LIVING: FermentWay = { kind: 'living' }

/** How they go on, each on its way: members × hours × what is shown. */
function run({ scenario, z, ways, hours }: Extract<Asked, { what: 'run' }>): Float64Array {
  const width = hours.length * COLUMNS
  const count = z.length / DRAWS
  const all = new Float64Array(count * width)
  for (let row = 0; row < count; row++) {
    const member = memberOf(scenario.batch, z, row * DRAWS)
    integrateMember(member, scenario.temperature, hours, all, row * width)
    goOnWay(ways[row] ?? LIVING, hours, all, row * width, member.hexose)
  }
  return all
}

/** Runs that are asked for: plain values, as they go to a worker and back. */
export type Asked =
  | { what: 'predict' | 'weigh'; known: KnownBatch; z: Float64Array }
  | {
      what: 'run'
      scenario: Pick<KnownBatch, 'batch' | 'temperature'>
      z: Float64Array
      ways: readonly FermentWay[]
      hours: Float64Array
    }
export type Answer = Predicted | Float64Array

/** Work that asks for runs on its way. */
export type Asking<T> = Generator<Asked, T, Answer>

/** Asks what members say of each reading and of what was sensed. */
export function* predicting(known: KnownBatch, z: Float64Array): Asking<Predicted> {
  return (yield { what: 'predict', known, z }) as Predicted
}
/** Asks how well members fit on each way: {@link logsOnWays}. */
export function* weighing(known: KnownBatch, z: Float64Array): Asking<Float64Array> {
  return (yield { what: 'weigh', known, z }) as Float64Array
}
/** Asks how members go on. */
export function* running(asked: Omit<Extract<Asked, { what: 'run' }>, 'what'>): Asking<Float64Array> {
  return (yield { what: 'run', ...asked }) as Float64Array
}

/** Runs what is asked for. */
export function runAsked(asked: Asked): Answer {
  if (asked.what === 'run') return run(asked)
  const predicted = predict(asked.known, asked.z)
  return asked.what === 'weigh' ? logsOnWays(predicted, asked.known) : predicted
}

/** Work done alone. */
export function alone<T>(work: Asking<T>): T {
  let step = work.next()
  while (!step.done) step = work.next(runAsked(step.value))
  return step.value
}

/** Somebody else who runs what is asked for. */
export type Hand = (asked: Asked) => Promise<Answer>
/** Fewer rows than these are not worth sending. */
const WORTH_SENDING = 40

/** The rows of what is asked, in so many parts of about one size. */
function parted(asked: Asked, parts: number): Asked[] {
  const rows = asked.z.length / DRAWS
  return Array.from({ length: parts }, (_, part) => {
    const [from, to] = [Math.floor((rows * part) / parts), Math.floor((rows * (part + 1)) / parts)]
    const z = asked.z.slice(from * DRAWS, to * DRAWS)
    return asked.what === 'run' ? { ...asked, z, ways: asked.ways.slice(from, to) } : { ...asked, z }
  })
}

function together(arrays: readonly Float64Array[]): Float64Array {
  const all = new Float64Array(arrays.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const one of arrays) {
    all.set(one, at)
    at += one.length
  }
  return all
}
function joined(answers: readonly Answer[]): Answer {
  if (answers.every((one) => one instanceof Float64Array)) return together(answers)
  const of = (key: keyof Predicted) => together(answers.map((one) => (one as Predicted)[key]))
  return { ph: of('ph'), startPh: of('startPh'), senses: of('senses') }
}

/**
 * Work shared out between this one and others: the same rows, and so the same figures. What one of the others fails at
 * is run here.
 */
export async function sharedOut<T>(work: Asking<T>, others: readonly Hand[]): Promise<T> {
  let step = work.next()
  while (!step.done) {
    const asked = step.value
    if (others.length === 0 || asked.z.length / DRAWS < WORTH_SENDING) {
      step = work.next(runAsked(asked))
      continue
    }
    const [mine, ...theirs] = parted(asked, others.length + 1)
    const sent = theirs.map((part, index) => others[index]!(part).catch(() => runAsked(part)))
    const here = runAsked(mine!)
    step = work.next(joined([here, ...(await Promise.all(sent))]))
  }
  return step.value
}
