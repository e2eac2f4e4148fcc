import { BenchCommandSchema } from '@lactofer/core'
import { answer } from '../../answer'
import { commandBench, knowsProbe } from '../../bench/bench'
import { readJson } from '../../readJson'
import { refuse } from '../../refuse'

/** Puts a load on the scale, tares, dips or lifts the probe, calibrates. Anything else is refused with a sentence. */
export default answer('POST', async (event) => {
  const read = await readJson(event)
  if ('refusal' in read) return refuse(event, read.refusal)
  const { data: command, error } = BenchCommandSchema.safeParse(read.json)
  if (!command) {
    const issue = error.issues[0]
    const where = issue?.path.join('.') || 'command'
    const message = `The bench does not understand this: ${where}: ${issue?.message ?? 'unknown'}.`
    return refuse(event, { status: 400, message })
  }
  if (command.do === 'place' && !knowsProbe(command.probe))
    return refuse(event, { status: 404, message: 'There is no such probe on this bench.' })
  return commandBench(command)
})
