import * as fc from 'fast-check'
import glpkLoader from 'glpk.js/node'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { beforeAll, describe, expect, it } from 'vitest'
import {
  figureOf,
  frontierOf,
  mix,
  mixturePh,
  ofMass,
  solveSet,
  type LinearProgram,
  type LinearSolver,
  type MixSet,
} from '../../src'
import { mango, mash, part, reference, sauce, setOf, stuff, wanting } from './foods'
import { testSolver } from './linear'

let solver: LinearSolver
beforeAll(async () => {
  solver = await testSolver()
})
const made = (set: MixSet, massesG: number[][], index = 0) =>
  mix((set.mixes[index]?.parts ?? []).map((one, at) => ofMass(one.composition, massesG[index]?.[at] ?? 0)))
const solved = (set: MixSet) => {
  const answer = solveSet(set, solver)
  if (answer.status !== 'solved') throw new Error(`not solved: ${JSON.stringify(answer.advice)}`)
  return answer
}
const infeasible = (set: MixSet) => {
  const answer = solveSet(set, solver)
  if (answer.status !== 'infeasible') throw new Error('solved')
  return answer
}

describe('the reference blend', () => {
  const targets = wanting({
    acid: { high: 3.6 },
    salt: { low: 2.4, high: 2.6 },
    heat: { low: 7200, high: 8800 },
    body: { low: 10.5 },
  })

  it('binds the pH row, meets pH 3.600 forward within 0.001 after few programs, and everything else', () => {
    const set = reference(targets)
    const { exactG, massesG, binding, programs, missed } = solved(set)
    const blend = made(set, exactG)
    expect(Math.abs(mixturePh(blend)! - 3.6)).toBeLessThan(0.001)
    expect(binding.some((limit) => limit.kind === 'target' && limit.aim === 'acid')).toBe(true)
    expect(programs).toBeLessThanOrEqual(4)
    expect(blend.massG).toBeCloseTo(10_000, 4)
    expect(figureOf('salt', blend)).toBeGreaterThan(2.4 - 1e-6)
    expect(figureOf('heat', blend)).toBeLessThan(8800 + 1e-3)
    expect(figureOf('body', blend)).toBeGreaterThan(10.5 - 1e-6)
    expect(exactG[0]![3]).toBeGreaterThan(2500 - 1e-6)
    expect(missed).toEqual([])
    expect(Math.abs(mixturePh(made(set, massesG))! - 3.6)).toBeLessThan(0.002)
  })

  it('whole steps of the scale are checked forward; a step too coarse says what it spoils', () => {
    const set = reference(targets)
    const five = solved({ ...set, stepG: 5 })
    expect(five.massesG[0]!.every((grams) => Math.abs(grams / 5 - Math.round(grams / 5)) < 1e-9)).toBe(true)
    expect(five.missed).toEqual([])
    const coarse = solved(
      setOf(
        [
          sauce(
            [part('m', mash(1000, 3.8)), part('v', stuff('white-vinegar'), { role: 'vinegar' })],
            wanting({ acid: { low: 3.645, high: 3.655 } }),
            110,
          ),
        ],
        { stepG: 20 },
      ),
    )
    expect(coarse.missed).toMatchObject([{ aim: 'acid' }])
  })

  it('no limit is over what a program with other words would allow: fifty drawn programs against another solver, objective within 1e-6', async () => {
    const glpk = await glpkLoader()
    const generator = xoroshiro128plus(505)
    const draw = (low: number, high: number) => low + (high - low) * uniformFloat64(generator)
    let done = 0
    for (let turn = 0; turn < 50; turn++) {
      const seen: { program: LinearProgram; x: readonly number[] }[] = []
      const watched: LinearSolver = (program) => {
        const answer = solver(program)
        seen.push({ program, x: answer.x })
        return answer
      }
      const pHigh = draw(3.4, 3.8)
      solveSet(
        setOf(
          [
            sauce(
              [
                part('a', mash(1000, draw(3.5, 3.9), { shu: draw(3000, 9000) }), {
                  highG: draw(2000, 6000),
                  role: 'base',
                  nowG: 1000,
                }),
                part('b', mash(1000, draw(3.5, 4.0), { shu: draw(10_000, 40_000) }), {
                  highG: draw(500, 3000),
                  role: 'base',
                }),
                part('m', mango(draw(3.6, 4.6)), { lowShare: draw(0, 0.2), nowG: 500 }),
                part('v', stuff('white-vinegar'), { role: 'vinegar', pricePerKg: draw(0.5, 2) }),
                part('w', stuff('water')),
                part('s', stuff('salt'), { pricePerKg: 1 }),
              ],
              wanting({
                acid: { high: pHigh },
                salt: { low: 2, high: draw(2.2, 3) },
                heat: { low: 1000, high: draw(5000, 20_000) },
                body: { low: draw(6, 11) },
              }),
              draw(2000, 8000),
            ),
          ],
          { objective: (['closest', 'vinegar', 'base', 'cost'] as const)[turn % 4]! },
        ),
        watched,
      )
      const { program, x } = seen[0]!
      const names = program.costs.map((_, index) => `x${index}`)
      const bounds = (low: number, high: number) =>
        low === high
          ? { type: glpk.GLP_FX, lb: low, ub: high }
          : Number.isFinite(low) && Number.isFinite(high)
            ? { type: glpk.GLP_DB, lb: low, ub: high }
            : Number.isFinite(low)
              ? { type: glpk.GLP_LO, lb: low, ub: 0 }
              : { type: glpk.GLP_UP, lb: 0, ub: high }
      const other = await glpk.solve(
        {
          name: 'mix',
          objective: {
            direction: glpk.GLP_MIN,
            name: 'cost',
            vars: names.map((name, index) => ({ name, coef: program.costs[index]! })),
          },
          subjectTo: program.rows.map((row, index) => ({
            name: `r${index}`,
            vars: names.map((name, at) => ({ name, coef: row.coefficients[at]! })),
            bnds: bounds(row.low, row.high),
          })),
          bounds: names.map((name, index) => ({ name, ...bounds(program.lower[index]!, program.upper[index]!) })),
        },
        { msglev: glpk.GLP_MSG_OFF },
      )
      const feasible = other.result.status === glpk.GLP_OPT
      expect(feasible).toBe(x.length > 0)
      if (!feasible) continue
      done++
      const ours = x.reduce((sum, value, index) => sum + value * program.costs[index]!, 0)
      expect(Math.abs(ours - other.result.z)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(other.result.z)))
    }
    expect(done).toBeGreaterThan(25)
  })
})

