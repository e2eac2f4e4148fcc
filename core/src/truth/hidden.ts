import { drawMembers, memberOf, uniforms, type Member } from '../ferment/member'
import { integrateMember } from '../ferment/integrate'
import { COLUMNS, SHOWN } from '../ferment/shown'
import type { Scenario } from '../ferment/forecast'
import type { Sampled } from '../ferment/readings'
import { gasFigure, PCT_PER_MMOL, sourFigure, type SenseQuestion } from '../ferment/senses'
import { interpolate } from '../units/interpolate'
import type { HiddenKind } from './kinds'

/**
 * A batch as it truly is. Hours since packing; gas in mmol of CO2 per kg and day; what a question of the senses hangs
 * on, in the units of its scale.
 */
export interface HiddenBatch {
  kind: HiddenKind
  ph: (hour: number, of: Sampled) => number
  gasPerDay: (hour: number) => number
  figure: (question: SenseQuestion, hour: number) => number
  /** Lactic and acetic acid made so far, mmol/kg. */
  acid: (hour: number) => number
}

/** Output step of the true course, h, and how far it goes where nobody says, days. */
const STEP_H = 2
const DAYS = 60
/** Film: from when, h, and what it eats of the acid, pH an hour; sooner and more where pieces stand above the brine. */
const FILM = { film: { fromH: 120, perH: 0.06 / 24 }, 'not covered': { fromH: 48, perH: 0.09 / 24 } } as const
const LATE_H = 72
/** Gas of a batch that yeast took, mmol/kg a day, from its second day on. */
const YEAST_GAS = 24

/** What the member of a kind is changed in. */
function changed(member: Member, kind: HiddenKind): Member {
  const growing = (times: number): Member => ({
    ...member,
    h: { ...member.h, rate: member.h.rate * times },
    p: { ...member.p, rate: member.p.rate * times },
  })
  switch (kind) {
    case 'growth x0.7':
      return growing(0.7)
    case 'growth x1.3':
      return growing(1.3)
    case 'least pH +0.3':
      return {
        ...member,
        h: { ...member.h, phMin: member.h.phMin + 0.3 },
        p: { ...member.p, phMin: member.p.phMin + 0.3 },
      }
    case 'room 3 °C colder':
      return { ...member, tempShiftC: member.tempShiftC - 3 }
    case 'room 3 °C warmer':
      return { ...member, tempShiftC: member.tempShiftC + 3 }
    case 'buffer x1.8':
      return {
        ...member,
        buffer: member.buffer * 1.8,
        citric: member.citric * 1.8,
        malic: member.malic * 1.8,
      }
    case 'start +0.4':
      return { ...member, startPh: member.startPh + 0.4 }
    case 'pieces x2':
      return { ...member, tauH: member.tauH * 2 }
    case 'pieces x3':
      return { ...member, tauH: member.tauH * 3 }
    case 'pieces x6':
      return { ...member, tauH: member.tauH * 6 }
    default:
      return member
  }
}

/** The pH at which a kind comes to a halt, whatever the model says; `null` where it does not. */
function haltOf(kind: HiddenKind, chance: () => number): number | null {
  const about = (ph: number) => ph + 0.1 * (chance() - 0.5)
  if (kind === 'stuck at 3.9') return about(3.9)
  if (kind === 'stuck at 4.3') return about(4.3)
  if (kind === 'stalled at 4.8') return about(4.8)
  return kind === 'yeast' ? 4.2 + 0.4 * chance() : null
}

const trueBatch = ({ batch }: Scenario, kind: HiddenKind): Scenario['batch'] => {
  const times = kind === 'salt x0.6' ? 0.6 : kind === 'salt x1.6' ? 1.6 : 1
  return { ...batch, medium: { ...batch.medium, saltPct: batch.medium.saltPct * times } }
}

/** A run of the model's own member, and what it truly is. */
interface Truth extends Pick<HiddenBatch, 'ph' | 'gasPerDay'> {
  shown: (column: (typeof SHOWN)[number], hour: number) => number
}

/**
 * What the answers of the senses hang on, and the acid.
 * @param likeHour when the model's own batch was as sour: its acid and its bacteria are those;
 * @param acidPct titratable acid at packing, %.
 */
