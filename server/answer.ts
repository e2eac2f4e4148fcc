import type { EventHandler, H3Event } from 'h3'
import { refuse } from './refuse'

/** A route that answers one method and refuses every other. */
export const answer = (method: 'GET' | 'POST', work: (event: H3Event) => unknown): EventHandler =>
  defineEventHandler((event) =>
    event.method === method || (method === 'GET' && event.method === 'HEAD')
      ? work(event)
      : refuse(event, { status: 405, message: `This address answers ${method} only.` }),
  )
