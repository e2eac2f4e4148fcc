/** Now on this server, ms since the epoch. Nothing else here asks the machine for the date. */
export const nowMs = (): number => Date.now()