function figuresOf(
  { ph, gasPerDay, shown }: Truth,
  likeHour: (ph: number) => number,
  acidPct: number,
): Pick<HiddenBatch, 'figure' | 'acid'> {
  const acidAt = (like: number) => shown('lactic', like) + shown('acetic', like)
  const figure: HiddenBatch['figure'] = (question, hour) => {
    const like = likeHour(ph(hour, 'blended'))
    switch (question) {
      case 'bubbles': {
        const over = Array.from({ length: 6 }, (_, index) => gasPerDay(Math.max(0, hour - 2 * index - 1)))
        return gasFigure(over.reduce((sum, gas) => sum + gas, 0) / over.length)
      }
      case 'one mass':
        return gasFigure(gasPerDay(hour))
      case 'cloud':
        return shown('cells', like)
      case 'sour':
        return sourFigure(acidPct + PCT_PER_MMOL * acidAt(like))
    }
  }
  return { figure, acid: (hour) => acidAt(likeHour(ph(hour, 'blended'))) }
}

/**
 * Draws a true batch of a kind. Reproducible by the seed.
 * @param believed the batch as its maker and the model believe it is.
 * @param days how far it is worked out; it stands still after.
 */
export function hiddenBatch(kind: HiddenKind, believed: Scenario, seed: number, days = DAYS): HiddenBatch {
  const chance = uniforms(seed)
  const hours = Float64Array.from({ length: Math.ceil((days * 24) / STEP_H) + 1 }, (_, index) => index * STEP_H)
  const rows = new Float64Array(hours.length * COLUMNS)
  const member = changed(memberOf(trueBatch(believed, kind), drawMembers(1, seed), 0), kind)
  integrateMember(member, believed.temperature, hours, rows, 0)
  const shown = (column: (typeof SHOWN)[number], hour: number) =>
    interpolate(
      hours.length,
      (index) => hours[index] ?? 0,
      (index) => rows[index * COLUMNS + SHOWN.indexOf(column)] ?? 0,
      hour,
    )
  const halt = haltOf(kind, chance)
  const endPh = 3.4 + 0.3 * chance()
  const pace = 0.85 + 0.4 * chance()
  /** An S between the start and the end, as fast as the model half way, of another shape; liquid runs ahead. */
  const middle = (member.startPh + endPh) / 2
  const halfOf = (of: Sampled) => (hours.find((hour) => shown(of, hour) <= middle) ?? 240) * pace
  const halves = { liquid: halfOf('liquid'), blended: halfOf('blended') }
  const curve = (hour: number, of: Sampled) => {
    const halfH = halves[of]
    const at = (when: number) => 1 / (1 + Math.exp((4.4 * (halfH - when)) / halfH))
    return member.startPh - ((member.startPh - endPh) * (at(hour) - at(0))) / (1 - at(0))
  }
  function ph(hour: number, of: Sampled): number {
    const model = (when: number) => shown(of, Math.max(0, when))
    switch (kind) {
      case 'dead':
        return member.startPh
      case 'late start':
        return model(hour - LATE_H)
      case 'another curve':
        return curve(hour, of)
      case 'film':
      case 'not covered':
        return model(hour) + FILM[kind].perH * Math.max(0, hour - FILM[kind].fromH)
      default:
        return halt === null ? model(hour) : Math.max(model(hour), Math.min(halt, member.startPh))
    }
  }
  function gasPerDay(hour: number): number {
    if (kind === 'dead') return 0
    if (kind === 'late start') return hour < LATE_H ? 0 : shown('gasPerDay', hour - LATE_H)
    if (kind === 'yeast') return hour < 24 ? shown('gasPerDay', hour) : YEAST_GAS
    return halt !== null && ph(hour, 'liquid') <= halt ? 0 : shown('gasPerDay', hour)
  }
  const senses = figuresOf(
    { ph, gasPerDay, shown },
    (now) => hours.find((_, step) => (rows[step * COLUMNS] ?? 0) <= now + 1e-9) ?? days * 24,
    believed.batch.medium.acidPct * (kind === 'buffer x1.8' ? 1.8 : 1),
  )
  return { kind, ph, gasPerDay, ...senses }
}