describe('objectives', () => {
  const parts = (priced: number) => [
    part('base', mash(1000, 3.7), { nowG: 1400, highG: 2000, role: 'base', pricePerKg: 8 }),
    part('mango', mango(), { nowG: 400, pricePerKg: priced }),
    part('vinegar', stuff('white-vinegar'), { nowG: 200, role: 'vinegar', pricePerKg: 1 }),
    part('salt', stuff('salt'), { pricePerKg: 1 }),
  ]
  const targets = wanting({ acid: { high: 3.7 }, salt: { low: 2.5, high: 2.5 } })
  const by = (objective: MixSet['objective'], priced = 4) =>
    solved(setOf([sauce(parts(priced), targets, 2000)], { objective })).exactG[0]!

  it('each gives what it says, at least as much as any other', () => {
    const all = (['closest', 'vinegar', 'cost', 'base'] as const).map((objective) => ({ objective, x: by(objective) }))
    const of = (name: string) => all.find(({ objective }) => objective === name)!.x
    const change = (x: number[]) => x.reduce((sum, grams, index) => sum + Math.abs(grams - parts(4)[index]!.nowG), 0)
    const cost = (x: number[]) => x.reduce((sum, grams, index) => sum + grams * parts(4)[index]!.pricePerKg!, 0)
    for (const { x } of all) {
      expect(change(of('closest'))).toBeLessThanOrEqual(change(x) + 1e-3)
      expect(of('vinegar')[2]!).toBeLessThanOrEqual(x[2]! + 1e-3)
      expect(cost(of('cost'))).toBeLessThanOrEqual(cost(x) + 1)
      expect(of('base')[0]!).toBeGreaterThanOrEqual(x[0]! - 1e-3)
    }
  })

  it('holds the upper end of the band under the target when asked', () => {
    const set = setOf([sauce(parts(4), targets, 2000, { phMargin: 0.08 })])
    expect(figureOf('acid', made(set, solved(set).exactG))!).toBeLessThanOrEqual(3.62 + 1e-4)
  })
})

