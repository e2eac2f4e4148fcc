import type { AcidId } from '../acid/species'
import { makeLibrary, type Library } from '../library/library'
import { materialById, UNKNOWN_PRODUCE } from '../library/materials'
import { SOURCES, type Figure, type Material } from '../library/material'
import { pantry } from '../library/rows'
import type { BottleFormat } from '../library/formats'
import { drawnSize, type VesselKind } from '../library/vessels'
import { exactly, type Range } from '../working'
import type { Entry, EntryOf } from '../log/entry'

const own = (range: Range): Figure => ({ ...range, source: SOURCES.own })
const NEUTRAL = ['water', 'vinegar', 'acid', 'sweetener', 'thickener', 'salt'] as const

/** A material as the maker knows it: the library's figures, with the maker's own in place of those that were given. */
function ownMaterial(entry: EntryOf<'material'>): Material {
  const { materialId: id, name, names, group: kind, color } = entry
  const start =
    materialById(id) ??
    ((NEUTRAL as readonly string[]).includes(kind)
      ? pantry(kind, id, name, '#c9c4b0', 240, {
          waterPct: own(exactly(kind === 'salt' ? 0 : 100 - (entry.aceticPct?.typical ?? 0))),
          saltPct: own(exactly(kind === 'salt' ? 100 : 0)),
        })
      : { ...UNKNOWN_PRODUCE, id, kind, names: [] })
  const acids: Partial<Record<AcidId, Figure>> = { ...start.acidsPct }
  for (const [acid, range] of [
    ['citric', entry.citricPct],
    ['malic', entry.malicPct],
    ['acetic', entry.aceticPct],
    ['lactic', entry.lacticPct],
  ] as const)
    if (range) acids[acid] = own(range)
  return {
    ...start,
    id,
    name,
    names: names ?? start.names,
    kind,
    color: color ?? start.color,
    own: true,
    acidsPct: acids,
    waterPct: entry.waterPct
      ? own(entry.waterPct)
      : kind === 'vinegar' && entry.aceticPct
        ? own(exactly(100 - entry.aceticPct.typical))
        : start.waterPct,
    sugarPct: entry.sugarPct ? own(entry.sugarPct) : start.sugarPct,
    saltPct: entry.saltPct === undefined ? start.saltPct : own(exactly(entry.saltPct)),
    ph: entry.ph ? own(entry.ph) : start.ph,
    dryShu: entry.dryShu ? own(entry.dryShu) : start.dryShu,
    cupG: entry.cupG ? own(entry.cupG) : start.cupG,
    pieceG: entry.pieceG ? own(entry.pieceG) : start.pieceG,
    teaspoonG: entry.teaspoonG ? own(entry.teaspoonG) : start.teaspoonG,
    pricePerKg: entry.pricePerKg ?? start.pricePerKg,
    allergens: entry.allergens ?? start.allergens,
  }
}

function ownVessel({ vesselId: id, name, shape, capacityMl, closure, count, tareG }: EntryOf<'vessel'>): VesselKind {
  return {
    id,
    name,
    shape,
    capacityMl,
    ...drawnSize(shape, capacityMl),
    closure,
    count,
    ...(tareG !== undefined && { tareG }),
  }
}

const ownFormat = ({
  formatId: id,
  name,
  shape,
  fillMl,
  brimMl,
  emptyG,
  neck,
  insert,
  band,
  retired,
}: EntryOf<'format'>) => ({ id, name, shape, fillMl, brimMl, emptyG, neck, insert, band, retired })

/** The last one, kept: while nothing was said of materials, vessels or bottles it is the same library, not a copy. */
let last: { of: string; library: Library } | null = null

/** The library as a log knows it: of several entries for one thing the newest counts. */
export function libraryOf(entries: readonly Entry[]): Library {
  const own = entries.filter(({ kind }) => kind === 'material' || kind === 'vessel' || kind === 'format')
  const of = JSON.stringify(own)
  if (last?.of !== of) last = { of, library: madeOf(own) }
  return last.library
}

function madeOf(entries: readonly Entry[]): Library {
  const materials = new Map<string, Material>()
  const vessels = new Map<string, VesselKind>()
  const formats = new Map<string, BottleFormat & { retired?: boolean | undefined }>()
  for (const entry of entries) {
    if (entry.kind === 'vessel') vessels.set(entry.vesselId, ownVessel(entry))
    if (entry.kind === 'format') formats.set(entry.formatId, ownFormat(entry))
    if (entry.kind !== 'material') continue
    if (entry.forget) materials.delete(entry.materialId)
    else materials.set(entry.materialId, ownMaterial(entry))
  }
  return makeLibrary({
    materials: [...materials.values()],
    vessels: [...vessels.values()],
    formats: [...formats.values()],
  })
}
