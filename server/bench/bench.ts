import { BenchSimulator, type BenchCommand, type BenchState } from '@lactofer/core'
import { nowMs } from '../clock'

/**
 * The one simulated bench of this server and the streams that watch it. It settles as fast as real instruments do, or
 * so many times faster as NUXT_BENCH_PACE says.
 */
const simulator = new BenchSimulator(nowMs(), 20, { pace: useRuntimeConfig().bench.pace })
const closers = new Set<() => void>()

/** What the instruments show at this moment. */
export function readBench(): BenchState {
  simulator.run(nowMs())
  return simulator.read()
}

/** Does a command and answers with what the instruments show right after. */
export function commandBench(command: BenchCommand): BenchState {
  simulator.run(nowMs())
  simulator.obey(command)
  return simulator.read()
}

/** So many pages may watch at once. */
const MOST_STREAMS = 48

/** Whether the bench has a probe of that name. */
export const knowsProbe = (id: string): boolean => simulator.read().probes.some((probe) => probe.id === id)

/**
 * Keeps a stream's close function, so that a server that stops can end it; returns how to forget it, or `null` where
 * enough are open.
 */
export function keepOpen(close: () => void): (() => void) | null {
  if (closers.size >= MOST_STREAMS) return null
  closers.add(close)
  return () => closers.delete(close)
}

/** Ends all open streams: an open stream would keep the server from stopping. */
export function closeStreams(): void {
  for (const close of closers) close()
  closers.clear()
}
