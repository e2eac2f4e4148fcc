import { timesAsSour, sourerWorking } from '../acid/sourness'
import { forecastBlend } from '../blend/forecast'
import { phWorking } from '../blend/workings'
import { bottlesFilled } from '../bottle/run'
import { allowedDays } from '../ferment/clock'
import { burpEveryH } from '../ferment/gas'
import { isProof, upperEnd } from '../judge/passing'
import { filledBottleC } from '../keep/hotFill'
import { FILL_LEAST_C } from '../keep/ways'
import { PH_SD } from '../log/trust'
import { fold } from '../lots/fold'
import { partComposition } from '../makeup/lotComposition'
import { doseWorking, saltDose } from '../salt/dose'
import { thinnerToReach } from '../salt/correct'
import { SALTS, spoonedG } from '../salt/spoons'
import { formatNumber } from '../units/number'
import type { Luck } from '../practice/luck'
import { shuffled, stepped, type Question, type QuestionKind } from './question'

/* The deck: every answer is worked out by the same core as the pages, with fresh numbers each time. */

type Made = Omit<Question, 'id'>

const whole = (grams: number) => `${formatNumber(grams)} g`
const number = (value: number, within: number, unit: string, decimals = 0): Question['answer'] => ({
  ...{ kind: 'number', value, within, unit, decimals },
})
/** Answers to choose from, the right one first; two that read alike are one. */
const choice = (luck: Luck, texts: readonly string[]): Question['answer'] => ({
  kind: 'choice',
  ...shuffled(
    luck,
    [...new Set(texts)].map((text) => ({ text })),
  ),
})

function saltForBowl(luck: Luck): Made {
  const massG = stepped(luck, 'mass', 600, 3200, 50)
  const pct = stepped(luck, 'pct', 2, 5, 0.5)
  const { saltG } = saltDose('ingredients', pct, { ingredientG: massG, waterG: 0 })
  return {
    ask: `${whole(massG)} of peppers in the bowl, ${formatNumber(pct, 1)} % salt of their weight: how much salt?`,
    answer: number(saltG, Math.max(1, 0.03 * saltG), 'g'),
    because: `${formatNumber(pct, 1)} g for every 100 g.`,
    working: doseWorking('ingredients', pct, { ingredientG: massG, waterG: 0 }),
  }
}

function whichBasis(luck: Luck): Made {
  const ingredientG = stepped(luck, 'produce', 800, 1500, 100)
  const waterG = stepped(luck, 'water', 500, 1200, 100)
  const pct = luck.pick('pct', [2, 2.5, 3])
  const bases = [
    ['ingredients', 'of the produce'],
    ['water', 'of the water'],
    ['everything', 'of everything'],
  ] as const
  const [basis, words] = luck.pick('basis', bases)
  const { saltG, ofEverythingPct } = saltDose(basis, pct, { ingredientG, waterG })
  return {
    ask: `${whole(ingredientG)} of produce, ${whole(waterG)} of water, ${formatNumber(saltG, 1)} g of salt. A card calls it “${formatNumber(pct, 1)} %”. Of what?`,
    answer: choice(luck, [words, ...bases.filter(([id]) => id !== basis).map(([, one]) => one)]),
    because: `Once it has evened out it holds ${formatNumber(ofEverythingPct, 2)} % of everything.`,
    working: doseWorking(basis, pct, { ingredientG, waterG }),
  }
}

function evenedOut(luck: Luck): Made {
  const ingredientG = stepped(luck, 'produce', 600, 1400, 50)
  const waterG = stepped(luck, 'water', 500, 1200, 50)
  const pct = stepped(luck, 'pct', 2.5, 6, 0.5)
  const { ofEverythingPct } = saltDose('brine', pct, { ingredientG, waterG })
  return {
    ask: `A ${formatNumber(pct, 1)} % brine of ${whole(waterG)} of water goes over ${whole(ingredientG)} of peppers. What is in all of it after some days?`,
    answer: number(ofEverythingPct, 0.15, '%', 1),
    because: 'The salt spreads into everything; under 2 % it is weak.',
    working: doseWorking('brine', pct, { ingredientG, waterG }),
  }
}

function sourer(luck: Luck): Made {
  const from = stepped(luck, 'from', 4, 4.6, 0.1)
  const fall = luck.pick('fall', [0.3, 0.4, 0.5, 0.6, 1])
  const times = timesAsSour(from, from - fall)
  const said = (value: number) => `about ${formatNumber(value, value < 5 ? 1 : 0)} times`
  return {
    ask: `The pH fell from ${from.toFixed(1)} to ${(from - fall).toFixed(1)}. How much more acid activity is that?`,
    answer: choice(luck, [said(times), said(1 + fall), said(times * 2.5), `about ${formatNumber(100 * fall)} % more`]),
    because: 'A whole step of pH is ten times; a third of a step is double.',
    working: sourerWorking(from, from - fall),
  }
}

