import { expect, it, vi } from 'vitest'
import { asker } from '~/workers/lazyWorker'

/** A worker that never answers, and may break. */
class SilentWorker extends EventTarget {
  postMessage = vi.fn()
  terminate = vi.fn()
  break = () => this.dispatchEvent(Object.assign(new Event('error'), { message: '' }))
}
interface Api {
  add: (a: number, b: number) => number
}

it('a worker that cannot be loaded rejects what it was asked, and the next question starts another', async () => {
  const started: SilentWorker[] = []
  const ask = asker<Api>(() => {
    started.push(new SilentWorker())
    return started.at(-1) as unknown as Worker
  })
  const [first, second] = [ask((remote) => remote.add(1, 2)), ask((remote) => remote.add(3, 4))]
  const heard = Promise.allSettled([first, second])
  await vi.waitFor(() => expect(started[0]?.postMessage).toHaveBeenCalledTimes(2))
  started[0]!.break()
  expect((await heard).map(({ status }) => status)).toEqual(['rejected', 'rejected'])
  expect(started[0]!.terminate).toHaveBeenCalled()
  void ask((remote) => remote.add(5, 6)).catch(() => undefined)
  await vi.waitFor(() => expect(started[1]?.postMessage).toHaveBeenCalledTimes(1))
})
