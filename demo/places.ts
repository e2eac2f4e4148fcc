/** Where things stand in the loft. */
export const BENCH = 'Bench'
export const COLD = 'Cold corner'
