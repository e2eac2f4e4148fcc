import { levelOfSign } from '../ferment/signs'
import type { ReleaseCase, Treatment } from '../keep/release'
import type { Book, Lot } from '../log/fold'
import { ancestors } from '../log/lineage'
import { lastPouredMs } from '../log/measured'
import { volumeOf } from '../composition/composition'
import { mapRange } from '../working'
import { compositionOf } from './lotComposition'

const HOUR_MS = 3_600_000

/**
 * What is known of a blend for its release: the newest finished pH with its meter's calibration, the prediction it was made with, its sugar.
 * @param lastFillTempC measured in the last bottle filled hot, °C; `null` when nobody measured.
 */
export function releaseCaseOf(book: Book, blend: Lot, { treatment, limitPh, lastFillTempC }: { treatment: Treatment, limitPh: number, lastFillTempC: number | null }): ReleaseCase {
  const composition = compositionOf(book, blend.id)
  const litres = composition ? volumeOf(composition) / 1000 : 0
  // A correction begins the day anew: what was read before it is of another mixture.
  const pouredMs = lastPouredMs(blend)
  const last = blend.readings.filter(reading => reading.ph !== undefined && Date.parse(reading.at) >= pouredMs).at(-1)
  const readMs = last ? Date.parse(last.at) : 0
  const calibratedAt = last?.instrument?.calibratedAt
  return {
    treatment, limitPh, lastFillTempC,
    reading: last?.ph === undefined ? null : {
      ph: last.ph, hoursAfterBlending: (readMs - pouredMs) / HOUR_MS,
      calibrationAgeH: calibratedAt ? (readMs - Date.parse(calibratedAt)) / HOUR_MS : null,
    },
    predictedPh: blend.made.kind === 'blend' && blend.added.length === 0 ? blend.made.predictedPh ?? null : null,
    // Unknown make-up counts as sweet: nothing is let through for want of knowledge.
    sugarGPerL: composition && litres > 0 ? mapRange(composition.sugarG, grams => grams / litres) : { low: 0, typical: 20, high: 100 },
    hasLiveFerment: composition?.live ?? true,
    discarded: [blend, ...ancestors(book, blend.id).map(kin => kin.lot)].some(lot => lot.state === 'discarded' || lot.signs.some(sign => levelOfSign(sign) === 'discard')),
  }
}
