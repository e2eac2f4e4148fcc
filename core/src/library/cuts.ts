/** How the produce is cut. */
export const CUTS = ['ground', 'fine', 'coarse', 'whole'] as const
export type Cut = (typeof CUTS)[number]

/** How pieces lie in their vessel: in what they give themselves, under brine, or in a bag without air. */
export const LIES = ['in its juice', 'in brine', 'in a bag'] as const
export type Lie = (typeof LIES)[number]
