import { config } from 'zod'

// The schema library tries whether it may compile code from text; where that is forbidden, and it is on every page of
// ours, the browser reports each try as an attack.
config({ jitless: true })
