import {
  fold,
  forecastBlend,
  openTargets,
  partComposition,
  SHIPPED,
  type Entry,
  type EntryOf,
  type Preparation,
  type Targets,
} from '@lactofer/core'
import { bottle, cooked, packaging, printed } from './bottles'
import { Diary } from './diary'
import { DEMO_PICTURES } from './pictures'

type Part = EntryOf<'blend'>['parts'][number]

const BENCH = 'Bench'
const COLD = 'Cold corner'

/** The loft's row of vessels, what it pays, and its recipes; returns the id of the red mash. */
function loft(diary: Diary): string {
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
  const prices: [materialId: string, name: string, group: EntryOf<'material'>['group'], pricePerKg: number][] = [
    ['fresno', 'Fresno chilli', 'pepper', 6.4],
    ['carrot', 'Carrot', 'vegetable', 1.3],
    ['garlic', 'Garlic', 'vegetable', 7.2],
    ['salt', 'Salt', 'salt', 0.9],
    ['cayenne', 'Cayenne', 'pepper', 8.5],
  ]
  for (const [materialId, name, group, pricePerKg] of prices)
    diary.write({ kind: 'material', at: diary.at(118), materialId, name, group, pricePerKg }, 'Cellar')
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
  return red
}

/** The ferments that are open, or were, on the demo's today. */
function ferments(diary: Diary, redMash: string): void {
  const fresno = diary.start({
    code: 'BPL-01',
    name: 'Fresno and roasted carrot',
    color: '#cf4a2a',
    style: 'mash',
    day: 12,
    rows: [
      ['fresno', 2150],
      ['carrot', 1000, 'roasted'],
    ],
    saltPct: 4,
    place: BENCH,
    vesselId: 'jar-5000',
    recipeId: redMash,
  })
  diary.read(fresno, [
    [11.9, 5.2, 21.2],
    [10, 4.48, 21.6],
    [8, 3.98, 21.4],
    [5, 3.74, 21.1],
    [2, 3.63, 21.3],
    [0.1, 3.62, 21.4],
  ])
  diary.write({ kind: 'sign', at: diary.at(10), lotId: fresno, sign: 'bubbles' })
  diary.write({ kind: 'sign', at: diary.at(2), lotId: fresno, sign: 'calm', note: 'One mass when stirred, no lift.' })
  diary.write(
    {
      kind: 'reading',
      at: diary.at(1.9),
      lotId: fresno,
      taste: { sour: 3, salty: 2, fizzy: 1, 'raw onion': 0, heat: 2, roundness: 2 },
    },
    'Cellar',
  )
  diary.write({ kind: 'chore', at: diary.at(2), lotId: fresno, chore: 'airlock water' }, 'Cellar')

  const aji = diary.start({
    code: 'BPL-02',
    name: 'Yellow aji and pear',
    color: '#d9b13c',
    style: 'brined',
    day: 4,
    rows: [
      ['aji-yellow', 1700],
      ['pear', 700],
      ['garlic', 60],
    ],
    saltPct: 3.5,
    waterG: 2300,
    place: BENCH,
    vesselId: 'jar-3000',
    marks: ['a', 'b'],
  })
  diary.read(aji, [
    [3.9, 4.9, 20.8],
    [2, 4.4, 21.2],
    [0.3, 4.05, 21.5],
  ])
  diary.write({ kind: 'sign', at: diary.at(0.3), lotId: aji, sign: 'foam' })
  for (const day of [3, 2.2, 1.5])
    diary.write({ kind: 'chore', at: diary.at(day), lotId: aji, chore: 'burp' }, 'Cellar')
  diary.write({ kind: 'chore', at: diary.at(1.1), lotId: aji, chore: 'press down' })

  const salsa = diary.start({
    code: 'BPL-03',
    name: 'Green tomato salsa',
    color: '#86a34b',
    style: 'chop',
    day: 2.2,
    rows: [
      ['green-tomato', 1900],
      ['cubanelle', 650],
      ['shallot', 420],
      ['garlic', 45],
    ],
    saltPct: 2.4,
    place: BENCH,
    vesselId: 'jar-1000',
    marks: ['a', 'b', 'c', 'd'],
    hot: ['d'],
    targetPh: 3.9,
  })
  diary.read(salsa, [
    [2.1, 4.6, 21.0],
    [0.4, 4.42, 21.3],
  ])
  diary.write({ kind: 'sign', at: diary.at(0.4), lotId: salsa, sign: 'bubbles', note: 'First ones, when nudged.' })
  diary.write({ kind: 'chore', at: diary.at(1.2), lotId: salsa, chore: 'press down' })

  const plum = diary.start({
    code: 'BPL-04',
    name: 'Smoked cherry pepper and plum',
    color: '#8e4a55',
    style: 'mash',
    day: 75,
    rows: [
      ['cherry-pepper', 5200, 'smoked'],
      ['cherry-pepper', 3600],
      ['plum', 3300],
    ],
    saltPct: 3,
    place: COLD,
    vesselId: 'bucket-20',
  })
  diary.read(plum, [
    [74, 4.45, 19.0],
    [71, 4.1, 18.4],
    [60, 3.82, 17.9],
    [40, 3.72, 16.5],
    [12, 3.7, 15.2],
  ])
  diary.write({ kind: 'chore', at: diary.at(3), lotId: plum, chore: 'airlock water', note: 'Filled up.' }, 'Cellar')
  diary.write({ kind: 'chore', at: diary.at(3), lotId: plum, chore: 'taste' }, 'Cellar')
  diary.write(
    {
      kind: 'decide',
      at: diary.at(3),
      lotId: plum,
      decision: 'wait',
      until: diary.at(-9),
      reason: 'Smoke still stands apart: rounder, please.',
    },
    'Cellar',
  )

  const lemon = diary.start({
    code: 'BPL-05',
    name: 'Lemon-drop bag',
    color: '#e3cd3e',
    style: 'bag',
    day: 20,
    rows: [['lemon-drop', 1350]],
    saltPct: 4,
    place: BENCH,
    vesselId: 'bag-2000',
  })
  diary.read(lemon, [
    [19, 5.1, 21.0],
    [17, 4.3, 21.2],
    [10, 3.85, 21.3],
    [1, 3.81, 21.2],
  ])
  diary.write({ kind: 'sign', at: diary.at(0.5), lotId: lemon, sign: 'bag ballooned' }, 'Cellar')

  const cayenne = diary.start({
    code: 'BPL-06',
    name: 'Cayenne and fennel',
    color: '#c93a24',
    style: 'mash',
    day: 6,
    rows: [
      ['cayenne', 1500],
      ['fennel', 380],
    ],
    saltPct: 5,
    place: COLD,
    vesselId: 'jar-3000',
    hot: [''],
  })
  diary.read(cayenne, [
    [5.9, 5.2, 13.4],
    [3, 5.1, 12.9],
    [0.2, 4.9, 13.0],
  ])

  const kumquat = diary.start({
    code: 'BPL-07',
    name: 'Kumquats in salt',
    color: '#e6962f',
    style: 'salt-packed',
    day: 5,
    rows: [['kumquat', 900]],
    saltPct: 10,
    place: COLD,
    vesselId: 'jar-1000',
  })
  diary.write({
    kind: 'sign',
    at: diary.at(0.2),
    lotId: kumquat,
    sign: 'not covered',
    note: 'Fruit stands 2 cm clear.',
  })
  diary.write({ kind: 'chore', at: diary.at(0.2), lotId: kumquat, chore: 'turn' })

  const bonnet = diary.start({
    code: 'BPL-09',
    name: 'Scotch bonnet and mango',
    color: '#e39a35',
    style: 'mash',
    day: 9,
    rows: [
      ['scotch-bonnet', 2600],
      ['mango', 1900],
    ],
    saltPct: 3.5,
    place: COLD,
    vesselId: 'crock-10',
    hot: [''],
  })
  diary.read(bonnet, [
    [8.9, 4.7, 19.8],
    [6, 4.05, 20.1],
    [3, 3.86, 19.6],
  ])
  for (const day of [4, 1]) {
    diary.write({ kind: 'sign', at: diary.at(day), lotId: bonnet, sign: 'white film' })
    diary.write(
      { kind: 'chore', at: diary.at(day - 0.02), lotId: bonnet, chore: 'skim', note: 'Skimmed, rim wiped.' },
      'Cellar',
    )
  }
  diary.write({ kind: 'chore', at: diary.at(1), lotId: bonnet, chore: 'airlock water' }, 'Cellar')

  const relish = diary.start({
    code: 'BPL-10',
    name: 'Sweet pepper and celery relish',
    color: '#b5402f',
    style: 'chop',
    day: 14,
    rows: [
      ['sweet-red', 1300],
      ['celery', 420],
    ],
    saltPct: 2,
    place: BENCH,
    vesselId: 'jar-2000',
  })
  diary.read(relish, [
    [13, 5.2, 24.5],
    [10, 4.5, 25.0],
    [7, 4.1, 25.1],
  ])
  diary.write({
    kind: 'sign',
    at: diary.at(6),
    lotId: relish,
    sign: 'fuzzy growth',
    answers: ['furry', 'coloured'],
    level: 'discard',
    holds: true,
    note: 'Green, two spots at the rim.',
    photos: DEMO_PICTURES.map(({ id }) => id),
  })
  diary.write(
    {
      kind: 'discard',
      at: diary.at(6),
      lotId: relish,
      reason: 'Green fuzzy growth on day 8; pieces stood above the juice.',
      massG: 1754,
      photos: DEMO_PICTURES.slice(0, 1).map(({ id }) => id),
    },
    'Cellar',
  )
}

