import { describe, expect, it } from 'vitest'
import { fillVessel, materialById, mix, ofMaterial, ofSalt, propertiesOf } from '../../src'

describe('fill and headspace', () => {
  it('1.4 kg of pepper mash is about 1.4 L (common practice)', () => {
    const mash = propertiesOf(mix([ofMaterial(materialById('fresno')!, 1346), ofSalt(54)]))
    // the figure is without the air that grinding beats in
    expect(Math.abs(mash.volumeMl - 1400) / 1400).toBeLessThan(0.08)
  })

  it('says whether it fits, rises over, or stands in too much air', () => {
    expect(fillVessel(1400, 1, 2100, 0.75)).toMatchObject({ verdict: 'fits', volumeMl: 1400, headspaceMl: 700 })
    expect(fillVessel(900, 1, 1050, 0.75).verdict).toBe('overfull')
    expect(fillVessel(1200, 1, 1050, 0.75).verdict).toBe('too much')
    expect(fillVessel(300, 1, 1050, 0.75).verdict).toBe('airy')
    expect(() => fillVessel(-1, 1, 1000, 0.75)).toThrow(/grams/)
  })
})
