import type { H3Event } from 'h3'
import { refuse } from '../refuse'
import { nowMs } from '../clock'
import { Rooms, type Answer, type Asking } from './rooms'

/** The rooms of this server, in the store that server/plugins/linkStore chose. */
export const rooms = new Rooms(() => useStorage('link'))

/** Who asks for which room. */
export const askingOf = (event: H3Event): Asking => ({
  room: getRouterParam(event, 'room') ?? '',
  token: /^Bearer (\S+)$/.exec(getRequestHeader(event, 'authorization') ?? '')?.[1],
  nowMs: nowMs(),
})

/** What was asked for, or the refusal in JSON. */
export function told<T, Shown>(event: H3Event, answer: Answer<T>, show: (value: T) => Shown) {
  setResponseHeader(event, 'cache-control', 'no-store')
  return answer.refusal ? refuse(event, answer.refusal) : show(answer.value)
}
