/* The exponential of the loop. */

/** Powers of two from 0 to 1 in 128ths: what is left to the exponential is so small that five terms are exact. */
const TWO_STEPS: i64 = 128
export const TWO = new StaticArray<f64>(128)
/** 128 / ln 2, and ln 2 / 128 in two parts, the first without its last digits. */
const PER_LN: f64 = 184.6649652337873
const LN_STEP: f64 = 0.0054152123047970235
const LN_STEP_REST: f64 = 4.332754919504735e-11
/** Under this nothing is left of an exponential. */
const NOTHING: f64 = -700

/** The exponential of a number up to 700, to one in 10¹⁵ (the check is in core/test/ferment). */
export function expOf(x: f64): f64 {
  if (x < NOTHING) return 0
  const steps = nearest(x * PER_LN)
  const whole = <i64>steps
  const rest = x - steps * LN_STEP - steps * LN_STEP_REST
  const small = rest + rest * rest * (0.5 + rest * (1.0 / 6 + rest * (1.0 / 24 + rest / 120)))
  const power = unchecked(TWO[<i32>(whole & (TWO_STEPS - 1))])
  const scale = reinterpret<f64>(((whole >> 7) + 1023) << 52)
  return scale * (power + power * small)
}
