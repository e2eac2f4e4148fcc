import { answer } from '../../answer'
import { keepOpen, readBench } from '../../bench/bench'
import { refuse } from '../../refuse'

const INTERVAL_MS = 250

/** The live instruments as server-sent events, four a second. */
export default answer('GET', (event) => {
  const stream = createEventStream(event)
  const forget = keepOpen(() => void stream.close())
  if (!forget) return refuse(event, { status: 503, message: 'Too many pages watch the bench already. Close some.' })
  const send = () => stream.push(JSON.stringify(readBench()))
  const timer = setInterval(send, INTERVAL_MS)
  stream.onClosed(() => {
    clearInterval(timer)
    forget()
  })
  void send()
  return stream.send()
})
