import { askingOf, rooms, told } from '../../../link/link'
import { readBytes } from '../../../readBytes'
import { refuse } from '../../../refuse'
import { LIMITS } from '../../../link/rooms'

/** A sealed parcel: taken, or left. */
export default defineEventHandler(async (event) => {
  const name = getRouterParam(event, 'parcel') ?? ''
  if (event.method === 'GET')
    return told(event, await rooms.take(askingOf(event), name), (parcel) => {
      setResponseHeader(event, 'content-type', 'application/octet-stream')
      return Buffer.from(parcel)
    })
  if (event.method !== 'PUT') return refuse(event, { status: 405, message: 'This address answers GET and PUT only.' })
  const asking = askingOf(event)
  // Nothing is read of what a stranger sends.
  const refusal = rooms.stranger(asking)
  if (refusal) return refuse(event, refusal)
  const read = await readBytes(event, 'application/octet-stream', LIMITS.parcelBytes)
  if ('refusal' in read) return refuse(event, read.refusal)
  return told(event, await rooms.leave(asking, name, read.bytes), (left) => left)
})
