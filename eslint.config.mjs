import { readFileSync } from 'node:fs'
import unformatted from 'eslint-config-prettier'
import withNuxt from './.nuxt/eslint.config.mjs'

/*
 * What a file may say and import. Cycles and the layers of core are checked by .dependency-cruiser.mjs. What each check
 * holds is shown in docs/architecture.md, "Guards".
 */

/** Ids of styles as the table has them: code outside the library asks a style for its traits, never for its id. */
const STYLE_IDS = [...readFileSync('core/src/library/styleTable.ts', 'utf8').matchAll(/^ {4}id: '([^']+)'/gm)]
  .map(([, id]) => id)
  .join('|')
const STYLE = '/^(style|styleId|id)$/'
const COMPARED = [
  `BinaryExpression[operator=/^[!=]==?$/][right.value=/^(${STYLE_IDS})$/]:matches([left.property.name=${STYLE}], [left.name=${STYLE}])`,
  `BinaryExpression[operator=/^[!=]==?$/][left.value=/^(${STYLE_IDS})$/]:matches([right.property.name=${STYLE}], [right.name=${STYLE}])`,
  `CallExpression[callee.property.name="includes"][callee.object.type="ArrayExpression"]:has(> MemberExpression > ArrayExpression > Literal[value=/^(${STYLE_IDS})$/]):matches([arguments.0.property.name=${STYLE}], [arguments.0.name=${STYLE}])`,
  `SwitchStatement:matches([discriminant.property.name=${STYLE}], [discriminant.name=${STYLE}]):has(> SwitchCase > Literal[value=/^(${STYLE_IDS})$/])`,
].map((selector) => ({ selector, message: 'A style is data: ask it for a trait, and give it one in the table.' }))

/** The date of the device. */
const DATE_CALLS = [
  { selector: 'MemberExpression[object.name="Date"][property.name="now"]', message: 'Now comes from the one clock.' },
  { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Now comes from the one clock.' },
  { selector: 'CallExpression[callee.name="dayjs"][arguments.length=0]', message: 'Now comes from the one clock.' },
]
/** Sentences are for people: what is decided is decided by codes. */
const SAID = '/^(title|why|sentence|words)$/'
const SENTENCES = [
  `BinaryExpression[operator=/^[!=]==?$/]:matches([left.property.name=${SAID}], [right.property.name=${SAID}]):has(> Literal)`,
  `CallExpression[callee.object.property.name=${SAID}][callee.property.name=/^(startsWith|endsWith|includes|match|search|indexOf)$/]`,
  'BinaryExpression[operator=/^[!=]==?$/][left.property.name="name"][right.value=/^[A-Z]/]',
].map((selector) => ({ selector, message: 'Nothing is decided on words: compare a code or an id.' }))
/** Core is told the time and the chance. */
const CHANCE = [
  {
    selector: 'MemberExpression[object.name="Math"][property.name="random"]',
    message: 'Core has no randomness of its own: take a generator.',
  },
]
const syntax = (...rules) => ({ 'no-restricted-syntax': ['error', ...rules] })

/** Through these the first page would load what it does not show, or schemas before they are set. */
const DOORS = [
  { regex: '^element-plus$', message: 'Take it from its own module: the index brings boxes and dialogs along.' },
  { regex: '^zod$', message: 'Schemas come from @lactofer/core, where the library is set first.' },
]

/** What a room may import: everything else crosses a wall. */
const only = (allowed) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        { regex: `^(?!(${allowed})).+`, message: 'This import crosses a wall of the house; see docs/architecture.md.' },
      ],
    },
  ],
})

export default withNuxt(
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
    },
  },
  // Asks for types, which most of the time goes into: of such rules the only one that ever caught something (three
  // times), and where it did.
  {
    files: ['core/src/**/*.ts'],
    languageOptions: { parserOptions: { project: './core/tsconfig.json' } },
    rules: { '@typescript-eslint/no-unnecessary-condition': 'error' },
  },
  // Arrows point one way: pages → stores → db, workers → core; the server knows core only.
  {
    files: ['core/src/**'],
    rules: {
      ...only('\\.{1,2}/|ulid$|pure-rand/|cdigit$|crc-32$'),
      ...syntax(...DATE_CALLS, ...CHANCE, ...COMPARED, ...SENTENCES),
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'localStorage'],
    },
  },
  { files: ['core/src/schema.ts'], rules: only('zod$') },
  { files: ['core/src/library/**'], rules: syntax(...DATE_CALLS, ...CHANCE, ...SENTENCES) },
  {
    files: ['server/**'],
    rules: {
      ...only('\\.{1,2}/|@lactofer/core$|zod$|h3$|unstorage(/|$)|node:(net|crypto)$'),
      ...syntax(...DATE_CALLS),
    },
  },
  { files: ['demo/**'], rules: { ...only('\\./|@lactofer/core$|pure-rand/'), ...syntax(...DATE_CALLS) } },
  {
    files: ['app/**'],
    rules: {
      ...syntax(...DATE_CALLS, ...COMPARED, ...SENTENCES),
      'vue/no-restricted-syntax': ['error', ...DATE_CALLS, ...COMPARED, ...SENTENCES],
      'no-restricted-imports': [
        'error',
        {
          patterns: [...DOORS, { group: ['dayjs'], message: 'Dates in words and fields go through ~/clock/moments.' }],
        },
      ],
    },
  },
  {
    files: ['app/composables/**', 'app/stores/**', 'app/forms/**', 'app/words/**', 'app/instruments/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...DOORS,
            { group: ['dayjs'], message: 'Dates in words and fields go through ~/clock/moments.' },
            {
              group: ['~/components/*', '~/pages/*'],
              message: 'What is seen knows behaviour; never the other way round.',
            },
          ],
        },
      ],
    },
  },
  { files: ['app/clock/moments.ts'], rules: { 'no-restricted-imports': 'off' } },
  { files: ['app/clock/clock.ts', 'server/clock.ts'], rules: { 'no-restricted-syntax': 'off' } },
  {
    files: ['app/pages/**', 'app/components/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...DOORS,
            {
              group: ['dexie', 'comlink', 'dayjs', '#demo/*', '~/db/*', '~/workers/*'],
              message: 'Pages know stores and composables, not the database, workers, dates or the demo.',
            },
          ],
        },
      ],
    },
  },
  { files: ['scripts/**', 'benchmarks/**'], rules: { 'no-console': 'off' } },
  unformatted,
  { files: ['app/**', 'core/src/**', 'server/**', 'demo/**'], rules: { 'max-lines-per-function': ['error', 60] } },
  { files: ['**/*.vue'], rules: { 'max-lines': ['error', 260] } },
  {
    rules: {
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreUrls: true, ignoreRegExpLiterals: true },
      ],
    },
  },
)
