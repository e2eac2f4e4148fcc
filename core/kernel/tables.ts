/* Tables over pH: mean charges of the acids, free hydrogen, and what is read between their steps. */

/** The tables: pH from 2.2 to 9 in hundredths. */
export const LOW: f64 = 2.2
const STEPS: i32 = 680
export const PER_PH: f64 = 100
const PH_STEP: f64 = 0.01
const LAST: f64 = 680 - 1e-6
/** Room of a table: its steps, both ends among them, to a full pair. */
const ROOM: i32 = 682
export const TABLE_BYTES: usize = 682 * 8

/** Mean charges of the acids, and free hydrogen, mmol/kg: filled in by the caller. */
export const CITRIC = new StaticArray<f64>(ROOM)
export const MALIC = new StaticArray<f64>(ROOM)
/** The pH at each step. */
export const PHS = new StaticArray<f64>(ROOM)
export const LACTIC = new StaticArray<f64>(ROOM)
export const ACETIC = new StaticArray<f64>(ROOM)
export const HYDROGEN = new StaticArray<f64>(ROOM)
/**
 * Charge that the food's own acids and buffer take up from its start pH on, mmol/kg: of one run. Beside it the charge
 * is balanced by what the bacteria make.
 */
export const NATIVE = new StaticArray<f64>(ROOM)

/**
 * pH where native charge × share + acids' charge balances free hydrogen. Newton on the table, from a pH near by; the
 * residual only rises with pH.
 */
export function phFrom(share: f64, lactic: f64, acetic: f64, freeAtStart: f64, near: f64): f64 {
  let place = (near - LOW) * PER_PH
  if (place < 0) place = 0
  else if (place > LAST) place = LAST
  for (let pass = 0; pass < 30; pass++) {
    const index = <i32>place
    const part = place - <f64>index
    const n0 = unchecked(NATIVE[index])
    const l0 = unchecked(LACTIC[index])
    const a0 = unchecked(ACETIC[index])
    const h0 = unchecked(HYDROGEN[index])
    const slope =
      share * (unchecked(NATIVE[index + 1]) - n0) +
      lactic * (unchecked(LACTIC[index + 1]) - l0) +
      acetic * (unchecked(ACETIC[index + 1]) - a0) -
      (unchecked(HYDROGEN[index + 1]) - h0)
    const residual = share * n0 + lactic * l0 + acetic * a0 - h0 + freeAtStart + part * slope
    const moved = residual / slope
    place -= moved
    if (place < 0) place = 0
    else if (place > LAST) place = LAST
    if (moved < 0.005 && moved > -0.005) break
  }
  return LOW + place * PH_STEP
}

/** A table between its steps. */
export function lookup(table: StaticArray<f64>, ph: f64): f64 {
  const place = min(<f64>STEPS - 1e-9, max(0, (ph - LOW) * PER_PH))
  const index = <i32>place
  const here = unchecked(table[index])
  return here + (unchecked(table[index + 1]) - here) * (place - <f64>index)
}

/** Two steps of a table. */
export function pairAt(table: StaticArray<f64>, place: usize): v128 {
  return v128.load(changetype<usize>(table) + place)
}

/** What of an acid is not dissociated at a place of the table, 0 to 1. */
export function undissociated(charge: StaticArray<f64>, index: i32, part: f64): f64 {
  const here = unchecked(charge[index])
  return 1 - here - (unchecked(charge[index + 1]) - here) * part
}
