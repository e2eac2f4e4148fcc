import type { ComputedRef, ShallowRef } from 'vue'
import type { BenchCommand, BenchState, Instrument, QuantityKind } from '@lactofer/core'

/** What an instrument shows now, in the stored unit of its kind; no value while nothing is measured. */
export interface Shown {
  kind: QuantityKind
  value: number | null
  steady: boolean
  /** A word beside the figure: its tare, its calibration, where it hangs. */
  note: string
  /** What the log keeps of it beside a value. */
  instrument: Instrument
}

/**
 * One instrument, of any make and over any wire. It tells what it shows as it changes, and `null` while it is away; a
 * scale may be tared.
 */
export interface Driver {
  id: string
  /** As it is called on the strip. */
  name: string
  kinds: readonly QuantityKind[]
  subscribe: (show: (shown: Shown | null) => void) => () => void
  tare?: () => Promise<void>
}

/** The bench: what it shows now, what went wrong with it, what it can be asked, its instruments. */
export interface Bench {
  state: ShallowRef<BenchState | null>
  connected: ComputedRef<boolean>
  problem: ShallowRef<string | null>
  command: (order: BenchCommand) => Promise<void>
  drivers: readonly Driver[]
}

/** The wire of a bench: what it shows, whether it is there, and a way to ask something of it. */
export type Wire = Pick<Bench, 'state' | 'connected' | 'problem' | 'command'>
