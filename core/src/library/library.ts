import { SALTS, type SaltKind } from '../salt/spoons'
import { MATERIALS, UNKNOWN_PRODUCE } from './materials'
import type { Material } from './material'
import { FORMATS, type BottleFormat } from './formats'
import { VESSELS, type VesselKind } from './vessels'

/** What a log can weigh, salt with and fill: the shipped library with the maker's own values over it. */
export interface Library {
  materials: readonly Material[]
  /** Salts as they are spooned. */
  salts: readonly SaltKind[]
  /** The maker's own vessels; where none are listed, the common sizes. */
  vessels: readonly VesselKind[]
  /** Bottles in use: the maker's own; where none are listed, the common sizes. */
  formats: readonly BottleFormat[]
  /** Whether `formats` are the maker's own. */
  ownFormats: boolean
  /** Also finds a format that is used no more, and the common sizes. */
  format: (id: string) => BottleFormat | undefined
  /** Whether `vessels` are the maker's own. */
  ownVessels: boolean
  material: (id: string) => Material | undefined
  /** The material, or unlisted produce with wide ranges where nobody knows it. */
  materialOrUnknown: (id: string) => Material
  /** Also finds a vessel that is used no more, and the common sizes. */
  vessel: (id: string) => VesselKind | undefined
}

/** Puts the maker's own things over the shipped ones. Later ones win. */
export function makeLibrary(
  own: {
    materials?: readonly Material[]
    vessels?: readonly VesselKind[]
    formats?: readonly (BottleFormat & { retired?: boolean | undefined })[]
  } = {},
): Library {
  const materials = new Map([...MATERIALS, ...(own.materials ?? [])].map((material) => [material.id, material]))
  const vessels = new Map([...VESSELS, ...(own.vessels ?? [])].map((vessel) => [vessel.id, vessel]))
  const formats = new Map([...FORMATS, ...(own.formats ?? [])].map((format) => [format.id, format]))
  const filled = (own.formats ?? []).filter((format) => !format.retired)
  const inUse = (own.vessels ?? []).filter((vessel) => (vessel.count ?? 1) > 0)
  const all = [...materials.values()]
  const spooned = (own.materials ?? []).flatMap(({ id, name, kind, teaspoonG }) =>
    kind === 'salt' && teaspoonG ? [{ id, name, teaspoonG, own: true }] : [],
  )
  const weighed = new Map(spooned.map((salt) => [salt.id, salt]))
  const shipped = SALTS.map((salt) => weighed.get(salt.id) ?? salt)
  return {
    materials: all,
    // A spoon that was weighed stands in place of the usual one.
    salts: [...shipped, ...spooned.filter(({ id }) => !SALTS.some((salt) => salt.id === id))],
    vessels: inUse.length ? inUse : VESSELS,
    ownVessels: inUse.length > 0,
    formats: filled.length ? filled : FORMATS,
    ownFormats: filled.length > 0,
    format: (id) => formats.get(id),
    material: (id) => materials.get(id),
    materialOrUnknown: (id) => materials.get(id) ?? UNKNOWN_PRODUCE,
    vessel: (id) => vessels.get(id),
  }
}

/** The shipped library alone. */
export const SHIPPED = makeLibrary()
