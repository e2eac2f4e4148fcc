type Tone = 'success' | 'info' | 'error'

/** From its own module, and fetched when something is said: the first page goes without. */
const messages = () => import('element-plus/es/components/message/index.mjs')

/** Fetches what says things, once the page stands: by then it is never waited for. */
export const fetchSayer = (): void => void messages().catch(() => undefined)

const tell = (tone: Tone) => (words: string) =>
  void messages()
    .then((library) => library.ElMessage[tone](words))
    // Away from the server before it was fetched: plainly, then.
    .catch(() => alert(words))

/** Says something in passing: what was done, what is to be known, what went wrong. */
export const say = { done: tell('success'), info: tell('info'), problem: tell('error') }
