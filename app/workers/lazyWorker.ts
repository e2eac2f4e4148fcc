import { wrap, type Remote } from 'comlink'

/**
 * A worker that is started with the first question.
 * @param start makes it; the bundler wants `new Worker(new URL(…))` spelled out there.
 */
export function lazyWorker<Api>(start: () => Worker): () => Remote<Api> {
  let remote: Remote<Api> | undefined
  return () => (remote ??= wrap<Api>(start()))
}