function burpFirst(luck: Luck): Made {
  const gas = stepped(luck, 'gas', 8, 20, 2)
  const turned = stepped(luck, 'size', 0, 3, 1)
  const jars = [0.1, 0.25, 0.5].map((share, index) => {
    const capacityL = [0.5, 1, 2, 3][(turned + index) % 4] ?? 1
    return { capacityL, headspaceL: capacityL * (share + 0.05 * luck.share(`air ${index}`)) }
  })
  const after = (of: (typeof jars)[number]) =>
    burpEveryH(gas, { liquidL: of.capacityL - of.headspaceL, headspaceL: of.headspaceL, tempC: 22, saltMolar: 0.7 })
  const sorted = [...jars].sort((a, b) => after(a) - after(b))
  const words = ({ capacityL, headspaceL }: (typeof jars)[number]) =>
    `${formatNumber(capacityL, 1)} L jar, ${formatNumber(1000 * headspaceL)} mL of air`
  return {
    ask: 'Three jars of the same lively mash, all with tight lids, burped an hour ago. Which one wants it first?',
    answer: choice(luck, sorted.map(words)),
    because: `Little air over much mash: pressure comes soonest there, after about ${formatNumber(after(sorted[0]!))} h. Better an airlock.`,
  }
}

function vinegarTo(luck: Luck): Made {
  const book = fold([])
  const baseG = stepped(luck, 'mass', 400, 1200, 100)
  const basePh = stepped(luck, 'ph', 3.9, 4.3, 0.1)
  const target = 3.6
  const base = partComposition(book, { materialId: 'fresno', name: 'Base', massG: baseG, ph: basePh })
  const vinegar = (massG: number) => partComposition(book, { materialId: 'white-vinegar', name: 'Vinegar', massG })
  const parts = (massG: number) => [base, vinegar(massG)].filter((one) => one !== null)
  let [low, high] = [0, baseG]
  while (high - low > 0.5) {
    const middle = (low + high) / 2
    if ((forecastBlend(parts(middle)).ph?.typical ?? 0) > target) low = middle
    else high = middle
  }
  const grams = Math.round(high / 5) * 5
  const forecast = forecastBlend(parts(high))
  const named = parts(high).map((composition, index) => ({ name: index ? 'Vinegar' : 'Base', composition }))
  return {
    ask: `${whole(baseG)} of pepper base at pH ${basePh.toFixed(1)} should come to ${target.toFixed(1)}. How much 5 % vinegar does it take? Guess first, by feel.`,
    answer: number(grams, Math.max(10, 0.3 * grams), 'g'),
    because: `By the balance about ${whole(grams)}. Acid is bound by what is there: pH cannot be averaged. Read it after a day all the same.`,
    working: phWorking(named, forecast.ph),
  }
}

function howManyBottles(luck: Luck): Made {
  const volumeMl = stepped(luck, 'volume', 900, 4800, 100)
  const bottleMl = luck.pick('bottle', [100, 150, 250])
  const lossMl = luck.pick('loss', [30, 50, 80])
  const { count } = bottlesFilled(volumeMl, bottleMl, lossMl)
  return {
    ask: `${formatNumber(volumeMl)} mL of sauce, ${lossMl} mL stay in pot and funnel: how many bottles of ${bottleMl} mL?`,
    answer: number(count, 0, 'bottles'),
    because: `${formatNumber(volumeMl - lossMl)} mL by ${bottleMl} mL, whole ones only.`,
  }
}

function howLong(luck: Luck): Made {
  const tempC = luck.pick('temp', [12, 15, 18, 21, 24, 27])
  const days = allowedDays(tempC)
  return {
    ask: `A mash of usual salt stands at ${tempC} °C. How long may it stay above pH 4.6?`,
    answer: number(days, 0.5, 'days', 1),
    because: 'The warmer, the sooner. Lactofer’s own limits, deliberately conservative; local rules win.',
  }
}

