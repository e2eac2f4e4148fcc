// Compiles the loop of the forecast (core/kernel) to WebAssembly and writes it as a module; `--check` only tells
// whether what is there is of the source that is there.
import { readFile, writeFile } from 'node:fs/promises'
import asc from 'assemblyscript/asc'

const OUT = 'core/src/ferment/kernelWasm.ts'
const files = new Map()
const { error, stderr } = await asc.main(
  [
    'core/kernel/ferment.ts',
    '-O3',
    '--enable',
    'simd',
    '--runtime',
    'stub',
    '--noAssert',
    '--initialMemory',
    '4',
    '-o',
    'ferment.wasm',
  ],
  { writeFile: (name, contents) => files.set(name, contents) },
)
if (error) throw new Error(stderr.toString())
const base64 = Buffer.from(files.get('ferment.wasm')).toString('base64')
const text = `// Written by \`npm run generate\` from core/kernel; not to be edited.
/** The loop of the forecast, compiled. */
export const WASM =
  '${base64}'
`
if (process.argv.includes('--check')) {
  if ((await readFile(OUT, 'utf8')) !== text) throw new Error(`${OUT} is not of core/kernel: run npm run generate.`)
} else await writeFile(OUT, text)
