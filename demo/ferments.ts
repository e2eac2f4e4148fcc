import type { Diary } from './diary'
import { DEMO_PICTURES } from './pictures'
import { BENCH, COLD } from './places'

function fresnoFerment(diary: Diary, redMash: string): void {
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
}

function ajiFerment(diary: Diary): void {
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
}

function salsaFerment(diary: Diary): void {
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
  diary.write({
    kind: 'sign',
    at: diary.at(0.3),
    lotId: salsa,
    sign: 'not covered',
    note: 'Jar a drank its juice.',
    marks: ['a'],
  })
}

function plumFerment(diary: Diary): void {
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
}

function lemonFerment(diary: Diary): void {
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
  diary.write({
    kind: 'reading',
    at: diary.at(14),
    lotId: lemon,
    ph: 4.12,
    of: 'blended',
    instrument: diary.meter(14),
    note: 'A pod ground with its juice.',
  })
  diary.write({ kind: 'sign', at: diary.at(0.5), lotId: lemon, sign: 'bag ballooned' }, 'Cellar')
}

function cayenneFerment(diary: Diary): void {
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
    // Ground in the warm, and cooling since.
    [5.9, 5.2, 21.5],
    [4.9, 5.18, 16.0],
    [3, 5.1, 13.2],
    [0.2, 4.9, 13.0],
  ])
}

function kumquatFerment(diary: Diary): void {
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
}

function bonnetFerment(diary: Diary): void {
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
}

function relishFerment(diary: Diary): void {
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

/** The ferments that are open, or were, on the demo's today. */
export function ferments(diary: Diary, redMash: string): void {
  fresnoFerment(diary, redMash)
  ajiFerment(diary)
  salsaFerment(diary)
  plumFerment(diary)
  lemonFerment(diary)
  cayenneFerment(diary)
  kumquatFerment(diary)
  bonnetFerment(diary)
  relishFerment(diary)
}