describe('what cannot be', () => {
  const fruity = (change: Parameters<typeof wanting>[0], vinegarG = 150) =>
    setOf([
      sauce(
        [
          part('base', mash(1000, 3.9), { highG: 1500, nowG: 1000, role: 'base' }),
          part('mango', mango(4.5), { lowShare: 0.3, nowG: 800 }),
          part('vinegar', stuff('white-vinegar'), { highG: vinegarG, nowG: 100, role: 'vinegar' }),
          part('salt', stuff('salt'), { nowG: 20 }),
        ],
        wanting(change),
        2000,
      ),
    ])

  it('names single limits that would do and how far; following any one of them makes it feasible', () => {
    const set = fruity({ acid: { high: 3.6 }, salt: { low: 2.4, high: 2.6 } })
    const { advice, reach, nearestG, missed } = infeasible(set)
    expect(advice.length).toBeGreaterThanOrEqual(2)
    for (const { limit, to } of advice) {
      const one = set.mixes[0]!
      const moved = {
        ...one,
        parts: one.parts.map((each) => ({ ...each })),
        targets: structuredClone(one.targets),
        massG: { ...one.massG },
      }
      if (limit.kind === 'target') moved.targets[limit.aim][limit.end] = to
      else if (limit.kind === 'amount') moved.parts[limit.part]![limit.end === 'low' ? 'lowG' : 'highG'] = to
      else if (limit.kind === 'share') moved.parts[limit.part]![limit.end === 'low' ? 'lowShare' : 'highShare'] = to
      else if (limit.kind === 'mass') moved.massG[limit.end] = to
      expect(solveSet({ ...set, mixes: [moved] }, solver).status).toBe('solved')
    }
    // The lowest pH in reach is what the program minimises; nothing drawn at random gets under it.
    const lowest = reach.find(({ aim }) => aim === 'acid')!.low
    expect(lowest).toBeGreaterThan(3.6)
    expect(mixturePh(made(set, nearestG!))!).toBeCloseTo(lowest, 2)
    expect(missed).toMatchObject([{ aim: 'acid', end: 'high', wanted: 3.6 }])
  })

  it('the nearest blend gives up what it can before what it must', () => {
    const near = (saltRank: 1 | 3, acidRank: 1 | 3) =>
      infeasible(
        setOf([
          sauce(
            [
              part('mash', mash(1000, 3.7, { salt: 0.04 })),
              part('salted acid', mix([stuff('white-vinegar', 900), stuff('salt', 100)])),
            ],
            wanting({ acid: { high: 3.4, rank: acidRank }, salt: { high: 4.2, rank: saltRank } }),
            1000,
          ),
        ]),
      ).missed.map(({ aim }) => aim)
    expect(near(3, 1)).toEqual(['salt'])
    expect(near(1, 3)).toEqual(['acid'])
  })

  it('locks that are over the whole or the stock are told as such', () => {
    const { advice } = infeasible(
      setOf(
        [
          sauce(
            [
              part('base', mash(1000, 3.7), { locked: true, nowG: 1500, stock: 'base' }),
              part('water', stuff('water'), { nowG: 500 }),
            ],
            wanting({}),
            2000,
          ),
        ],
        { stockG: { base: 1000 } },
      ),
    )
    expect(advice.map(({ limit, to }) => [limit.kind, to])).toContainEqual(['stock', 1500])
    expect(advice.map(({ limit, to }) => [limit.kind, limit.end, to])).toContainEqual(['amount', 'low', 1000])
  })

  it('properties: an answer meets every limit, whatever is drawn, or says that there is none', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3.3, max: 4.2, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        fc.double({ min: 500, max: 9000, noNaN: true }),
        (pH, salt, shu) => {
          const set = setOf([
            sauce(
              [
                part('a', mash(1000, 3.8, { shu: 9000 }), { highG: 1200 }),
                part('m', mango()),
                part('v', stuff('white-vinegar')),
                part('w', stuff('water')),
                part('s', stuff('salt')),
              ],
              wanting({
                acid: { high: pH },
                salt: { low: salt, high: salt + 0.1 },
                heat: { low: shu, high: shu * 1.2 },
              }),
              2000,
            ),
          ])
          const answer = solveSet(set, solver)
          if (answer.status === 'infeasible') return
          const blend = made(set, answer.exactG)
          expect(mixturePh(blend)!).toBeLessThan(pH + 1e-3)
          expect(figureOf('salt', blend)!).toBeGreaterThan(salt - 1e-5)
          expect(figureOf('heat', blend)!).toBeLessThan(shu * 1.2 + 1e-2)
          expect(blend.massG).toBeCloseTo(2000, 3)
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('several sauces from one base', () => {
  it('use it up, each within its own targets, never more than there is', () => {
    const one = (fruit: string, pH: number) =>
      sauce(
        [
          part('base', mash(1000, 3.7), { stock: 'base', role: 'base', nowG: 400 }),
          part(fruit, stuff(fruit), { lowShare: 0.2, nowG: 300 }),
          part('vinegar', stuff('white-vinegar'), { nowG: 50, role: 'vinegar' }),
          part('salt', stuff('salt'), { nowG: 5 }),
        ],
        wanting({ acid: { high: pH }, salt: { low: 2.2, high: 2.6 } }),
        1000,
        { massG: { low: 500, high: 2000 } },
      )
    const set = setOf([one('mango', 3.7), one('pineapple', 3.6), one('pear', 3.7), one('apricot', 3.6)], {
      stockG: { base: 3000 },
      objective: 'base',
    })
    const { exactG } = solved(set)
    for (const stepG of [1, 5])
      expect(
        solved({ ...set, stepG, stockG: { base: 2998.7 } }).massesG.reduce((sum, masses) => sum + masses[0]!, 0),
      ).toBeLessThanOrEqual(2998.7)
    const used = exactG.reduce((sum, masses) => sum + masses[0]!, 0)
    expect(used).toBeCloseTo(3000, 3)
    set.mixes.forEach((sauceOf, index) =>
      expect(mixturePh(made(set, exactG, index))!).toBeLessThan(sauceOf.targets.acid.high! + 1e-3),
    )
  })
})

describe('the frontier', () => {
  it('bounds what two properties can be together; a drawn mix within the limits lies inside', () => {
    const set = reference(wanting({ salt: { low: 2.2, high: 2.8 } }))
    const points = [...frontierOf(set, 0, ['heat', 'acid'], 25, solver)].filter((point) => point !== null)
    expect(points).toHaveLength(25)
    expect(points.every(({ low, high }) => low <= high + 1e-6)).toBe(true)
    const some = solved(
      setOf([
        { ...set.mixes[0]!, targets: wanting({ salt: { low: 2.2, high: 2.8 }, heat: { low: 8000, high: 8001 } }) },
      ]),
    ).exactG
    const pH = mixturePh(made(set, some))!
    const near = points.reduce((best, point) => (Math.abs(point.at - 8000) < Math.abs(best.at - 8000) ? point : best))
    expect(pH).toBeGreaterThan(near.low - 0.02)
    expect(pH).toBeLessThan(near.high + 0.02)
  })
})
