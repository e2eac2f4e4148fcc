import { closeStreams } from '../bench/bench'

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', closeStreams)
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, closeStreams)
})
