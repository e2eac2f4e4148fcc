import { keepOpen, readBench } from '../../bench/bench'

const INTERVAL_MS = 250

/** The live instruments as server-sent events, four a second. */
export default defineEventHandler((event) => {
  const stream = createEventStream(event)
  const send = () => stream.push(JSON.stringify(readBench()))
  const timer = setInterval(send, INTERVAL_MS)
  const forget = keepOpen(() => void stream.close())
  stream.onClosed(() => {
    clearInterval(timer)
    forget()
  })
  void send()
  return stream.send()
})
