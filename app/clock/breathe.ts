/* Long work in slices: between two of them the page may answer. */

/** A slice lasts so long, ms: with what the page does beside it, it stays within half of what is felt. */
export const SLICE_MS = 10

/** Lets the page answer: what waits is drawn, pressed and fetched before it goes on. */
export const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

/** Nobody waits longer than this for the page, ms; so long where the browser does not tell when it is at rest. */
const REST_MS = 1500
const UNTOLD_REST_MS = 300
/** Waits until what was just changed is drawn, and the page has nothing else to do. */
export const atRest = (): Promise<void> =>
  new Promise((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve, UNTOLD_REST_MS)
    else requestIdleCallback(() => resolve(), { timeout: REST_MS })
  })

/** Tells when a slice is over. Begins anew with `begin`. */
export function slice() {
  let endMs = performance.now() + SLICE_MS
  return {
    over: () => performance.now() >= endMs,
    begin: () => void (endMs = performance.now() + SLICE_MS),
  }
}

let last: Promise<unknown> = Promise.resolve()
/** Does work after all that waits for its turn already, in a task of its own. Returns how to let it be. */
export function inTurn(work: () => void): () => void {
  let wanted = true
  last = last
    .then(breathe)
    .then(() => {
      if (wanted) work()
    })
    // It is told, and those that wait get their turn all the same.
    .catch(reportError)
  return () => void (wanted = false)
}
