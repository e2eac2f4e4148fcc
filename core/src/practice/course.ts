import type { Batch } from '../ferment/batch'
import type { Sampled } from '../ferment/readings'
import type { SenseQuestion } from '../ferment/senses'
import type { TemperaturePlan } from '../ferment/temperature'
import { hiddenBatch, type HiddenBatch } from '../truth/hidden'
import type { HiddenKind } from '../truth/kinds'
import { shifted } from './places'

/** What truly goes on in a jar, by hours since it was packed. */
export interface Course {
  ph: (hour: number, of: Sampled) => number
  /** mmol of CO2 per kg and day. */
  gasPerDay: (hour: number) => number
  figure: (question: SenseQuestion, hour: number) => number
  /** Lactic and acetic acid made, mmol per kg. */
  acid: (hour: number) => number
  /** Salt in the water, percent. */
  saltPct: (hour: number) => number
}

/** What is in a jar from an hour on, as it truly is: `share` of its weight was in it before. */
export interface Stage {
  fromHour: number
  batch: Batch
  share: number
}

/** The model shows its batches in such steps, h; and so far one is followed to find where it had made as much acid. */
const STEP_H = 2
const FAR_DAYS = 60

/** A stage as it runs: at its `fromHour` it stands where a batch of its own stands at `likeHour`. */
interface Running extends Stage {
  likeHour: number
  hidden: HiddenBatch
}

/** How much too far a step went past an amount of acid, h. */
function partOfStep({ acid }: HiddenBatch, hour: number, carried: number): number {
  const [from, to] = [acid(hour - STEP_H), acid(hour)]
  return to > from ? (STEP_H * (to - Math.min(to, Math.max(from, carried)))) / (to - from) : 0
}

/**
 * The course of a jar through what was put into it. After each addition the mixture is another batch of the same
 * bacteria, at the hour at which it has made as much acid as was carried over. Acid is kept; what the model forgets
 * is how many bacteria carried it.
 * @param days how far, from packing.
 */
export function courseOf(
  stages: readonly Stage[],
  temperature: TemperaturePlan,
  kind: HiddenKind,
  seed: number,
  days: number,
): Course {
  const running: Running[] = []
  const at = (hour: number) => running.findLast(({ fromHour }) => fromHour <= hour) ?? running[0]!
  const own = (stage: Running, hour: number) => Math.max(0, hour - stage.fromHour + stage.likeHour)
  for (const stage of stages) {
    const before = running.length ? at(stage.fromHour) : null
    if (!before) {
      running.push({
        ...stage,
        likeHour: 0,
        hidden: hiddenBatch(kind, { batch: stage.batch, temperature }, seed, days),
      })
      continue
    }
    const carried = before.hidden.acid(own(before, stage.fromHour)) * stage.share
    const farH = 24 * Math.max(days, FAR_DAYS)
    const steady = shifted(temperature, stage.fromHour, farH)
    const trial = hiddenBatch(kind, { batch: stage.batch, temperature: steady }, seed, farH / 24)
    let likeHour = 0
    while (likeHour < farH && trial.acid(likeHour) < carried) likeHour += STEP_H
    likeHour = Math.max(0, likeHour - partOfStep(trial, likeHour, carried))
    // Too little is left to make as much: it stands where it stops.
    const plan = shifted(temperature, stage.fromHour, likeHour)
    const hidden = hiddenBatch(kind, { batch: stage.batch, temperature: plan }, seed, days + likeHour / 24)
    running.push({ ...stage, likeHour, hidden })
  }
  return {
    ph: (hour, of) => at(hour).hidden.ph(own(at(hour), hour), of),
    gasPerDay: (hour) => at(hour).hidden.gasPerDay(own(at(hour), hour)),
    figure: (question, hour) => at(hour).hidden.figure(question, own(at(hour), hour)),
    acid: (hour) => at(hour).hidden.acid(own(at(hour), hour)),
    saltPct: (hour) => at(hour).batch.medium.saltPct,
  }
}
