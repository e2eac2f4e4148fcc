import type { Verdict } from '../level'
import { ONE_SIDED, PH_SD, type Trust } from '../log/trust'
import type { Range, Working } from '../working'
import type { HeatPoint, HeatReference } from './lethality'
import type { Process } from './process'
import type { Relief, Treatment } from './ways'

/** A fact of the log that a check rests on. */
export interface Evidence {
  atMs: number
  by: string
  what: string
}

/**
 * A final pH as read, and how far what it was read with can be trusted. `calibrationAgeH` is `null` where it was not
 * calibrated, or checked in two buffers, before; `checkedAfter` is what the first check of the meter after it came to.
 */
export interface FinalReading {
  ph: number
  hoursAfterBlending: number
  trust: Trust
  calibrationAgeH: number | null
  checkedAfter?: 'passed' | 'failed' | 'none'
  evidence?: Evidence
}

/** Temperatures measured of pot, bottle or water, with who measured them. */
export interface ProcessRecord {
  points: readonly HeatPoint[]
  evidence?: Evidence
}

/** Everything a release is judged from; what is not known is `null`, and counts against it. */
export interface ReleaseCase {
  treatment: Treatment
  store: 'shelf' | 'cold' | 'frozen'
  limitPh: number
  /** The process it was made by; `null`: the usual figures. */
  process: Process | null
  /** What a bottle takes, mL; hours since they were filled, 0 before. */
  bottleMl: number
  filledHours: number
  /** Minutes the closed bottles were held hot, and stood on their heads; `null` where nothing was recorded. */
  heldMin: number | null
  turnedMin: number | null
  /** Oil, percent of weight. */
  oilPct: number
  /** Water activity as measured; `null` where it was not. */
  aw: number | null
  /** It holds pieces: released on drained solids, blended, of its own containers. */
  chunky: boolean
  /** Readings of its own containers, drained solids blended, 24 h after filling or later. */
  solids: readonly FinalReading[]
  /** Air over the sauce as a share of it; height above the sea, m. */
  headspace: number
  altitudeM: number
  reading: FinalReading | null
  predictedPh: Range | null
  /** Residual sugar, g per litre of sauce. */
  sugarGPerL: Range
  hasLiveFerment: boolean
  /** What lets gas out of its bottles, or tells of it in time. */
  relief: Relief
  /**
   * Measured records of the pot, of the last bottle filled hot, of the water around the jars. Predictions get no
   * credit.
   */
  heat: {
    reference: HeatReference
    pot: ProcessRecord | null
    lastBottle: ProcessRecord | null
    water: ProcessRecord | null
  }
  /** What the judge has against the pot and what it was made of; `stop` where it does not leave. */
  judged: readonly { verdict: Verdict; sentence: string }[]
  /** What is in it that nobody knows the allergens of, and the allergens that are known. */
  unknown: readonly string[]
  allergens: readonly string[]
  /** The label that was printed; `current` when what it says is still so. */
  label: { current: boolean; evidence: Evidence } | null
}

export interface ReleaseCheck {
  id: string
  title: string
  verdict: Verdict
  /** It is about gas in a closed bottle. */
  burst?: boolean
  sentence: string
  evidence: readonly Evidence[]
  working?: Working
}

/** What a reading may be off by, at its one-sided 95 % end. */
export const meterError = (trust: Trust) => ONE_SIDED * PH_SD[trust]

/** Upper end of a finished pH: the reading and what it was read with may be off by. */
export const upperPhOf = ({ ph, trust }: Pick<FinalReading, 'ph' | 'trust'>): number => ph + meterError(trust)

/** Facts as a check lists them; what is not there is left out. */
export const seen = (...found: (Evidence | undefined)[]): Evidence[] => found.flatMap((one) => one ?? [])
