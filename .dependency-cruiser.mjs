/*
 * What may import what, types included: no cycles anywhere, and the layers of core. Everything else that a folder may
 * not import stands in eslint.config.mjs.
 */

/**
 * Layers of core from the bottom up: a module imports those before it, never those after it. Modules of one layer may
 * import each other.
 */
const LAYERS = [
  ['units'],
  ['amount'],
  ['acid', 'salt', 'library'],
  ['composition', 'pungency', 'press', 'ferment', 'pack', 'blend'],
  ['keep', 'bottle', 'log'],
  ['lots', 'flow'],
  ['files', 'instruments'],
  ['makeup', 'costs', 'cellar'],
  ['compare', 'record', 'agree'],
  ['judge', 'words'],
  ['plan', 'trace', 'label'],
  ['round', 'loft'],
  ['truth'],
  ['practice'],
  ['questions'],
]
/** Its kinds of entries and the lot they make each other's types: the one cycle there is, in types only. */
const LOG = '^core/src/log/'
const inModules = (names) => `^core/src/(${names.join('|')})/`

export default {
  forbidden: [
    {
      name: 'no-cycles',
      comment: 'Two files that need each other are one idea, or share a third.',
      severity: 'error',
      from: { pathNot: LOG },
      to: { circular: true },
    },
    {
      name: 'no-cycles-at-run-time',
      comment: 'Kinds of entries and the lot they act on still name each other, in types only.',
      severity: 'error',
      from: { path: LOG },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...LAYERS.slice(0, -1).map((modules, layer) => ({
      name: `below-${modules.join('-')}`,
      comment: 'A module below imports nothing above it: move what both need down.',
      severity: 'error',
      from: { path: inModules(modules) },
      to: { path: inModules(LAYERS.slice(layer + 1).flat()) },
    })),
    {
      name: 'module-without-layer',
      comment: 'Every module of core belongs to a layer: give it one in .dependency-cruiser.mjs.',
      severity: 'error',
      from: { path: '^core/src/[^/]+/', pathNot: inModules(LAYERS.flat()) },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    includeOnly: '^(core/src|app|server|demo)/',
    tsPreCompilationDeps: true,
    tsConfig: { fileName: '.dependency-cruiser.tsconfig.json' },
    skipAnalysisNotInRules: true,
  },
}
