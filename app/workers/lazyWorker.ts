import { wrap, type Remote } from 'comlink'

/**
 * A worker that is started with the first question.
 * @param start makes it; the bundler wants `new Worker(new URL(…))` spelled out there.
 */
export function lazyWorker<Api>(start: () => Worker): () => Remote<Api> {
  let remote: Remote<Api> | undefined
  return () => (remote ??= wrap<Api>(start()))
}

/**
 * Asks a worker that is started with the first question. One that cannot be loaded, or breaks, would never answer: then
 * what was asked is rejected, and the next question starts another.
 * @param start as of {@link lazyWorker}.
 */
export function asker<Api>(start: () => Worker): <T>(ask: (remote: Remote<Api>) => Promise<T>) => Promise<T> {
  let at: { remote: Remote<Api>; broken: Promise<never> } | undefined
  function open() {
    const worker = start()
    const broken = new Promise<never>((_resolve, reject) => {
      worker.addEventListener('error', ({ message }) => {
        at = undefined
        worker.terminate()
        reject(new Error(message || 'A worker could not be loaded.'))
      })
    })
    // Whoever asks hears of it; before anybody did nobody has to.
    broken.catch(() => undefined)
    return { remote: wrap<Api>(worker), broken }
  }
  return async (ask) => {
    const { remote, broken } = (at ??= open())
    return Promise.race([ask(remote), broken])
  }
}
