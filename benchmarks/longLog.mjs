import { ulid } from 'ulid'

/**
 * Years of work, invented: batches of a ferment, its press, blend and bottles, with readings, chores and sales,
 * until there are so many entries.
 * About 5,000 runs of bottles are still in stock in a log of 100,000.
 */
export function longLog(count) {
  const entries = []
  const start = Date.parse('2021-01-04T08:00:00.000Z')
  let seed = 7
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  let atMs = start
  const id = () => ulid(atMs, random)
  const write = (kind, facts) => {
    atMs += 60_000
    entries.push({
      id: id(),
      at: new Date(atMs).toISOString(),
      by: entries.length % 2 ? 'Bench' : 'Cellar',
      origin: 'maker',
      kind,
      ...facts,
    })
  }
  for (let batch = 1; entries.length < count; batch++) {
    const [mash, base, pot, bottles] = [id(), id(), id(), id()]
    const name = ['Harbour Red', 'Plum Smoke', 'Pear Spark', 'Green salsa'][batch % 4]
    const lot = (lotId, code) => ({ lotId, code, name, color: '#c22a1b' })
    write('plan', {
      ...lot(mash, `M-${batch}`),
      style: 'mash',
      waterG: 0,
      saltG: 80,
      saltId: 'fine-sea',
      saltBasis: 'ingredients',
      saltPct: 4,
      targetPh: 3.8,
      rows: [
        {
          materialId: 'cayenne',
          name: 'Cayenne',
          massG: 2000,
          preparation: 'raw',
          seedsOut: false,
          grower: 'Upper Terrace',
        },
      ],
    })
    write('pack', {
      lotId: mash,
      place: 'Bench',
      closure: 'airlock',
      vessels: [{ vesselId: 'jar-3000', mark: '', massG: 2080, hot: false }],
    })
    for (let reading = 0; reading < 6; reading++)
      write('reading', {
        lotId: mash,
        ph: Number((5 - reading * 0.25).toFixed(2)),
        tempC: 21,
        instrument: {
          name: 'pH meter',
          kind: 'meter',
          steady: true,
          calibratedAt: new Date(atMs - 3_600_000).toISOString(),
          slopePct: 97,
        },
      })
    for (let chore = 0; chore < 3; chore++) write('chore', { lotId: mash, chore: 'airlock water' })
    write('press', {
      ...lot(base, `M-${batch}B`),
      fromLotId: mash,
      method: 'sieve',
      inG: 2080,
      baseG: 1700,
      pulpG: 350,
      seedsG: 0,
    })
    write('blend', {
      ...lot(pot, `S-${batch}`),
      cooked: true,
      parts: [
        { lotId: base, name: 'Base', massG: 1690 },
        { materialId: 'white-vinegar', name: 'White vinegar 5 %', massG: 1310 },
      ],
      predictedPh: { low: 3.3, typical: 3.4, high: 3.5 },
    })
    write('reading', {
      lotId: pot,
      ph: 3.42,
      tempC: 20,
      instrument: {
        name: 'pH meter',
        kind: 'meter',
        steady: true,
        calibratedAt: new Date(atMs - 3_600_000).toISOString(),
        slopePct: 97,
      },
    })
    write('bottle', {
      ...lot(bottles, `S-${batch}-X`),
      fromLotId: pot,
      bottleMl: 150,
      count: 20,
      usedG: 2990,
      treatment: 'cooked-hot-fill',
      bestBefore: '2029-03-01',
      place: ['Cellar shelf', 'Market box', 'Cold corner'][batch % 3],
    })
    write('release', { lotId: bottles, decision: 'released', limitPh: 4, reason: 'Every check passed.', initials: 'B' })
    for (let sale = 0; sale < 2; sale++) write('send', { lotId: bottles, count: 5, to: 'Quay market', how: 'sold' })
  }
  return entries.slice(0, count)
}
