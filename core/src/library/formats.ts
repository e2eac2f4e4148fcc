/**
 * A bottle or jar as it is filled: nominal filling and brim in mL, empty weight in g, the neck its caps and inserts
 * fit, whether it takes an insert and a shrink band.
 */
export interface BottleFormat {
  id: string
  name: string
  shape: 'bottle' | 'jar'
  fillMl: number
  brimMl: number
  emptyG: number
  neck: string
  insert: boolean
  band: boolean
}

/** Common sizes. Brim volumes and empty weights are typical, judgement: weigh yours. */
export const FORMATS: readonly BottleFormat[] = [
  {
    id: 'b100',
    name: '100 mL bottle',
    shape: 'bottle',
    fillMl: 100,
    brimMl: 108,
    emptyG: 110,
    neck: '24 mm',
    insert: true,
    band: true,
  },
  {
    id: 'b150',
    name: '150 mL bottle',
    shape: 'bottle',
    fillMl: 150,
    brimMl: 160,
    emptyG: 150,
    neck: '24 mm',
    insert: true,
    band: true,
  },
  {
    id: 'b250',
    name: '250 mL bottle',
    shape: 'bottle',
    fillMl: 250,
    brimMl: 268,
    emptyG: 215,
    neck: '31 mm',
    insert: false,
    band: true,
  },
  {
    id: 'b375',
    name: '375 mL bottle',
    shape: 'bottle',
    fillMl: 375,
    brimMl: 397,
    emptyG: 290,
    neck: '31 mm',
    insert: false,
    band: true,
  },
  {
    id: 'b500',
    name: '500 mL bottle',
    shape: 'bottle',
    fillMl: 500,
    brimMl: 527,
    emptyG: 360,
    neck: '31 mm',
    insert: false,
    band: true,
  },
  {
    id: 'j250',
    name: '250 mL jar',
    shape: 'jar',
    fillMl: 250,
    brimMl: 272,
    emptyG: 160,
    neck: '66 mm lid',
    insert: false,
    band: false,
  },
]
