/* What is compiled to WebAssembly from core/kernel: started here, for whoever lays its figures out. */

/** What this needs of the platform; core knows no browser. */
declare const WebAssembly: {
  Module: new (bytes: Uint8Array) => object
  Instance: new (module: object, imports: object) => { exports: unknown }
}
declare const atob: (base64: string) => string

/** What every compiled module shows: where its figures lie, and its powers of two, which are filled in here. */
interface Compiled {
  memory: { buffer: ArrayBuffer }
  placeOfTwo(): number
}
/** Powers of two in the table of its exponential, from 0 to 1. */
const TWO_STEPS = 128

/**
 * Starts a compiled module.
 * @param base64 its bytes. @param caller what it asks of who calls it.
 * @returns what it shows; `at` looks at so many of its figures from a place on, as long as no more room is asked for.
 */
export function startCompiled<Exports extends Compiled>(base64: string, caller: object = {}) {
  const bytes = Uint8Array.from(atob(base64), (character) => character.charCodeAt(0))
  const abort = () => {
    throw new Error('What is compiled has no room left.')
  }
  const made = new WebAssembly.Instance(new WebAssembly.Module(bytes), { env: { abort }, caller })
  const exports = made.exports as Exports
  const at = (place: number, length: number) => new Float64Array(exports.memory.buffer, place, length)
  at(exports.placeOfTwo(), TWO_STEPS).set(Array.from({ length: TWO_STEPS }, (_, step) => 2 ** (step / TWO_STEPS)))
  return { exports, at }
}
