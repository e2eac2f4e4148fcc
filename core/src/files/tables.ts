import { InvalidInput } from '../invalid'
import { PREPARATIONS, type Preparation } from '../composition/ingredient'
import { MATERIAL_KINDS, type Material, type MaterialKind } from '../library/material'
import type { Library } from '../library/library'
import { searchMaterials } from '../library/materials'
import { RowSchema, type Row } from '../log/contents'
import { DraftSchema, type Draft } from '../log/entry'
import { PlainNameSchema } from '../log/entryParts'
import { readField } from '../amount/field'
import { parseQuantity } from '../units/quantity'
import type { Range } from '../working'

/** A table as text cells, header first: what a CSV writer takes. */
export type Table = (string | number)[][]
/** A line of a CSV file by its header. */
export type Line = Readonly<Record<string, string | undefined>>

const bad = (line: number, sentence: string) => new InvalidInput(`Line ${line + 2}: ${sentence} Nothing was changed.`)

/** A name as it may stand, or the sentence against it with its line. */
function nameOf(line: number, typed: string): string {
  const name = PlainNameSchema.safeParse(typed)
  if (!name.success) throw bad(line, name.error.issues[0]?.message ?? 'the name cannot be read.')
  return name.data
}

/** Id of a material of the maker's own, from its name. */
export const ownMaterialId = (name: string): string =>
  `own-${
    name
      .normalize('NFD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'material'
  }`.slice(0, 60)

/** Rows of a plan as a table. */
export function tableOfRows(
  rows: readonly Pick<Row, 'materialId' | 'name' | 'massG' | 'preparation' | 'seedsOut' | 'grower'>[],
): Table {
  return [
    ['material', 'name', 'mass_g', 'preparation', 'seeds_out', 'grower'],
    ...rows.map((row) => [
      row.materialId,
      row.name,
      Number(row.massG.toFixed(1)),
      row.preparation,
      row.seedsOut ? 'yes' : 'no',
      row.grower ?? '',
    ]),
  ]
}

/**
 * Reads rows of a table: a material by its id or any common name, a mass in any unit.
 * @throws InvalidInput naming the line.
 */
export function rowsOfTable(lines: readonly Line[], library: Library): Row[] {
  if (lines.length === 0) throw new InvalidInput('The file has no lines under its header. Nothing was changed.')
  return lines.map((line, index) => {
    const named = (line.material ?? '').trim()
    const name = (line.name ?? '').trim() || named
    if (!name) throw bad(index, 'an ingredient has no name.')
    const material = library.material(named) ?? searchMaterials(library.materials, name)[0]
    const preparation = (line.preparation ?? '').trim() || 'raw'
    if (!PREPARATIONS.includes(preparation as Preparation))
      throw bad(index, `"${preparation}" is not a preparation. Use ${PREPARATIONS.join(', ')}.`)
    let massG: number
    try {
      massG = readField(line.mass_g ?? '', 'mass')
    } catch (error) {
      throw error instanceof InvalidInput ? bad(index, error.message) : error
    }
    const row = RowSchema.safeParse({
      materialId: material?.id ?? 'unknown',
      name: material && !line.name ? material.name : name,
      massG,
      preparation,
      seedsOut: /^(yes|y|true|1)$/i.test(line.seeds_out ?? ''),
      ...(line.grower?.trim() && { grower: line.grower.trim() }),
    })
    if (!row.success) throw bad(index, row.error.issues[0]?.message ?? 'cannot be read.')
    nameOf(index, row.data.name)
    return row.data
  })
}

