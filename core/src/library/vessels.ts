import type { UnitWorld } from '../units/quantity'

/** The shapes a vessel is drawn in. */
export const VESSEL_SHAPES = ['jar', 'crock', 'bucket', 'drum', 'bag'] as const
export type VesselShape = (typeof VESSEL_SHAPES)[number]

/** How it is closed; the closure decides the chores. */
export const CLOSURE_NAMES = [
  'tight lid',
  'loose lid',
  'airlock',
  'self-venting lid',
  'clip',
  'cloth',
  'plate',
  'sealed bag',
] as const
export type Closure = (typeof CLOSURE_NAMES)[number]

/** What holds it down under its liquid; a share of the vessel that it takes up, brim volume. Judgement. */
export const WEIGHTS = {
  nothing: 0,
  weight: 0.05,
  plate: 0.04,
  leaf: 0.01,
  'bag of brine': 0.08,
  'stone in a bag': 0.06,
  'herb stems': 0.01,
} as const
export type Weight = keyof typeof WEIGHTS
export const WEIGHT_NAMES = Object.keys(WEIGHTS) as [Weight, ...Weight[]]
/** Those that hold by themselves: nothing is pressed down under them. */
const HOLDS: readonly Weight[] = ['weight', 'plate', 'bag of brine', 'stone in a bag']
export const holdsDown = (weight: Weight | undefined): boolean => weight !== undefined && HOLDS.includes(weight)

/** What a closure asks for, in the trade's words. Common practice. */
export interface ClosureKind {
  name: Closure
  gas: string
  air: string
  chores: string
}

export const CLOSURES: readonly ClosureKind[] = [
  {
    name: 'tight lid',
    gas: 'must be let out by hand',
    air: 'keeps air out',
    chores: 'Burp daily, more on days 2 to 5, away from your face.',
  },
  { name: 'loose lid', gas: 'finds its own way', air: 'lets a little in', chores: 'Press down daily; look for film.' },
  {
    name: 'airlock',
    gas: 'bubbles out through water',
    air: 'keeps air out while there is water in it',
    chores: 'Never burp; check the water weekly.',
  },
  {
    name: 'clip',
    gas: 'lifts the rubber ring by itself',
    air: 'keeps air out',
    chores: 'Never burp; keep the ring clean and supple.',
  },
  {
    name: 'self-venting lid',
    gas: 'lifts a valve by itself',
    air: 'keeps air out',
    chores: 'Never burp; look that the valve is clean and closes.',
  },
  {
    name: 'plate',
    gas: 'finds its own way under the plate',
    air: 'lets air in at the edge',
    chores: 'Look for film every other day; wipe the rim.',
  },
  {
    name: 'cloth',
    gas: 'free',
    air: 'free: film and mould need daily eyes',
    chores: 'Stir or press down daily; skim; wipe the rim.',
  },
  {
    name: 'sealed bag',
    gas: 'blows the bag up',
    air: 'keeps air out',
    chores: 'Look daily; vent and reseal when it balloons.',
  },
]

/**
 * A vessel of a maker's row: brim volume in mL and outer size in mm for the drawing.
 * `count` and `tareG` (empty, with its closure off) are the maker's; common sizes have neither.
 */
export interface VesselKind {
  id: string
  name: string
  shape: VesselShape
  capacityMl: number
  widthMm: number
  heightMm: number
  closure: Closure
  /** The world its size belongs to; none for the maker's own. */
  world?: UnitWorld
  count?: number
  tareG?: number
}

/**
 * Common sizes, to the brim; outer measures are typical, for drawing to scale only. Common practice; brims of US jars
 * from memory.
 */
