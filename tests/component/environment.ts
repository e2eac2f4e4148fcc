import { useMediaQuery } from '@vueuse/core'
import { vi } from 'vitest'
import { useRoute, useRouter } from 'vue-router'

/* What the application finds in a browser and in Nuxt, for pages that are opened in memory (`application.ts`). */

// The names that Nuxt imports by itself, as far as the application uses them.
Object.assign(globalThis, {
  ...{ useRoute, useRouter, useMediaQuery },
  useHead: () => undefined,
  useNuxtApp: () => ({}),
  onNuxtReady: (work: () => void) => work(),
  useRuntimeConfig: () => ({ public: { demo: false } }),
})

/** What the modules of workers offer, by the order they were loaded in. */
const { offered } = vi.hoisted(() => ({ offered: [] as Record<string, (...args: unknown[]) => unknown>[] }))
type Api = (typeof offered)[number]

/** Workers that need no browser run in this process; one that does is refused, as when it cannot be fetched. */
const MODULES = import.meta.glob(['../../app/workers/vessels.worker.ts', '../../app/workers/table.worker.ts'])
const apis = new Map<string, Promise<Api>>()
let loading: Promise<unknown> = Promise.resolve()
async function apiOf(name: string, load: () => Promise<unknown>): Promise<Api> {
  const before = offered.length
  await load()
  if (!offered[before]) throw new Error(`${name} offers nothing.`)
  return offered[before]
}
class InProcessWorker extends EventTarget {
  readonly api: Promise<Api>
  constructor(url: URL) {
    super()
    const name = url.pathname.replace(/^.*\//, '')
    const load = MODULES[`../../app/workers/${name}`]
    if (load && !apis.has(name)) {
      const api = loading.then(() => apiOf(name, load))
      loading = api
      apis.set(name, api)
    }
    this.api = apis.get(name) ?? new Promise(() => undefined)
    const absent = Object.assign(new Event('error'), { message: `${name} does not run here.` })
    if (!load) queueMicrotask(() => this.dispatchEvent(absent))
  }
  terminate() {}
}
vi.mock('comlink', () => ({
  expose: (api: Api) => void offered.push(api),
  wrap: (worker: InProcessWorker) =>
    new Proxy(
      {},
      {
        get: (_, method: string) =>
          method === 'then'
            ? undefined
            : async (...args: unknown[]) => (await worker.api)[method]?.(...structuredClone(args)),
      },
    ),
  transfer: <T>(value: T) => value,
  proxy: <T>(value: T) => value,
}))

/** All of a page is in sight: nothing of a long list waits to be scrolled to. */
class AllInSight {
  constructor(private readonly tell: IntersectionObserverCallback) {}
  observe(target: Element) {
    queueMicrotask(() => this.tell([{ target, isIntersecting: true } as IntersectionObserverEntry], this as never))
  }
  unobserve() {}
  disconnect() {}
}

/** No server stands behind the page: its stream never opens, and what is asked of it is not answered. */
class AbsentStream extends EventTarget {
  readyState = 0
  close() {}
}

Object.assign(globalThis, {
  ...{ Worker: InProcessWorker, EventSource: AbsentStream, isSecureContext: true },
  IntersectionObserver: AllInSight,
  fetch: () => Promise.reject(new TypeError('There is no server.')),
  reportError(error: unknown) {
    throw error
  },
})
// One page alone is granted every lock; this browser has no private files, so there is no second copy.
Object.defineProperties(navigator, {
  language: { value: 'en-GB', configurable: true },
  locks: {
    configurable: true,
    value: {
      request: async (name: string, ...rest: unknown[]) => (rest.at(-1) as (lock: object) => unknown)({ name }),
    },
  },
  storage: { configurable: true, value: { persist: async () => false, persisted: async () => false } },
})
// The whole page as text each time something is placed beside something: most of what a test would take.
Element.prototype.toString = () => '[object HTMLElement]'
