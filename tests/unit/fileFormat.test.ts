import { readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2020'
import addFormats from 'ajv-formats'
import { describe, expect, it } from 'vitest'
import { DraftSchema, EntrySchema, KINDS } from '@lactofer/core'
import { demoEntries } from '../../demo/scenario'
import { documents } from '../../scripts/fileFormat'
import { indexOf, kindsOf } from '../../scripts/kinds.mjs'

const NOW = Date.parse('2026-05-04T08:00:00.000Z')

describe('the kinds of entry and what derives from them', () => {
  it('the index names every file of the folder, and each file its own kind', () => {
    expect(readFileSync('core/src/log/kinds/index.ts', 'utf8')).toBe(indexOf(kindsOf()))
    for (const [name, { schema }] of Object.entries(KINDS)) expect([...schema.shape.kind.values]).toEqual([name])
  })

  it.each(documents().map(({ path, is, should }) => [path, is, should] as const))(
    '%s says what the schemas say (npm run generate)',
    (_path, is, should) => expect(is).toBe(should),
  )

  it('a file of the demo holds to the JSON Schema; an entry with a wrong figure does not', () => {
    const ajv = new Ajv({ strict: false })
    addFormats(ajv)
    const valid = ajv.compile(JSON.parse(readFileSync('docs/open-file.schema.json', 'utf8')))
    const file = (entries: unknown[]) => ({
      format: 'lactofer-log',
      version: 3,
      writtenAt: new Date(NOW).toISOString(),
      entries,
    })
    const entries = demoEntries(NOW)
    expect(valid(file(entries)), JSON.stringify(valid.errors?.slice(0, 2))).toBe(true)
    expect(valid(file([{ ...entries[0], kind: 'wish' }]))).toBe(false)
  })

  it('a draft is an entry without id, author and origin: held to the same limits, refinements too', () => {
    for (const entry of demoEntries(NOW)) {
      const { id: _id, by: _by, origin: _origin, ...draft } = entry
      expect(DraftSchema.parse(draft)).toEqual(draft)
      expect(EntrySchema.parse(entry)).toEqual(entry)
    }
    const format = {
      kind: 'format',
      at: new Date(NOW).toISOString(),
      formatId: 'round',
      name: 'Round',
      shape: 'bottle',
      fillMl: 150,
      emptyG: 90,
      neck: '24 mm',
      insert: false,
      band: false,
    }
    expect(DraftSchema.safeParse({ ...format, brimMl: 160 }).success).toBe(true)
    expect(DraftSchema.safeParse({ ...format, brimMl: 140 }).error?.issues[0]?.message).toContain('To the brim')
  })
})
