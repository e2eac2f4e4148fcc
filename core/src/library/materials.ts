import type { Range } from '../working'
import type { Allergen, Material, MaterialKind } from './material'

/*
 * Water: Indian Food Composition Tables 2017 where a row is named (mean ± 2 sd), else from memory.
 * Acids, sugars, pH (US FDA "Approximate pH of foods") and dry-basis heat: from memory, with the range met.
 * A home test of every named row stands in core/test/library.
 */
type Triple = readonly [low: number, typical: number, high: number]
const range = ([low, typical, high]: Triple): Range => ({ low, typical, high })
const zero: Triple = [0, 0, 0]

interface Row {
  water: Triple, from?: string, sugar: Triple, ph: Triple
  acids: Partial<Record<'citric' | 'malic' | 'tartaric' | 'succinic' | 'ascorbic' | 'acetic', Triple>>
  shu?: Triple, sites?: readonly [number, number], allergens?: readonly Allergen[]
}

function produce(kind: MaterialKind, id: string, name: string, color: string, row: Row): Material {
  const [pectin, protein] = row.sites ?? [8, 10]
  return {
    id, name, kind, color, waterPct: range(row.water), ...(row.from && { waterSource: row.from }), sugarPct: range(row.sugar), saltPct: 0,
    acidsPct: Object.fromEntries(Object.entries(row.acids).map(([acid, triple]) => [acid, range(triple)])),
    sites: { pectin, protein }, ph: range(row.ph), dryShu: row.shu ? range(row.shu) : null,
    allergens: row.allergens ?? [], livens: true,
  }
}

/** Ripe red pepper after science's default: citric 0.26, malic 0.12, succinic 0.035, ascorbic 0.15 %, 10 and 14 mmol/kg of sites. */
const RIPE = {
  sugar: [3, 4.5, 6] as Triple, ph: [4.8, 5.1, 5.6] as Triple, sites: [10, 14] as const,
  acids: { citric: [0.15, 0.26, 0.4], malic: [0.03, 0.12, 0.2], succinic: [0.02, 0.035, 0.05], ascorbic: [0.1, 0.15, 0.2] } as Row['acids'],
}
const pepper = (id: string, name: string, color: string, shu: Triple, water: Triple = [85, 88, 91], rest: Partial<Row> = {}) =>
  produce('pepper', id, name, color, { ...RIPE, water, shu, ...rest })

const plain = (kind: MaterialKind, id: string, name: string, color: string, rest: Partial<Material>): Material => ({
  id, name, kind, color, waterPct: range(zero), sugarPct: range(zero), saltPct: 0, acidsPct: {}, sites: { pectin: 0, protein: 0 },
  ph: null, dryShu: null, allergens: [], livens: false, ...rest,
})
const vinegar = (id: string, name: string, color: string, acetic: number, allergens: readonly Allergen[] = []) =>
  plain('vinegar', id, name, color, { waterPct: range([100 - acetic, 100 - acetic, 100 - acetic]), acidsPct: { acetic: range([acetic, acetic, acetic]) }, allergens })

