/* What the loop holds: the groups of bacteria, the batch, and where it stands. */

/** One group of bacteria in one possible batch. */
export class Group {
  rate: f64
  phMin: f64
  /** One over the most cells there can be: products are several times as fast as quotients. */
  perMost: f64
  death: f64
  withGrowth: f64
  atRest: f64
  /** The least pH at which it still makes acid. */
  floor: f64
  /** Its factor for water once salt has evened out, and what is added to that before. */
  waterEven: f64
  waterAhead: f64
  /** Cells at the start, 10⁹/g; 0 where there are none. */
  start: f64
  /** Its pace at this temperature, 0 to 1. */
  warm: f64
}

/** The batch itself: the food, how it lies, and what stops the bacteria. */
export class Batch {
  startPh: f64
  /** The food's own acids, mmol/kg, and its buffer, mmol/kg a pH. */
  citric: f64
  malic: f64
  buffer: f64
  /** Free hydrogen at the start, mmol/kg. */
  freeAtStart: f64
  liquid: f64
  atOnce: f64
  tauH: f64
  aceticShare: f64
  /** One over the undissociated acids that stop growth. */
  perStopsLactic: f64
  perStopsAcetic: f64
  wakesH: f64
  adapted: f64
  hexose: f64
  /** 1 where the temperature never changes. */
  steady: f64
  /** Hexose at half speed, and how far past the stop acid is still made at rest. */
  halfSpeed: f64
  perStopsAtRest: f64
}

/** What moves: logarithms of cells, adaptation, and what is dissolved in the liquid and inside the pieces. */
export class State {
  lnH: f64
  adaptH: f64
  lnP: f64
  adaptP: f64
  sugar: f64
  lactic: f64
  acetic: f64
  sugarIn: f64
  lacticIn: f64
  aceticIn: f64
}
export const STATE_BYTES: usize = 80
