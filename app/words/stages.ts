/** The stages in the order of the work, each with the pages that belong to it. */
export const STAGES = [
  { to: '/', name: 'Today', pages: [] },
  { to: '/plan', name: 'Plan', pages: ['/weigh/', '/split/', '/recipes', '/loft'] },
  { to: '/ferment', name: 'Ferment', pages: ['/compare'] },
  { to: '/press', name: 'Press', pages: [] },
  { to: '/blend', name: 'Blend', pages: ['/pour/'] },
  { to: '/bottle', name: 'Bottle', pages: ['/release/', '/label/'] },
  { to: '/cellar', name: 'Cellar', pages: ['/trace/'] },
] as const
