/** What a maker reads sourness with, from nothing but nose and tongue on. */
export const SOUR_TOOLS = ['nose and tongue', 'paper strips', 'pocket meter', 'bench meter'] as const
export type SourTool = (typeof SOUR_TOOLS)[number]

/** What a maker has: what sourness is read with, and whether there is a scale. */
export interface Kit {
  sour: SourTool
  scale: boolean
}
/** Where nobody said what they have. */
export const USUAL_KIT: Kit = { sour: 'pocket meter', scale: true }

/** Whether it gives a pH in hundredths, and so can be asked for one daily. */
export const isMeter = ({ sour }: Kit): boolean => sour === 'pocket meter' || sour === 'bench meter'