/** An earlier ferment that was pressed: returns the base's lot id. */
function pressedBase(
  diary: Diary,
  code: string,
  name: string,
  color: string,
  day: number,
  rows: readonly (readonly [string, number])[],
  ph: number,
  recipeId?: string,
): string {
  const ferment = diary.start({
    code,
    name,
    color,
    style: 'mash',
    day,
    rows,
    saltPct: 4,
    place: COLD,
    vesselId: 'crock-10',
    ...(recipeId && { recipeId }),
  })
  diary.write(
    {
      kind: 'reading',
      at: diary.at(day - 22),
      lotId: ferment,
      taste: { sour: 3, salty: 2, fizzy: 0, 'raw onion': 0, heat: 3, roundness: 3 },
    },
    'Cellar',
  )
  diary.read(ferment, [
    [day - 1, 5.1, 20.5],
    [day - 4, 4.1, 20.9],
    [day - 20, ph + 0.02, 19.8],
    [day - 24, ph, 19.6],
  ])
  const mashG = Math.round(rows.reduce((sum, [, massG]) => sum + massG, 0) * 1.04)
  const pulpG = Math.round(mashG * 0.14)
  const lotId = diary.lotId(day - 25)
  diary.write(
    {
      kind: 'press',
      at: diary.at(day - 25),
      lotId,
      code: `${code}B`,
      name: `${name} base`,
      color,
      fromLotId: ferment,
      method: 'sieve',
      inG: mashG,
      baseG: Math.round(mashG * 0.85),
      pulpG,
      seedsG: 0,
    },
    'Cellar',
  )
  return lotId
}

