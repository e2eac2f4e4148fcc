/* Long work in slices: between two of them the page may answer. */

/** A slice lasts so long, ms: with what the page does beside it, it stays within half of what is felt. */
const SLICE_MS = 10

/** Lets the page answer: what waits is drawn, pressed and fetched before it goes on. */
export const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

/** Nobody waits longer than this for the page, ms; so long where the browser does not tell when it is at rest. */
const REST_MS = 1500
const UNTOLD_REST_MS = 300
/** Waits until what was just changed is drawn, and the page has nothing else to do; at most so long. */
export const atRest = (mostMs = REST_MS): Promise<void> =>
  new Promise((resolve) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve, Math.min(mostMs, UNTOLD_REST_MS))
    else requestIdleCallback(() => resolve(), { timeout: mostMs })
  })

/** A forecast waits no longer than this for the page, ms. */
const DRAWN_MS = 150
/**
 * Waits until the page has drawn what it is asked about: workers take every core there is, and the page would wait for
 * them.
 */
export const drawn = (): Promise<void> => atRest(DRAWN_MS)

/** How much is being done that somebody waits for. */
let waitedFor = 0
/** Does what somebody waits for: until it is done and drawn, what {@link stepAside} lets wait stands still. */
export async function awaited<T>(work: () => Promise<T>): Promise<T> {
  waitedFor++
  try {
    return await work()
  } finally {
    void drawn().then(() => waitedFor--)
  }
}
/**
 * Lets the page answer, like {@link breathe}, and whatever somebody waits for end before it goes on. A write that hangs
 * holds nothing up for longer than a moment: what lots ask for must not grow old behind it.
 */
export async function stepAside(): Promise<void> {
  const endMs = performance.now() + REST_MS
  do await breathe()
  while (waitedFor > 0 && performance.now() < endMs)
}

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
