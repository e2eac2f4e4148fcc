import { boundCharge } from '../acid/balance'
import { ACIDS, acidMmol, type AcidId } from '../acid/species'
import type { Range } from '../working'
import { COUNTED, HANDFUL_OF_CUP, USUAL_COUNTED } from './counted'
import { IFCT, type IfctCode } from './ifct'
import { SOURCES, type Allergen, type Figure, type Material, type MaterialKind, type Triple } from './material'

/** A figure from its three values. */
export const figure = ([low, typical, high]: Triple, source: string): Figure => ({ low, typical, high, source })

/** An exact figure, with its source. */
export const fixed = (value: number, source: string = SOURCES.defined): Figure => figure([value, value, value], source)

/** Sodium to salt: molar mass of NaCl over that of sodium (IUPAC atomic weights). */
export const SALT_PER_SODIUM = 2.542

type RowAcid = 'citric' | 'malic' | 'tartaric' | 'succinic' | 'ascorbic' | 'lactic' | 'acetic'

/**
 * A row of the table of produce. Values from memory with the range met, except those named in `trust`: their typical
 * value is the dataset's.
 */
export interface ProduceRow {
  water?: Triple
  sugar: Triple
  ph: Triple
  acids: Partial<Record<RowAcid, Triple>>
  /** Acids whose mean in the dataset is plausible and is used. */
  trust?: readonly ('citric' | 'malic' | 'tartaric')[]
  from?: IfctCode
  names?: string
  shu?: Triple
  sites?: readonly [pectin: number, protein: number]
  cup?: Triple
  piece?: Triple
  /** Of a level teaspoon, where it is spooned. */
  spoon?: Triple
  allergens?: readonly Allergen[]
  starterLog10?: number
  salt?: number
}

/** Spread of water where the dataset gives none: one point. Judgement. */
const NO_SPREAD = 1

function datasetWater(code: IfctCode): Figure {
  const { water, waterSd } = IFCT[code]
  const halfWidth = waterSd > 0 ? 2 * waterSd : NO_SPREAD
  return figure(
    [Number((water - halfWidth).toFixed(2)), water, Number(Math.min(100, water + halfWidth).toFixed(2))],
    SOURCES.dataset(code),
  )
}

/** A value from memory; when the dataset says something outside its range, that is shown as a doubt. */
function remembered(triple: Triple, published: number, code: IfctCode | undefined): Figure {
  const [low, , high] = triple
  const known = figure(triple, SOURCES.memory)
  return code && published > 0 && (published < low || published > high)
    ? { ...known, doubtful: `${SOURCES.dataset(code)} gives ${published} %, outside what is met; not used.` }
    : known
}

function acidsOf({ acids, trust = [], from }: ProduceRow): Material['acidsPct'] {
  return Object.fromEntries(
    Object.entries(acids).map(([id, triple]): [AcidId, Figure] => {
      const published = from && (id === 'citric' || id === 'malic' || id === 'tartaric') ? IFCT[from][id] : 0
      const [low, , high] = triple
      return [
        id as AcidId,
        from && (trust as readonly string[]).includes(id)
          ? figure(
              [Math.min(low, published), published, Math.max(high, published)],
              `${SOURCES.dataset(from)}; range from memory`,
            )
          : remembered(triple, published, from),
      ]
    }),
  )
}

const CUP: Partial<Record<MaterialKind, Triple>> = {
  pepper: [110, 130, 225],
  vegetable: [100, 140, 200],
  fruit: [140, 165, 200],
  herb: [15, 30, 60],
  seafood: [200, 230, 250],
  starter: [230, 240, 250],
}

/** Pectin of produce, mmol/kg of sites. Judgement. */
const PECTIN = 8
/** Alkalinity of the ash where the dataset has no row, mmol/kg: the middle of the rows of a kind. */
const ALKALINITY: Partial<Record<MaterialKind, number>> = { vegetable: 75, fruit: 50, herb: 120 }
/** Of what leaves hold beyond this much is calcium that no acid reaches (oxalate), mmol/kg. Judgement. */
const MOST_ALKALINITY = 150
/** Proteins and amino acids bind at least so much, mmol/kg. Judgement. */
const LEAST_PROTEIN = 4
/** Where a food is so sour that these sites carry less than this share of a charge, its listed acids alone tell. */
const LEAST_SHARE = 0.55
const SOUR_PROTEIN = 10
/** Ionic strength of fresh produce, mol/kg. Judgement. */
const FRESH = 0.1

