import { readFileSync, writeFileSync } from 'node:fs'
import { kindTable, openFileSchema } from '../core/src/files/fileSchema'

/* Writes what docs/ says of the open file from the kinds of entry themselves. */

const PAGE = 'docs/file-format.md'
const SCHEMA = 'docs/open-file.schema.json'
const MARKS = ['<!-- kinds: written by npm run generate -->', '<!-- end of kinds -->'] as const

/** The page with the table of kinds as it is now. @throws where the marks are gone. */
export function withTable(page: string): string {
  const [before, rest] = page.split(MARKS[0])
  const after = rest?.split(MARKS[1])[1]
  if (before === undefined || after === undefined) throw new Error(`${PAGE} has lost its marks.`)
  return `${before}${MARKS[0]}\n\n${kindTable()}\n\n${MARKS[1]}${after}`
}

/** What the files hold, and what they should. */
export const documents = () => [
  { path: PAGE, is: readFileSync(PAGE, 'utf8'), should: withTable(readFileSync(PAGE, 'utf8')) },
  {
    path: SCHEMA,
    is: readFileSync(SCHEMA, { encoding: 'utf8', flag: 'a+' }),
    should: `${JSON.stringify(openFileSchema(), null, 1)}\n`,
  },
]

if (process.argv.includes('--write')) for (const { path, should } of documents()) writeFileSync(path, should)
