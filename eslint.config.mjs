import importX from 'eslint-plugin-import-x'
import withNuxt from './.nuxt/eslint.config.mjs'

/** Names that would tie core to a browser, a framework or a clock. */
const IMPURE = [
  {
    selector: 'MemberExpression[object.name="Date"][property.name="now"]',
    message: 'Core has no clock: take the time as an argument.',
  },
  {
    selector: 'MemberExpression[object.name="Math"][property.name="random"]',
    message: 'Core has no randomness of its own: take a generator.',
  },
  {
    selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
    message: 'Core has no clock: take the time as an argument.',
  },
]
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
    plugins: { 'import-x': importX },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/require-default-prop': 'off',
      'import-x/no-cycle': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
    },
  },
  // Arrows point one way: pages → stores → db, workers → core; the server knows core only.
  {
    files: ['core/src/**'],
    rules: {
      ...only('\\.{1,2}/|zod$|ulid$|pure-rand/|cdigit$'),
      'no-restricted-syntax': ['error', ...IMPURE],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'localStorage'],
    },
  },
  { files: ['server/**'], rules: only('\\.{1,2}/|@lactofer/core$|pure-rand/|zod$') },
  { files: ['demo/**'], rules: only('\\./|@lactofer/core$|pure-rand/') },
  {
    files: ['app/pages/**', 'app/components/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['dexie', 'comlink', '#demo/*', '~/db/*'],
              message: 'Pages know stores and composables, not the database, workers or the demo.',
            },
          ],
        },
      ],
    },
  },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
)
