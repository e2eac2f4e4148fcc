// Writes core/src/log/kinds/index.ts from the files beside it: a new kind of entry is a new file, and no list has to
// be told of it.
import { readdirSync, writeFileSync } from 'node:fs'

const FOLDER = 'core/src/log/kinds'

/** What the index has to say, for the kinds named. */
export function indexOf(kinds) {
  const lines = (line) => kinds.map(line).join('\n')
  return `// Written by \`npm run generate\` from the files of this folder; not to be edited.
${lines((kind) => `import ${kind} from './${kind}'`)}

${lines((kind) => `export * from './${kind}'`)}

/** All there is to know of each kind of entry, by its name. */
export const KINDS = {
${lines((kind) => `  ${kind},`)}
} as const

/** Their schemas, one for each kind. */
export const SCHEMAS = [
${lines((kind) => `  ${kind}.schema,`)}
] as const
`
}

/** The kinds as their files name them, in order. */
export const kindsOf = () =>
  readdirSync(FOLDER)
    .filter((file) => file !== 'index.ts')
    .map((file) => file.replace('.ts', ''))
    .sort()

if (process.argv[1]?.endsWith('kinds.mjs')) writeFileSync(`${FOLDER}/index.ts`, indexOf(kindsOf()))