function thinned(luck: Luck): Made {
  const massG = stepped(luck, 'mass', 500, 2000, 100)
  const from = stepped(luck, 'from', 4, 6, 0.5)
  const to = luck.pick('to', [2.5, 3])
  const grams = thinnerToReach(massG, from, to)
  return {
    ask: `${whole(massG)} of sauce holds ${formatNumber(from, 1)} % salt and should hold ${formatNumber(to, 1)} %. How much of something without salt?`,
    answer: number(grams, 0.06 * grams, 'g'),
    because: `${formatNumber(massG)} × (${formatNumber(from, 1)} − ${formatNumber(to, 1)}) ÷ ${formatNumber(to, 1)}. It takes acid down as well: read the pH.`,
  }
}

function spoonsOf(luck: Luck): Made {
  const [fine, flaky] = ['fine-sea', 'flaky-kosher'].map((id) => SALTS.find((salt) => salt.id === id)!) as [
    (typeof SALTS)[number],
    (typeof SALTS)[number],
  ]
  const count = stepped(luck, 'count', 2, 9, 1)
  const [of, other] = luck.share('which') < 0.5 ? [fine, flaky] : [flaky, fine]
  const said = (grams: number) => `about ${formatNumber(grams)} g`
  const right = spoonedG(count, of.id).typical
  return {
    ask: `${count} level teaspoons of ${of.name}: how much is that?`,
    answer: choice(luck, [said(right), said(spoonedG(count, other.id).typical), said(right * 1.5 + 3)]),
    because: `A teaspoon of ${fine.name} holds about ${formatNumber(fine.teaspoonG.typical, 1)} g, of ${flaky.name} about ${formatNumber(flaky.teaspoonG.typical, 1)} g. Weigh it where you can.`,
  }
}

function proofOf(luck: Luck): Made {
  const trust = luck.pick('trust', ['bench', 'pocket', 'unchecked'] as const)
  const ph = stepped(luck, 'ph', 4.38, 4.58, 0.02)
  const words = {
    bench: 'a bench meter calibrated this morning',
    pocket: 'a pocket meter checked in two buffers today',
    unchecked: 'a meter nobody has checked',
  }[trust]
  const sample = { entryId: '', atMs: 0, ph, sd: PH_SD[trust], trust }
  const upper = upperEnd(sample)
  const proof = isProof(sample)
  return {
    ask: `Read once, with ${words}: pH ${ph.toFixed(2)}. Does that prove it is under 4.6?`,
    answer: choice(luck, proof ? ['Yes', 'No'] : ['No', 'Yes']),
    because: `By what such a meter errs it could be ${upper.toFixed(2)}.${trust === 'unchecked' ? ' Only 4.0 or less proves it there.' : ''}`,
  }
}

function lastBottle(luck: Luck): Made {
  const fillC = stepped(luck, 'fill', 84, 92, 2)
  const glassC = luck.pick('glass', [8, 15, 22, 60, 70])
  const tempC = filledBottleC({ fillC, glassC, sauceG: 150, glassG: 150 })
  return {
    ask: `Sauce at ${fillC} °C goes into bottles of glass at ${glassC} °C, 150 g of each. How warm is a bottle just filled?`,
    answer: number(tempC, 2.5, '°C'),
    because: `Glass takes its share. Under ${FILL_LEAST_C} °C in the last bottle it does not go to the shelf; and only what was measured counts.`,
  }
}

function filmOrMould(luck: Luck): Made {
  const covers = [
    { text: 'Fur that stands up', picture: 'fur' },
    { text: 'A wrinkled skin', picture: 'skin' },
    { text: 'A thin veil', picture: 'veil' },
  ] as const
  return {
    ask: 'Which of these ends the jar at once?',
    answer: { kind: 'choice', ...shuffled(luck, covers) },
    because:
      'What stands up like fur is mould and reaches deeper than it shows. What lies flat is skimmed, and the pH read.',
  }
}

export const DECK: readonly QuestionKind[] = [
  { id: 'salt for the bowl', about: 'salt', make: saltForBowl },
  { id: 'which basis', about: 'salt', make: whichBasis },
  { id: 'evened out', about: 'salt', make: evenedOut },
  { id: 'spoons', about: 'salt', make: spoonsOf },
  { id: 'thinned', about: 'salt', make: thinned },
  { id: 'how much sourer', about: 'acid', make: sourer },
  { id: 'vinegar to 3.6', about: 'acid', make: vinegarTo },
  { id: 'is it proof', about: 'acid', make: proofOf },
  { id: 'how long above', about: 'time', make: howLong },
  { id: 'burp first', about: 'gas', make: burpFirst },
  { id: 'film or mould', about: 'signs', make: filmOrMould },
  { id: 'how many bottles', about: 'bottles', make: howManyBottles },
  { id: 'last bottle', about: 'bottles', make: lastBottle },
]
