/** Low, typical and high value of a quantity that is never known exactly; same unit for all three. */
export interface Range {
  low: number
  typical: number
  high: number
}

/** How a figure came about, so that a page can show it: formula, numbers put in, result, source. */
export interface Working {
  /** What was computed, in the trade's words. */
  what: string
  /** The formula in plain notation. */
  formula: string
  /** Numbers put in, each with its unit already in the text. */
  numbers: { name: string; value: string }[]
  /** The result with its unit. */
  result: string
  /** Where the formula or its constants come from. */
  source: string
}

/** A range whose three values are the same. */
export const exactly = (value: number): Range => ({ low: value, typical: value, high: value })

/** Applies a function to each of the three values. */
export const mapRange = (range: Range, change: (value: number) => number): Range => ({
  low: change(range.low),
  typical: change(range.typical),
  high: change(range.high),
})