const RANGES = [
  'waterPct',
  'sugarPct',
  'citricPct',
  'malicPct',
  'aceticPct',
  'lacticPct',
  'ph',
  'dryShu',
  'cupG',
  'pieceG',
  'teaspoonG',
] as const
const HEAD: Record<(typeof RANGES)[number], string> = {
  waterPct: 'water_pct',
  sugarPct: 'sugar_pct',
  citricPct: 'citric_pct',
  malicPct: 'malic_pct',
  aceticPct: 'acetic_pct',
  lacticPct: 'lactic_pct',
  ph: 'ph',
  dryShu: 'shu_dry',
  cupG: 'cup_g',
  pieceG: 'piece_g',
  teaspoonG: 'teaspoon_g',
}

function rangeOf(material: Material, key: (typeof RANGES)[number]): Range | null {
  switch (key) {
    case 'citricPct':
      return material.acidsPct.citric ?? null
    case 'malicPct':
      return material.acidsPct.malic ?? null
    case 'aceticPct':
      return material.acidsPct.acetic ?? null
    case 'lacticPct':
      return material.acidsPct.lactic ?? null
    default:
      return material[key]
  }
}

const written = (range: Range | null) =>
  range ? (range.low === range.high ? String(range.typical) : `${range.low}/${range.typical}/${range.high}`) : ''

/** Materials as a table; ranges as low/typical/high. */
export function tableOfMaterials(materials: readonly Material[]): Table {
  return [
    ['id', 'name', 'names', 'kind', ...RANGES.map((key) => HEAD[key]), 'salt_pct', 'price_per_kg', 'allergens'],
    ...materials.map((material) => [
      material.id,
      material.name,
      material.names.join('; '),
      material.kind,
      ...RANGES.map((key) => written(rangeOf(material, key))),
      material.saltPct.typical,
      material.pricePerKg ?? '',
      material.allergens.join('; '),
    ]),
  ]
}

const list = (cell: string | undefined) =>
  (cell ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean)

/**
 * The maker's own materials out of a table: what differs from the library becomes own values.
 * @throws InvalidInput naming the line.
 */
export function materialsOfTable(lines: readonly Line[], library: Library, at: string): Draft[] {
  if (lines.length === 0) throw new InvalidInput('The file has no lines under its header. Nothing was changed.')
  return lines.flatMap((line, index): Draft[] => {
    const name = nameOf(index, line.name ?? '')
    const id = (line.id ?? '').trim() || ownMaterialId(name)
    const known = library.material(id)
    const kind = (line.kind ?? '').trim() || known?.kind || 'vegetable'
    if (!MATERIAL_KINDS.includes(kind as MaterialKind))
      throw bad(index, `"${kind}" is not a kind. Use ${MATERIAL_KINDS.join(', ')}.`)
    const draft: Record<string, unknown> = { kind: 'material', at, materialId: id, name, group: kind }
    const number = (cell: string): number => {
      try {
        return parseQuantity(cell, 'percent')
      } catch (error) {
        throw error instanceof InvalidInput ? bad(index, error.message) : error
      }
    }
    for (const key of RANGES) {
      const cell = (line[HEAD[key]] ?? '').trim()
      if (!cell || (known && cell === written(rangeOf(known, key)))) continue
      const [low = NaN, typical = low, high = typical] = cell.split('/').map(number)
      draft[key] = { low, typical, high }
    }
    if (line.salt_pct?.trim() && number(line.salt_pct) !== known?.saltPct.typical) draft.saltPct = number(line.salt_pct)
    if (line.price_per_kg?.trim() && number(line.price_per_kg) !== known?.pricePerKg)
      draft.pricePerKg = number(line.price_per_kg)
    if (line.names !== undefined && list(line.names).join() !== known?.names.join()) draft.names = list(line.names)
    if (line.allergens !== undefined && list(line.allergens).join() !== known?.allergens.join())
      draft.allergens = list(line.allergens)
    const says = Object.keys(draft).length > 5 || !known || known.name !== name
    if (!says) return []
    const entry = DraftSchema.safeParse(draft)
    if (!entry.success) throw bad(index, entry.error.issues[0]?.message ?? 'cannot be read.')
    return [entry.data]
  })
}