interface Sauce {
  code: string
  name: string
  color: string
  daysAgo: number
  parts: Part[]
  cooked: boolean
  targets?: Targets
  trialPh?: number
}

/** A trial of a hundred grams, a few hours before the pot. */
function trial(diary: Diary, lotId: string, { daysAgo, parts }: Sauce, ph: number): void {
  const before = forecastOf(diary, parts)
  const sum = parts.reduce((all, { massG }) => all + massG, 0)
  const unknown = parts[0]?.lotId
  diary.write({
    kind: 'trial',
    at: diary.at(daysAgo + 0.2),
    lotId,
    name: 'Trial 1',
    ph,
    instrument: diary.meter(daysAgo + 0.2),
    parts: parts.map((part) => ({ ...part, massG: Math.round((1000 * part.massG) / sum) / 10 })),
    note: 'Round, the smoke comes through.',
    ...(before.ph && { predictedPh: before.ph }),
    ...(unknown && { unknown }),
  })
}
const forecastOf = (diary: Diary, parts: readonly Part[]) => {
  const book = fold(diary.entries)
  return forecastBlend(parts.map((part) => partComposition(book, part)).filter((part) => part !== null))
}

/** Blends a sauce, with the prediction that core gives for it. */
function blend(diary: Diary, sauce: Sauce): string {
  const { code, name, color, daysAgo, parts, cooked, targets, trialPh } = sauce
  const lotId = diary.lotId(daysAgo)
  if (trialPh !== undefined) trial(diary, lotId, sauce, trialPh)
  const forecast = forecastOf(diary, parts)
  diary.write({
    kind: 'blend',
    at: diary.at(daysAgo),
    lotId,
    code,
    name,
    color,
    parts,
    cooked,
    ...(targets && { targets }),
    ...(forecast.ph && { predictedPh: forecast.ph }),
  })
  return lotId
}