export const VESSELS: readonly VesselKind[] = [
  {
    id: 'jar-500',
    name: '500 mL jar',
    shape: 'jar',
    capacityMl: 500,
    widthMm: 80,
    heightMm: 130,
    closure: 'loose lid',
    world: 'metric',
  },
  {
    id: 'jar-1000',
    name: '1 L jar',
    shape: 'jar',
    capacityMl: 1050,
    widthMm: 100,
    heightMm: 170,
    closure: 'tight lid',
    world: 'metric',
  },
  {
    id: 'jar-2000',
    name: '2 L jar',
    shape: 'jar',
    capacityMl: 2100,
    widthMm: 128,
    heightMm: 215,
    closure: 'clip',
    world: 'metric',
  },
  {
    id: 'jar-3000',
    name: '3 L jar',
    shape: 'jar',
    capacityMl: 3150,
    widthMm: 150,
    heightMm: 245,
    closure: 'tight lid',
    world: 'metric',
  },
  {
    id: 'jar-5000',
    name: '5 L jar',
    shape: 'jar',
    capacityMl: 5200,
    widthMm: 180,
    heightMm: 290,
    closure: 'airlock',
    world: 'metric',
  },
  {
    id: 'crock-10',
    name: '10 L crock',
    shape: 'crock',
    capacityMl: 10500,
    widthMm: 260,
    heightMm: 320,
    closure: 'cloth',
    world: 'metric',
  },
  {
    id: 'bucket-20',
    name: '20 L bucket',
    shape: 'bucket',
    capacityMl: 21000,
    widthMm: 310,
    heightMm: 380,
    closure: 'airlock',
    world: 'metric',
  },
  {
    id: 'drum-220',
    name: '220 L drum',
    shape: 'drum',
    capacityMl: 225000,
    widthMm: 590,
    heightMm: 890,
    closure: 'airlock',
    world: 'metric',
  },
  {
    id: 'bag-1000',
    name: '1 L vacuum bag',
    shape: 'bag',
    capacityMl: 1500,
    widthMm: 200,
    heightMm: 150,
    closure: 'sealed bag',
    world: 'metric',
  },
  {
    id: 'bag-2000',
    name: '2 L vacuum bag',
    shape: 'bag',
    capacityMl: 3000,
    widthMm: 250,
    heightMm: 190,
    closure: 'sealed bag',
    world: 'metric',
  },
  {
    id: 'bag-quart',
    name: 'Quart vacuum bag',
    shape: 'bag',
    capacityMl: 1400,
    widthMm: 200,
    heightMm: 145,
    closure: 'sealed bag',
    world: 'us',
  },
  {
    id: 'bag-gallon',
    name: 'Gallon vacuum bag',
    shape: 'bag',
    capacityMl: 4800,
    widthMm: 280,
    heightMm: 230,
    closure: 'sealed bag',
    world: 'us',
  },
  {
    id: 'jar-pint',
    name: 'Pint jar',
    shape: 'jar',
    capacityMl: 500,
    widthMm: 82,
    heightMm: 128,
    closure: 'loose lid',
    world: 'us',
  },
  {
    id: 'jar-quart',
    name: 'Quart jar',
    shape: 'jar',
    capacityMl: 985,
    widthMm: 96,
    heightMm: 172,
    closure: 'loose lid',
    world: 'us',
  },
  {
    id: 'jar-half-gallon',
    name: 'Half-gallon jar',
    shape: 'jar',
    capacityMl: 1940,
    widthMm: 115,
    heightMm: 232,
    closure: 'loose lid',
    world: 'us',
  },
  {
    id: 'jar-gallon',
    name: 'Gallon jar',
    shape: 'jar',
    capacityMl: 3900,
    widthMm: 160,
    heightMm: 260,
    closure: 'loose lid',
    world: 'us',
  },
  {
    id: 'crock-2-gallon',
    name: '2-gallon crock',
    shape: 'crock',
    capacityMl: 7900,
    widthMm: 235,
    heightMm: 290,
    closure: 'cloth',
    world: 'us',
  },
  {
    id: 'bucket-5-gallon',
    name: '5-gallon bucket',
    shape: 'bucket',
    capacityMl: 20000,
    widthMm: 305,
    heightMm: 370,
    closure: 'airlock',
    world: 'us',
  },
]

/** Outer size in mm for the drawing, from a volume and a shape: typical proportions. Judgement. */
export function drawnSize(shape: VesselShape, capacityMl: number): { widthMm: number; heightMm: number } {
  const slender: Record<VesselShape, number> = { jar: 1.65, crock: 1.25, bucket: 1.2, drum: 1.5, bag: 0.75 }
  const widthMm = Math.cbrt((capacityMl * 1000) / (0.72 * slender[shape]))
  return { widthMm: Math.round(widthMm), heightMm: Math.round(widthMm * slender[shape]) }
}
