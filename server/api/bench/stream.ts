import { answer } from '../../answer'
import { keepOpen, readBench } from '../../bench/bench'
import { refuse } from '../../refuse'

const INTERVAL_MS = 250

/** The live instruments as server-sent events, four a second. */
export default answer('GET', (event) => {
  const stream = createEventStream(event)
  const forget = keepOpen(() => void stream.close())
  if (!forget) return refuse(event, { status: 503, message: 'Too many pages watch the bench already. Close some.' })
  const stop = () => {
    clearInterval(timer)
    forget()
  }
  // A page that leaves between two events has closed its stream before it is told.
  const send = () => void stream.push(JSON.stringify(readBench())).catch(stop)
  const timer = setInterval(send, INTERVAL_MS)
  stream.onClosed(stop)
  send()
  return stream.send()
})