function sauces(diary: Diary, redMash: string): void {
  const red = pressedBase(diary, 'BPL-91', 'Fresno mash', '#c33d26', 96, [['fresno', 4300]], 3.66, redMash)
  const hotRed = pressedBase(diary, 'BPL-92', 'Cayenne mash', '#b32c1c', 92, [['cayenne', 2100]], 3.7)
  const smoke = pressedBase(
    diary,
    'BPL-93',
    'Cherry pepper and plum mash',
    '#7e3f4e',
    88,
    [
      ['cherry-pepper', 3000],
      ['plum', 1040],
    ],
    3.65,
  )
  const aji = pressedBase(diary, 'BPL-94', 'Aji mash', '#d8a82f', 60, [['aji-yellow', 2400]], 3.72)

  const brine = diary.lotId(30)
  diary.write(
    {
      kind: 'stock',
      at: diary.at(30),
      lotId: brine,
      code: 'BPL-08',
      name: 'Kept brine',
      color: '#cdbd84',
      massG: 820,
      saltPct: 3.1,
      ph: 3.5,
      lacticPct: 0.8,
      live: true,
      ingredients: ['Water', 'Salt'],
    },
    'Cellar',
  )
  diary.write({
    kind: 'stock',
    at: diary.at(25),
    lotId: diary.lotId(25),
    code: 'BPL-V1',
    name: 'Pepper vinegar',
    color: '#d9c56b',
    massG: 1200,
    acetic: 5,
    live: false,
    ingredients: ['Vinegar', 'Green chilli'],
  })
  const paste = diary.lotId(40)
  diary.write(
    {
      kind: 'stock',
      at: diary.at(40),
      lotId: paste,
      code: 'BPL-S1',
      name: 'Shellfish paste',
      color: '#a5776b',
      massG: 420,
      saltPct: 28.6,
      waterPct: 56,
      allergens: ['crustacean'],
      live: false,
      ingredients: ['Ground prawns', 'Salt'],
    },
    'Cellar',
  )

  const lot = (lotId: string, name: string, massG: number): Part => ({ lotId, name, massG })
  const stuff = (materialId: string, name: string, massG: number, ph?: number): Part => ({
    materialId,
    name,
    massG,
    ...(ph !== undefined && { ph }),
  })

  const quayRed = { code: 'QR-31', name: 'Quay Red', color: '#c4402a' }
  const quayRedPot = blend(diary, {
    ...quayRed,
    code: 'QR-31P',
    daysAgo: 58,
    cooked: true,
    parts: [
      lot(red, 'Fresno mash base', 3600),
      lot(hotRed, 'Cayenne mash base', 1500),
      stuff('white-vinegar', 'White vinegar 5 %', 2300),
      stuff('water', 'Water', 2020),
      stuff('salt', 'Salt', 60),
      stuff('sugar', 'Sugar', 180),
    ],
  })
  cooked(diary, quayRedPot, 57.95)
  diary.read(quayRedPot, [[56.9, 3.42, 20.1]])
  const quayRedBottles = bottle(diary, quayRedPot, {
    ...quayRed,
    daysAgo: 56.8,
    bottleMl: 150,
    count: 61,
    treatment: 'cooked-hot-fill',
    retained: 2,
    place: 'Cellar shelf',
    netG: [157.1, 156.4, 158.2, 157.6, 156.9, 157.8],
  })
  printed(diary, quayRedBottles, 56.4, 62)
  diary.write(
    {
      kind: 'release',
      at: diary.at(56),
      lotId: quayRedBottles,
      decision: 'released',
      limitPh: 4.0,
      reason: 'Every check passed.',
      initials: 'C',
    },
    'Cellar',
  )
  diary.write({ kind: 'move', at: diary.at(50), lotId: quayRedBottles, place: 'Market box', count: 36 }, 'Cellar')
  diary.write(
    {
      kind: 'send',
      at: diary.at(49),
      lotId: quayRedBottles,
      count: 24,
      to: 'Saltby Quay market',
      how: 'sold',
      place: 'Market box',
    },
    'Cellar',
  )
  diary.write(
    { kind: 'send', at: diary.at(30), lotId: quayRedBottles, count: 1, to: 'Slipped off the shelf', how: 'broken' },
    'Cellar',
  )
  diary.write(
    {
      kind: 'recall',
      at: diary.at(20),
      lotId: quayRedBottles,
      exercise: true,
      made: 61,
      here: 36,
      out: 25,
      found: 61,
      minutes: 14,
      note: 'From one bottle back to two ferments and forward to all of them.',
    },
    'Cellar',
  )
  diary.write(
    {
      kind: 'send',
      at: diary.at(14),
      lotId: quayRedBottles,
      count: 17,
      to: 'Saltby Quay market',
      how: 'sold',
      place: 'Market box',
    },
    'Cellar',
  )

  const targets = openTargets()
  const plumSmoke = blend(diary, {
    code: 'PS-07',
    name: 'Plum Smoke',
    color: '#84424f',
    daysAgo: 1.2,
    cooked: false,
    trialPh: 3.56,
    targets: { ...targets, acid: { low: null, high: 3.5, rank: 1 }, salt: { low: 3, high: 3.6, rank: 2 } },
    parts: [
      lot(smoke, 'Cherry pepper and plum base', 2100),
      stuff('cider-vinegar', 'Cider vinegar 5 %', 420),
      stuff('water', 'Water', 300),
      lot(paste, 'Shellfish paste', 60),
    ],
  })
  diary.read(plumSmoke, [[1.18, 3.54, 20.4]])
  // A small pot of it before, all in bottles: they wait for their second reading.
  const firstPot = blend(diary, {
    code: 'PS-06P',
    name: 'Plum Smoke',
    color: '#84424f',
    daysAgo: 2.2,
    cooked: false,
    parts: [
      lot(smoke, 'Cherry pepper and plum base', 457),
      stuff('cider-vinegar', 'Cider vinegar 5 %', 92),
      stuff('water', 'Water', 68),
      lot(paste, 'Shellfish paste', 13),
    ],
  })
  diary.read(firstPot, [[2.18, 3.55, 20.6]])
  const smokeBottles = bottle(diary, firstPot, {
    code: 'PS-06',
    name: 'Plum Smoke',
    color: '#84424f',
    daysAgo: 2.1,
    bottleMl: 150,
    count: 4,
    treatment: 'live-cold',
    retained: 1,
    place: 'Cold corner',
    netG: [158.4, 157.2, 158.9],
  })
  diary.write({
    kind: 'release',
    at: diary.at(2.05),
    lotId: smokeBottles,
    decision: 'held',
    limitPh: 4.0,
    initials: 'B',
    reason: 'The pH after 24 hours is not read yet.',
  })

  const spark = { code: 'PR-12', name: 'Pear Spark', color: '#d3b64d' }
  const sparkPot = blend(diary, {
    ...spark,
    code: 'PR-12P',
    daysAgo: 9,
    cooked: false,
    parts: [
      lot(aji, 'Aji mash base', 1500),
      stuff('pear', 'Pear', 900, 4.1),
      lot(brine, 'Kept brine', 200),
      stuff('white-vinegar', 'White vinegar 5 %', 300),
    ],
  })
  diary.read(sparkPot, [[7.9, 3.72, 6.2]])
  const sparkBottles = bottle(diary, sparkPot, {
    ...spark,
    daysAgo: 7.8,
    bottleMl: 250,
    count: 10,
    treatment: 'live-cold',
    retained: 1,
    place: 'Cold corner',
  })
  printed(diary, sparkBottles, 7.75, 10)
  diary.write({
    kind: 'release',
    at: diary.at(7.7),
    lotId: sparkBottles,
    decision: 'held',
    limitPh: 4.0,
    initials: 'B',
    reason: 'Pressure watch: pear went in after fermenting. Cold, vented every third day.',
  })
}

/**
 * The demo's log: Brackwater Pepper Loft, two invented people above a boat shed in an invented harbour town.
 * @param todayMs the demo's today, passed in.
 */
export function demoEntries(todayMs: number): Entry[] {
  const diary = new Diary(todayMs)
  packaging(diary)
  const redMash = loft(diary)
  ferments(diary, redMash)
  sauces(diary, redMash)
  return diary.entries
}
