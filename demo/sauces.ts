import { openTargets } from '@lactofer/core'
import { bottle, cooked, printed } from './bottles'
import type { Diary } from './diary'
import { blend, lot, pressedBase, stuff } from './pots'

/** Quay Red: cooked, hot filled, released and mostly sold. */
function quayRedSauce(diary: Diary, red: string, hotRed: string): void {
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
  quayRedLater(diary, quayRedBottles)
}

/** Where its bottles went, and the exercise of a recall. */
function quayRedLater(diary: Diary, quayRedBottles: string): void {
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
}

/** Plum Smoke: live, in the pot. */
function plumSmokeSauce(diary: Diary, smoke: string, paste: string): void {
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
}

/** A small pot of Plum Smoke before, all in bottles. */
function plumSmokeBottles(diary: Diary, smoke: string, paste: string): void {
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
}

/** Pear Spark: live, with fruit after fermenting, held. */
function pearSparkSauce(diary: Diary, aji: string, brine: string): void {
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

/** What came from outside, or was kept: a brine, a vinegar, a paste. */
function kept(diary: Diary): { brine: string; paste: string } {
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
  return { brine, paste }
}

/** The bases of earlier years and the sauces made of them. */
export function sauces(diary: Diary, redMash: string): void {
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
  const { brine, paste } = kept(diary)
  quayRedSauce(diary, red, hotRed)
  plumSmokeSauce(diary, smoke, paste)
  plumSmokeBottles(diary, smoke, paste)
  pearSparkSauce(diary, aji, brine)
}
