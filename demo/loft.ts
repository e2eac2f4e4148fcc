import { SHIPPED, type EntryOf, type Preparation } from '@lactofer/core'
import type { Diary } from './diary'

/** The loft's row of vessels. */
export function vesselRow(diary: Diary): void {
  const vessels: [
    id: string,
    name: string,
    shape: EntryOf<'vessel'>['shape'],
    capacityMl: number,
    closure: EntryOf<'vessel'>['closure'],
    count: number,
    tareG: number,
  ][] = [
    ['jar-500', '500 mL jar', 'jar', 520, 'loose lid', 10, 290],
    ['jar-1000', '1 L jar', 'jar', 1050, 'loose lid', 12, 480],
    ['jar-2000', '2 L jar', 'jar', 2100, 'clip', 6, 930],
    ['jar-3000', '3 L jar', 'jar', 3150, 'tight lid', 5, 1180],
    ['jar-5000', '5 L jar', 'jar', 5200, 'airlock', 3, 1910],
    ['crock-10', '10 L crock', 'crock', 10500, 'cloth', 2, 7650],
    ['bucket-20', '20 L bucket', 'bucket', 21000, 'airlock', 3, 940],
    ['bag-2000', '2 L vacuum bag', 'bag', 3000, 'sealed bag', 20, 22],
  ]
  for (const [vesselId, name, shape, capacityMl, closure, count, tareG] of vessels)
    diary.write({ kind: 'vessel', at: diary.at(120), vesselId, name, shape, capacityMl, closure, count, tareG })
}

/** What the loft pays. */
export function prices(diary: Diary): void {
  const paid: [materialId: string, name: string, group: EntryOf<'material'>['group'], pricePerKg: number][] = [
    ['fresno', 'Fresno chilli', 'pepper', 6.4],
    ['carrot', 'Carrot', 'vegetable', 1.3],
    ['garlic', 'Garlic', 'vegetable', 7.2],
    ['salt', 'Salt', 'salt', 0.9],
    ['cayenne', 'Cayenne', 'pepper', 8.5],
  ]
  for (const [materialId, name, group, pricePerKg] of paid)
    diary.write({ kind: 'material', at: diary.at(118), materialId, name, group, pricePerKg }, 'Cellar')
}

/** Its recipes; returns the id of the red mash. */
export function recipes(diary: Diary): string {
  const row = (materialId: string, massG: number, preparation: Preparation = 'raw') => ({
    materialId,
    name: SHIPPED.materialOrUnknown(materialId).name,
    massG,
    preparation,
    seedsOut: false,
  })
  const mash = { style: 'mash', waterG: 0, saltBasis: 'ingredients', saltId: 'fine-sea', targetPh: 3.8 } as const
  const red = diary.lotId(110)
  diary.write({
    kind: 'recipe',
    at: diary.at(110),
    recipeId: red,
    name: 'Quay red mash',
    plan: { ...mash, saltPct: 4, rows: [row('fresno', 2600), row('carrot', 900, 'roasted'), row('garlic', 60)] },
  })
  diary.write(
    {
      kind: 'recipe',
      at: diary.at(40),
      recipeId: red,
      name: 'Quay red mash',
      note: 'More carrot, a little less salt',
      plan: { ...mash, saltPct: 3.5, rows: [row('fresno', 2300), row('carrot', 1200, 'roasted'), row('garlic', 80)] },
    },
    'Cellar',
  )
  diary.write({
    kind: 'recipe',
    at: diary.at(35),
    recipeId: diary.lotId(35),
    name: 'Green salsa',
    plan: {
      ...mash,
      style: 'chop',
      saltPct: 2.4,
      targetPh: 3.9,
      rows: [row('green-tomato', 1900), row('cubanelle', 650), row('shallot', 420), row('garlic', 45)],
    },
  })
  return red
}

/** The meter on two buffers, this morning. */
export function calibration(diary: Diary): void {
  diary.write(
    {
      kind: 'calibrate',
      at: diary.at(0.35),
      meter: 'pH meter',
      points: [
        { ph: 7, millivolt: 4.2, tempC: 21.5 },
        { ph: 4.01, millivolt: 175.1, tempC: 21.6 },
      ],
      slopePct: 97.8,
      offsetMv: 4.2,
      accepted: true,
    },
    'Cellar',
  )
}
