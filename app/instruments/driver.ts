import type { Instrument, QuantityKind } from '@lactofer/core'

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
