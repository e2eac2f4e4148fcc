import { STAGES } from './stages'

/**
 * A key and what it does. `go` opens a page, `focus` goes to the first field found, `press` presses what is found,
 * `help` shows this table; without one the page at hand handles the key itself.
 */
export interface KeyBinding {
  /** As it is pressed: `KeyboardEvent.key`. */
  keys: readonly string[]
  /** As the help writes it. */
  sign: string
  what: string
  go?: (key: string) => string | undefined
  focus?: string
  press?: string
  help?: true
}

/** All keys, in the order of the help. Help and handler read the same table. */
export const KEY_BINDINGS: readonly KeyBinding[] = [
  {
    keys: STAGES.map((_, index) => String(index + 1)),
    sign: `1 – ${STAGES.length}`,
    what: 'the stages, Today to Cellar',
    go: (key) => STAGES[Number(key) - 1]?.to,
  },
  { keys: ['n'], sign: 'n', what: 'new batch', go: () => '/plan' },
  { keys: ['r'], sign: 'r', what: 'on a lot’s page: read pH and temperature', focus: 'form[aria-label=Reading] input' },
  { keys: ['/'], sign: '/', what: 'find a lot', press: '[data-find]' },
  { keys: [' '], sign: 'Space', what: 'in an empty number field: take the instrument’s reading' },
  { keys: ['Enter'], sign: 'Enter', what: 'at the scale: take the weight' },
  { keys: ['t', 's'], sign: 't, s', what: 'at the scale: tare, leave it out' },
  { keys: ['?'], sign: '?', what: 'this help', help: true },
]
