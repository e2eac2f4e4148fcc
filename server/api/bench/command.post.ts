import { BenchCommandSchema } from '@lactofer/core'
import { commandBench } from '../../bench/bench'

/** Puts a load on the scale, tares, dips or lifts the probe, calibrates. 400 with a sentence for anything else. */
export default defineEventHandler(async (event) => {
  const command = BenchCommandSchema.safeParse(await readBody(event).catch(() => undefined))
  if (!command.success) {
    const issue = command.error.issues[0]
    throw createError({
      statusCode: 400,
      statusMessage: 'Bad command',
      message: `The bench does not understand this: ${issue?.path.join('.') || 'command'}: ${issue?.message ?? 'unknown'}.`,
    })
  }
  return commandBench(command.data)
})