export const MATERIALS: readonly Material[] = [
  pepper('fresno', 'Fresno chilli', '#c8341f', [2500, 5000, 10000]),
  pepper('cayenne', 'Cayenne', '#c22a1b', [30000, 40000, 50000], [82, 85, 88]),
  pepper('jalapeno', 'Jalapeño', '#4f7a33', [2500, 5000, 8000], [88, 90, 92]),
  pepper('habanero', 'Habanero', '#e0701c', [100000, 200000, 350000], [86, 88, 91]),
  pepper('scotch-bonnet', 'Scotch bonnet', '#e8961f', [100000, 200000, 350000], [86, 88, 91]),
  pepper('lemon-drop', 'Lemon-drop chilli', '#e6c832', [15000, 25000, 50000], [84, 87, 90]),
  pepper('aji-yellow', 'Yellow aji', '#e2b030', [20000, 35000, 50000], [84, 87, 90]),
  pepper('cherry-pepper', 'Cherry pepper', '#a3262d', [500, 2500, 5000], [86, 89, 92]),
  pepper('cubanelle', 'Cubanelle', '#a3b545', [0, 300, 1000], [91, 93, 95]),
  pepper('sweet-red', 'Sweet red pepper', '#cf3a2a', [0, 30, 100], [90.05, 92.99, 95.93], { from: 'D034', ph: [4.65, 5.0, 5.45] }),
  pepper('green-chilli', 'Green chilli', '#5b8a3c', [20000, 40000, 60000], [84.03, 85.39, 86.75],
    { from: 'G008', sugar: [1, 2, 3], ph: [5, 5.5, 6], acids: { citric: [0.05, 0.15, 0.3], malic: [0.05, 0.15, 0.3] } }),
  produce('vegetable', 'carrot', 'Carrot', '#d9772b', { water: [86.57, 87.69, 88.81], from: 'F002', sugar: [3, 5, 7], ph: [5.9, 6.1, 6.4], acids: { malic: [0.1, 0.2, 0.3] } }),
  produce('vegetable', 'onion', 'Onion', '#d8cfa8', { water: [84.9, 85.76, 86.62], from: 'G017', sugar: [4, 5.5, 7], ph: [5.3, 5.6, 5.85], acids: { malic: [0.1, 0.2, 0.3] } }),
  produce('vegetable', 'shallot', 'Shallot', '#b88a94', { water: [84.43, 84.67, 84.91], from: 'G018', sugar: [4, 6, 8], ph: [5.3, 5.6, 5.85], acids: { malic: [0.1, 0.2, 0.3] } }),
  produce('vegetable', 'garlic', 'Garlic', '#e6dfc6', { water: [63.26, 64.38, 65.5], from: 'G011', sugar: [1, 2, 5], ph: [5.8, 6.0, 6.3], acids: { citric: [0.08, 0.15, 0.25] } }),
  produce('vegetable', 'tomato', 'Tomato', '#d1402b', { water: [92.95, 93.79, 94.63], from: 'D075', sugar: [2, 2.6, 3.5], ph: [4.3, 4.5, 4.9], acids: { citric: [0.25, 0.4, 0.6], malic: [0.02, 0.04, 0.08] } }),
  produce('vegetable', 'green-tomato', 'Green tomato', '#8ba648', { water: [92.29, 93.21, 94.13], from: 'D074', sugar: [1, 2, 3], ph: [4.1, 4.3, 4.6], acids: { citric: [0.25, 0.4, 0.6], malic: [0.02, 0.05, 0.1] } }),
  produce('vegetable', 'fennel', 'Fennel bulb', '#c9d6a2', { water: [88, 90, 92], sugar: [2, 3, 4], ph: [5.8, 6.0, 6.3], acids: { malic: [0.05, 0.1, 0.2] } }),
  produce('vegetable', 'celery', 'Celery', '#a7c070', { water: [92.43, 92.87, 93.31], from: 'D037', sugar: [1, 1.4, 2], ph: [5.7, 5.9, 6.1], acids: { malic: [0.05, 0.1, 0.2] }, allergens: ['celery'] }),
  produce('vegetable', 'ginger', 'Ginger', '#d9c487', { water: [80.83, 81.27, 81.71], from: 'G014', sugar: [1, 1.7, 2.5], ph: [5.6, 5.8, 6.0], acids: { malic: [0.05, 0.1, 0.2] } }),
  produce('fruit', 'mango', 'Mango', '#e8a02b', { water: [87.34, 88.44, 89.54], from: 'E036', sugar: [6, 9, 13], ph: [3.4, 4.2, 4.8], acids: { citric: [0.15, 0.4, 0.7], malic: [0.05, 0.1, 0.2] } }),
  produce('fruit', 'pineapple', 'Pineapple', '#e3c04a', { water: [83.68, 86.06, 88.44], from: 'E053', sugar: [8, 10, 13], ph: [3.2, 3.6, 4.0], acids: { citric: [0.4, 0.65, 1], malic: [0.05, 0.1, 0.2] } }),
  produce('fruit', 'pear', 'Pear', '#cdbb6b', { water: [86.13, 86.49, 86.85], from: 'E051', sugar: [7, 9, 11], ph: [3.5, 4.0, 4.6], acids: { malic: [0.1, 0.25, 0.5], citric: [0.02, 0.06, 0.12] } }),
  produce('fruit', 'plum', 'Plum', '#7b2a4b', { water: [81.94, 84.44, 86.94], from: 'E054', sugar: [7, 9, 12], ph: [2.8, 3.5, 4.3], acids: { malic: [0.8, 1.4, 2] } }),
  produce('fruit', 'kumquat', 'Kumquat', '#e6912a', { water: [79, 81, 83], sugar: [7, 9, 11], ph: [3.3, 3.7, 4.2], acids: { citric: [0.8, 1.5, 3] } }),
  produce('fruit', 'lime-juice', 'Lime juice', '#c7cf6a', { water: [89, 90.5, 92], sugar: [1, 1.7, 2.5], ph: [2.0, 2.3, 2.4], acids: { citric: [5, 6, 7], malic: [0.1, 0.2, 0.4] }, sites: [2, 3] }),
  plain('water', 'water', 'Water', '#b8d2dc', { waterPct: range([100, 100, 100]) }),
  vinegar('white-vinegar', 'White vinegar 5 %', '#e4e9dc', 5),
  vinegar('cider-vinegar', 'Cider vinegar 5 %', '#d8b873', 5),
  vinegar('wine-vinegar', 'White wine vinegar 6 %', '#dcd49c', 6, ['sulphites']),
  plain('salt', 'salt', 'Salt', '#f2f4f4', { saltPct: 100 }),
  plain('sweetener', 'sugar', 'Sugar', '#f4efe4', { sugarPct: range([100, 100, 100]) }),
  plain('sweetener', 'honey', 'Honey', '#d8992a', { waterPct: range([16, 17, 20]), sugarPct: range([78, 81, 83]) }),
  plain('acid', 'citric-acid', 'Citric acid', '#eef0e2', { acidsPct: { citric: range([100, 100, 100]) } }),
]

const BY_ID = new Map(MATERIALS.map(material => [material.id, material]))

/** A material by id; a lot that came from a newer library may name one this library does not know. */
export const materialById = (id: string): Material | undefined => BY_ID.get(id)

/** What an unknown name is taken for: a vegetable with wide ranges. */
export const UNKNOWN_PRODUCE: Material = produce('vegetable', 'unknown', 'Unlisted produce', '#9aa58c', {
  water: [75, 88, 95], sugar: [1, 4, 12], ph: [4.5, 5.5, 6.4], acids: { malic: [0.05, 0.15, 0.4] },
})
