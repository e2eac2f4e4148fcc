/** The stages in the order of the work. */
export const STAGES = [
  { to: '/', name: 'Today' },
  { to: '/plan', name: 'Plan' },
  { to: '/ferment', name: 'Ferment' },
  { to: '/press', name: 'Press' },
  { to: '/blend', name: 'Blend' },
  { to: '/bottle', name: 'Bottle' },
  { to: '/cellar', name: 'Cellar' },
] as const