/**
 * Binding sites, so that the weak acids of a food carry at its own pH the charge that its minerals leave them: charge
 * balance. What the listed acids do not carry is given to sites of proteins and amino acids.
 */
function sitesOf(kind: MaterialKind, { acids, ph, from }: ProduceRow): readonly [pectin: number, protein: number] {
  const wanted = Math.min(MOST_ALKALINITY, from ? IFCT[from].alkalinity : (ALKALINITY[kind] ?? 0))
  const at = { pH: ph[1], ionicStrength: FRESH }
  const charge = (of: AcidId, mmol: number) => boundCharge([{ species: ACIDS[of], mmol }], at)
  const share = charge('protein', 1)
  if (share < LEAST_SHARE) return [PECTIN, SOUR_PROTEIN]
  const listed = Object.entries(acids).reduce(
    (sum, [id, [, typical]]) => sum + charge(id as AcidId, acidMmol(id as AcidId, 10 * typical)),
    charge('pectin', PECTIN),
  )
  return [PECTIN, Math.round(Math.max(LEAST_PROTEIN, (wanted - listed) / share))]
}

/** Grams of what is counted of a material. */
function countedOf(kind: MaterialKind, id: string, cup?: Triple): Material['countedG'] {
  const [low, typical, high] = cup ?? [0, 0, 0]
  const [least, usual, most] = HANDFUL_OF_CUP
  const rows = {
    ...(cup && kind === 'herb' && { handful: [low * least, typical * usual, high * most] as const }),
    ...USUAL_COUNTED[kind],
    ...COUNTED[id],
  }
  return Object.fromEntries(Object.entries(rows).map(([piece, triple]) => [piece, figure(triple, SOURCES.practice)]))
}

/** A kind of produce. */
export function produce(kind: MaterialKind, id: string, name: string, color: string, row: ProduceRow): Material {
  const [pectin, protein] = row.sites ?? sitesOf(kind, row)
  const { from } = row
  return {
    id,
    name,
    names: row.names?.split(', ') ?? [],
    kind,
    color,
    waterPct: from ? datasetWater(from) : figure(row.water ?? [85, 88, 91], SOURCES.memory),
    sugarPct: remembered(row.sugar, from ? IFCT[from].sugar : 0, from),
    saltPct: from
      ? fixed(Number((IFCT[from].sodium * SALT_PER_SODIUM).toFixed(3)), `${SOURCES.dataset(from)}, sodium × 2.542`)
      : fixed(row.salt ?? 0, SOURCES.memory),
    acidsPct: acidsOf(row),
    sites: { pectin, protein },
    ph: figure(row.ph, SOURCES.ph),
    dryShu: row.shu ? figure(row.shu, SOURCES.practice) : null,
    cupG: figure(row.cup ?? CUP[kind] ?? [100, 150, 240], SOURCES.practice),
    pieceG: row.piece ? figure(row.piece, SOURCES.practice) : null,
    countedG: countedOf(kind, id, row.cup ?? CUP[kind]),
    teaspoonG: row.spoon ? figure(row.spoon, SOURCES.practice) : null,
    allergens: row.allergens ?? [],
    livens: kind !== 'seafood' && kind !== 'starter',
    starterLog10: row.starterLog10 ?? null,
    pricePerKg: null,
    own: false,
  }
}

/** Something from the pantry that is what it says: water, salt, an acid, a vinegar, a sweetener. */
export function pantry(
  kind: MaterialKind,
  id: string,
  name: string,
  color: string,
  cupG: number,
  rest: Partial<Material>,
): Material {
  return {
    id,
    name,
    names: [],
    kind,
    color,
    waterPct: fixed(0),
    sugarPct: fixed(0),
    saltPct: fixed(0),
    acidsPct: {},
    sites: { pectin: 0, protein: 0 },
    ph: null,
    dryShu: null,
    cupG: fixed(cupG, SOURCES.practice),
    pieceG: null,
    countedG: countedOf(kind, id),
    teaspoonG: null,
    allergens: [],
    livens: false,
    starterLog10: null,
    pricePerKg: null,
    own: false,
    ...rest,
  }
}

/** A range with a source. */
export const sourced = ({ low, typical, high }: Range, source: string): Figure => ({ low, typical, high, source })
