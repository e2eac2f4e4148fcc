import { ulid } from 'ulid'

const DAY_MS = 86_400_000
const PLACES = ['Bench', 'Shelf', 'Cupboard', 'Loft', 'Sill']

/** So many lots of an invented loft that all ferment now, packed three weeks ago and read five times since. */
export function openLots(count, nowMs = Date.now()) {
  const entries = []
  const packedMs = nowMs - 20 * DAY_MS
  let atMs = packedMs
  let seed = 7
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  const write = (kind, facts) => {
    atMs += 1000
    const id = ulid(atMs, random)
    entries.push({ id, at: new Date(atMs).toISOString(), by: 'Bench', origin: 'maker', kind, ...facts })
  }
  const lots = Array.from({ length: count }, (_, index) => {
    const lotId = ulid(atMs, random)
    write('plan', {
      ...{ lotId, code: `M-${index + 1}`, name: ['Harbour Red', 'Plum Smoke', 'Pear Spark'][index % 3] },
      ...{ color: '#c22a1b', style: 'mash', waterG: 0, saltG: 80, saltId: 'fine-sea', saltBasis: 'ingredients' },
      ...{ saltPct: 4, targetPh: 3.8 },
      rows: [{ materialId: 'cayenne', name: 'Cayenne', massG: 2000, preparation: 'raw', seedsOut: false }],
    })
    const vessels = [{ vesselId: 'jar-3000', mark: '', massG: 2080, hot: index % 9 === 0 }]
    write('pack', { lotId, place: PLACES[index % PLACES.length], closure: 'airlock', vessels })
    return lotId
  })
  for (const day of [1, 2, 4, 7, 11]) {
    atMs = packedMs + day * DAY_MS
    for (const lotId of lots) {
      const calibratedAt = new Date(atMs - 3_600_000).toISOString()
      const instrument = { name: 'pH meter', kind: 'meter', steady: true, calibratedAt, slopePct: 97 }
      write('reading', { lotId, ph: Number((5.2 - day * 0.13).toFixed(2)), tempC: 21, instrument })
    }
  }
  return entries
}
