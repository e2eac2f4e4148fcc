/** The shapes a vessel is drawn in. */
export const VESSEL_SHAPES = ['jar', 'crock', 'bucket', 'drum', 'bag'] as const
export type VesselShape = (typeof VESSEL_SHAPES)[number]

/** How it is closed; the closure decides the chores. */
export const CLOSURE_NAMES = ['tight lid', 'loose lid', 'airlock', 'clip', 'cloth', 'sealed bag'] as const
export type Closure = (typeof CLOSURE_NAMES)[number]

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
  count?: number
  tareG?: number
}

/** Common sizes; outer measures are typical, for drawing to scale only. Common practice. */
export const VESSELS: readonly VesselKind[] = [
  {
    id: 'jar-500',
    name: '500 mL jar',
    shape: 'jar',
    capacityMl: 500,
    widthMm: 80,
    heightMm: 130,
    closure: 'loose lid',
  },
  {
    id: 'jar-1000',
    name: '1 L jar',
    shape: 'jar',
    capacityMl: 1050,
    widthMm: 100,
    heightMm: 170,
    closure: 'tight lid',
  },
  { id: 'jar-2000', name: '2 L jar', shape: 'jar', capacityMl: 2100, widthMm: 128, heightMm: 215, closure: 'clip' },
  {
    id: 'jar-3000',
    name: '3 L jar',
    shape: 'jar',
    capacityMl: 3150,
    widthMm: 150,
    heightMm: 245,
    closure: 'tight lid',
  },
  { id: 'jar-5000', name: '5 L jar', shape: 'jar', capacityMl: 5200, widthMm: 180, heightMm: 290, closure: 'airlock' },
  {
    id: 'crock-10',
    name: '10 L crock',
    shape: 'crock',
    capacityMl: 10500,
    widthMm: 260,
    heightMm: 320,
    closure: 'cloth',
  },
  {
    id: 'bucket-20',
    name: '20 L bucket',
    shape: 'bucket',
    capacityMl: 21000,
    widthMm: 310,
    heightMm: 380,
    closure: 'airlock',
  },
  {
    id: 'drum-220',
    name: '220 L drum',
    shape: 'drum',
    capacityMl: 225000,
    widthMm: 590,
    heightMm: 890,
    closure: 'airlock',
  },
  {
    id: 'bag-1000',
    name: '1 L vacuum bag',
    shape: 'bag',
    capacityMl: 1500,
    widthMm: 200,
    heightMm: 150,
    closure: 'sealed bag',
  },
  {
    id: 'bag-2000',
    name: '2 L vacuum bag',
    shape: 'bag',
    capacityMl: 3000,
    widthMm: 250,
    heightMm: 190,
    closure: 'sealed bag',
  },
]

/** Outer size in mm for the drawing, from a volume and a shape: typical proportions. Judgement. */
export function drawnSize(shape: VesselShape, capacityMl: number): { widthMm: number; heightMm: number } {
  const slender: Record<VesselShape, number> = { jar: 1.65, crock: 1.25, bucket: 1.2, drum: 1.5, bag: 0.75 }
  const widthMm = Math.cbrt((capacityMl * 1000) / (0.72 * slender[shape]))
  return { widthMm: Math.round(widthMm), heightMm: Math.round(widthMm * slender[shape]) }
}
