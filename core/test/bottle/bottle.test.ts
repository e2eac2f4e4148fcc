import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  checkHolds,
  FORMATS,
  meanAndSpread,
  netContents,
  suppliesFor,
  t975,
  tolerableShortage,
  withCheck,
} from '../../src'

describe('check character of a lot code', () => {
  it('A1-2425G-ABC1234002 has M (ISO/IEC 7064 MOD 37,36, the example of the release identifier, from memory)', () => {
    expect(withCheck('A1-2425G-ABC1234002')).toBe('A1-2425G-ABC1234002-M')
    expect(checkHolds('a1 2425g abc1234002 m')).toBe(true)
  })

  const letters = [...'0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ']

  it('one wrong letter never passes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...letters), { minLength: 2, maxLength: 14 }),
        fc.nat(),
        fc.constantFrom(...letters),
        (code, at, wrong) => {
          const whole = [...withCheck(code.join('')).replace('-', '')]
          const place = at % whole.length
          const changed = whole.map((letter, index) => (index === place ? wrong : letter)).join('')
          expect(checkHolds(changed)).toBe(wrong === whole[place])
        },
      ),
    )
    expect(() => withCheck('- /')).toThrow(/needs a letter or a digit/)
  })

  it('nearly all swaps of two neighbours are caught: a hybrid system of ISO/IEC 7064 does not catch every one (from memory)', () => {
    let swaps = 0
    let passed = 0
    for (const first of letters)
      for (const second of letters)
        for (const third of letters) {
          if (first === second) continue
          const check = withCheck(`${first}${second}${third}`).at(-1)
          swaps++
          if (checkHolds(`${second}${first}${third}${check}`)) passed++
        }
    expect(passed, 'no claim that is not true').toBeGreaterThan(0)
    expect(passed / swaps).toBeLessThan(0.002)
  })
})

describe('net contents', () => {
  it.each([
    ['NumAcc1', [10000001, 10000003, 10000002], 10000002, 1],
    ['NumAcc2', [1.2, ...Array.from({ length: 1000 }, (_, index) => (index % 2 ? 1.3 : 1.1))], 1.2, 0.1],
    [
      'NumAcc3',
      [1000000.2, ...Array.from({ length: 1000 }, (_, index) => (index % 2 ? 1000000.3 : 1000000.1))],
      1000000.2,
      0.1,
    ],
  ] as const)('mean and spread of %s as certified (NIST StRD, univariate)', (_, values, mean, sd) => {
    const found = meanAndSpread(values)
    expect(found.mean).toBeCloseTo(mean, 8)
    expect(found.sd).toBeCloseTo(sd, 8)
  })

  it('the sampling error of the mean is s times 0.635 for 12 and 0.422 for 24 (NIST Handbook 133, table 2-1, from memory); t of 47, 99 and 499 as SciPy has it', () => {
    for (const [count, factor] of [
      [12, 0.635],
      [24, 0.422],
    ] as const)
      expect(t975(count - 1) / Math.sqrt(count)).toBeCloseTo(factor, 3)
    for (const [freedom, t] of [
      [30, 2.04227],
      [47, 2.01174],
      [99, 1.98422],
      [499, 1.96473],
    ] as const)
      expect(Math.abs(t975(freedom) - t)).toBeLessThan(3e-4)
  })

  it('tolerable shortages of directive 76/211/EEC (from memory)', () => {
    for (const [nominal, shortage] of [
      [50, 4.5],
      [100, 4.5],
      [150, 6.75],
      [200, 9],
      [250, 9],
      [400, 12],
      [750, 15],
      [2000, 30],
    ] as const)
      expect(tolerableShortage(nominal)).toBeCloseTo(shortage, 9)
  })

  it('worked by hand: 148, 150, 152 g of 150 mL at 1 g/mL', () => {
    // mean 150, s = 2, t(2) = 4.303: 150 ± 4.303 × 2/√3 = 150 ± 4.97.
    const found = netContents([148, 150, 152], 150, 1)
    expect(found).toMatchObject({ meanG: 150, sdG: 2, leastG: 148, short: [], far: [], verdict: 'fine' })
    expect(found.mean.low).toBeCloseTo(145.03, 2)
    expect(netContents([142, 150, 158], 150, 1)).toMatchObject({ short: [0], verdict: 'act' })
    expect(netContents([136, 156, 158], 150, 1)).toMatchObject({ far: [0], verdict: 'discard' })
    expect(netContents([147, 147.1, 146.9, 147], 150, 1)).toMatchObject({
      verdict: 'act',
      sentence: expect.stringMatching(/On average 3\.0 g short/),
    })
    expect(netContents([149], 150, 1).verdict).toBe('ask')
    expect(() => netContents([1500], 150, 1)).toThrow(/between 0 and 450/)
  })
})

it('a run takes one of everything its format takes', () => {
  const [small, tall] = [FORMATS.find(({ id }) => id === 'b150')!, FORMATS.find(({ id }) => id === 'b250')!]
  expect(suppliesFor(small, 61).map(({ item, fits, count }) => `${count} ${item} ${fits}`)).toEqual([
    '61 bottle b150',
    '61 insert 24 mm',
    '61 cap 24 mm',
    '61 band b150',
    '61 label b150',
  ])
  expect(suppliesFor(tall, 3).map(({ item }) => item)).not.toContain('insert')
})
