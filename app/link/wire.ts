import { z } from '@lactofer/core'
import type { Wire } from './exchange'
import type { Room } from './seal'

/** How long an answer is waited for, ms. */
const PATIENCE_MS = 20_000

/** The server could not be reached, or did not answer in time. */
export class Away extends Error {
  override name = 'Away'
}
/** The server answered, and would not. */
export class Refused extends Error {
  override name = 'Refused'
  constructor(
    /** HTTP status: 410 where the room was closed. */
    readonly status: number,
    message: string,
  ) {
    super(message)
  }
}

const ListedSchema = z.object({
  tag: z.string(),
  parcels: z.array(z.string().regex(/^[ep][0-9a-f]{64}$/)).nullable(),
  nowMs: z.number(),
})
const RefusalSchema = z.object({ message: z.string() })

/** The way to a room over the routes of the server this page came from. */
export function wireTo(room: Room): Wire & { clear: (close: boolean) => Promise<void> } {
  async function ask(path: string, init: RequestInit = {}): Promise<Response> {
    const headers = { authorization: `Bearer ${room.token}`, 'content-type': 'application/octet-stream' }
    let answer: Response
    try {
      const signal = AbortSignal.timeout(PATIENCE_MS)
      answer = await fetch(`/api/link/${room.number}${path}`, { ...init, headers, signal, cache: 'no-store' })
    } catch {
      throw new Away()
    }
    if (answer.ok) return answer
    const said = RefusalSchema.safeParse(await answer.json().catch(() => null))
    // What stands before a server that is down answers in its place.
    if (!said.success || answer.status >= 500) throw new Away()
    throw new Refused(answer.status, said.data.message)
  }
  /** What was cut off while it was read is as if nobody had answered. */
  const read = async <T>(content: Promise<T>): Promise<T> =>
    content.catch(() => {
      throw new Away()
    })
  return {
    async list(seen) {
      const answer = await ask(`?seen=${encodeURIComponent(seen)}`)
      const listed = ListedSchema.safeParse(await read(answer.json()))
      if (!listed.success) throw new Away('Another server answers at this address.')
      return listed.data
    },
    take: async (name) => new Uint8Array(await read((await ask(`/${name}`)).arrayBuffer())),
    leave: async (name, parcel) => void (await ask(`/${name}`, { method: 'PUT', body: parcel })),
    clear: async (close) => void (await ask(close ? '?close=1' : '', { method: 'DELETE' })),
  }
}
