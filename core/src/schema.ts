import { config, z } from 'zod'

// The schema library tries whether it may compile code from text; where that is forbidden, and it is on every page of
// ours, the browser reports each try as an attack.
config({ jitless: true })

/** The schema library: taken from here, so that it is set before the first schema. */
export { z }
