import { expect, it } from 'vitest'
import { fuzz } from '../fuzz'

it('damaged files through every reader: refused with a sentence or read, never a crash, a hang or a trace', async () => {
  const { refused, read, found } = await fuzz(600, 11)
  expect(found).toEqual([])
  expect(refused).toBeGreaterThan(200)
  expect(read).toBeGreaterThan(50)
})
