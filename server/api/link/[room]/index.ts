import { nowMs } from '../../../clock'
import { askingOf, rooms, told } from '../../../link/link'
import { refuse } from '../../../refuse'

/** A room: what lies in it, and what time it is here; or all of it cleared, and the room closed where that is asked. */
export default defineEventHandler(async (event) => {
  const asked = getQuery(event)
  if (event.method === 'DELETE')
    return told(event, await rooms.clear(askingOf(event), asked.close === '1'), (cleared) => cleared)
  if (event.method !== 'GET')
    return refuse(event, { status: 405, message: 'This address answers GET and DELETE only.' })
  return told(event, await rooms.list(askingOf(event), String(asked.seen ?? '')), (listed) => ({
    ...listed,
    nowMs: nowMs(),
  }))
})
