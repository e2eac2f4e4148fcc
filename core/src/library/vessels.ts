/** The shapes a vessel is drawn in. */
export type VesselShape = 'jar' | 'crock' | 'bucket' | 'drum' | 'bag'

/** How it is closed; the closure decides the chores. */
export type Closure = 'tight lid' | 'loose lid' | 'airlock' | 'clip' | 'cloth' | 'sealed bag'

/** A vessel of a maker's row: brim volume in mL and outer size in mm for the drawing. */
export interface VesselKind { id: string, name: string, shape: VesselShape, capacityMl: number, widthMm: number, heightMm: number, closure: Closure }

/** Common sizes; outer measures are typical, for drawing to scale only. Common practice. */
export const VESSELS: readonly VesselKind[] = [
  { id: 'jar-500', name: '500 mL jar', shape: 'jar', capacityMl: 500, widthMm: 80, heightMm: 130, closure: 'loose lid' },
  { id: 'jar-1000', name: '1 L jar', shape: 'jar', capacityMl: 1050, widthMm: 100, heightMm: 170, closure: 'tight lid' },
  { id: 'jar-2000', name: '2 L jar', shape: 'jar', capacityMl: 2100, widthMm: 128, heightMm: 215, closure: 'clip' },
  { id: 'jar-3000', name: '3 L jar', shape: 'jar', capacityMl: 3150, widthMm: 150, heightMm: 245, closure: 'tight lid' },
  { id: 'jar-5000', name: '5 L jar', shape: 'jar', capacityMl: 5200, widthMm: 180, heightMm: 290, closure: 'airlock' },
  { id: 'crock-10', name: '10 L crock', shape: 'crock', capacityMl: 10500, widthMm: 260, heightMm: 320, closure: 'cloth' },
  { id: 'bucket-20', name: '20 L bucket', shape: 'bucket', capacityMl: 21000, widthMm: 310, heightMm: 380, closure: 'airlock' },
  { id: 'drum-220', name: '220 L drum', shape: 'drum', capacityMl: 225000, widthMm: 590, heightMm: 890, closure: 'airlock' },
  { id: 'bag-2000', name: '2 L vacuum bag', shape: 'bag', capacityMl: 3000, widthMm: 250, heightMm: 190, closure: 'sealed bag' },
]
export const vesselById = (id: string): VesselKind | undefined => VESSELS.find(vessel => vessel.id === id)

/** Bottles by brim-to-fill volume in mL. */
export const BOTTLES = [
  { id: 'b150', name: '150 mL bottle', fillMl: 150 },
  { id: 'b250', name: '250 mL bottle', fillMl: 250 },
  { id: 'b375', name: '375 mL bottle', fillMl: 375 },
] as const
