import { startCompiled } from '../compiled'
import { WASM } from './kernelWasm'

/* The compiled loop of the forecast (kernel/ferment.ts): started with the first question, one for a thread. */

interface Exports {
  memory: { buffer: ArrayBuffer }
  makeRoom(outputs: number): void
  expOf(x: number): number
  phFactor(pH: number, phMin: number): number
  /** Takes the food's own charge of the batch that was set. */
  makeFood(): void
  phFrom(share: number, lactic: number, acetic: number, freeAtStart: number, near: number): number
  /** Runs the batch that was set, for so many outputs. */
  run(outputs: number): void
  placeOfHours(): number
  placeOfShown(): number
  placeOfLactic(): number
  placeOfAcetic(): number
  placeOfHydrogen(): number
  placeOfTwo(): number
  placeOfCitric(): number
  placeOfPhs(): number
  placeOfMalic(): number
  placeOfH(): number
  placeOfP(): number
  placeOfBatch(): number
}

/** What the loop asks for while the temperature changes. */
export interface Caller {
  setPace(hour: number): void
  longestStepH(hour: number): number
}

/** Numbers of a group and of a batch in the loop: as many as the classes there have fields, in their order. */
const GROUP_FIELDS = 11
const BATCH_FIELDS = 17

/** The pace of a group at its temperature: the last of its figures. */
export const WARM = GROUP_FIELDS - 1

/**
 * Starts the loop.
 * @param steps of its tables. @param columns figures it shows at each output.
 */
export function startKernel(caller: Caller, steps: number, columns: number) {
  const { exports, at } = startCompiled<Exports>(WASM, { ...caller })
  const views = (outputs: number) => ({
    hours: at(exports.placeOfHours(), outputs),
    shown: at(exports.placeOfShown(), outputs * columns),
    lactic: at(exports.placeOfLactic(), steps + 1),
    acetic: at(exports.placeOfAcetic(), steps + 1),
    hydrogen: at(exports.placeOfHydrogen(), steps + 1),
    phs: at(exports.placeOfPhs(), steps + 1),
    citric: at(exports.placeOfCitric(), steps + 1),
    malic: at(exports.placeOfMalic(), steps + 1),
    h: at(exports.placeOfH(), GROUP_FIELDS),
    p: at(exports.placeOfP(), GROUP_FIELDS),
    batch: at(exports.placeOfBatch(), BATCH_FIELDS),
  })
  let seen = views(0)
  let outputs = 0
  let hoursThere: Float64Array | null = null
  /** Makes room for so many outputs; its arrays may lie elsewhere then. */
  function fit(wanted: number) {
    if (wanted === outputs) return
    exports.makeRoom(wanted)
    outputs = wanted
    seen = views(outputs)
    hoursThere = null
  }
  return {
    /** Its arrays, as long as no more outputs are asked for. */
    arrays: () => seen,
    fit,
    expOf: exports.expOf,
    phFactor: exports.phFactor,
    makeFood: exports.makeFood,
    phFrom: exports.phFrom,
    /** Runs the batch that was set; what it shows at each hour is written to `out` from `from` on. */
    run(hours: Float64Array, out: Float64Array, from: number) {
      // The same hours for member after member.
      if (hours !== hoursThere) seen.hours.set(hours)
      hoursThere = hours
      exports.run(hours.length)
      out.set(seen.shown, from)
    },
  }
}
