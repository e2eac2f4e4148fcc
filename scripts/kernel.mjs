// Compiles core/kernel to WebAssembly and writes it as modules: the loop of the forecast and the charge balance.
// `--check` only tells whether what is there is of the source that is there.
import { readFile, writeFile } from 'node:fs/promises'
import asc from 'assemblyscript/asc'

const MODULES = [
  { source: 'core/kernel/ferment.ts', out: 'core/src/ferment/kernelWasm.ts', tells: 'The loop of the forecast' },
  { source: 'core/kernel/balance.ts', out: 'core/src/acid/kernelWasm.ts', tells: 'The charge balance' },
]
const HOW = [
  '-O3',
  '--enable',
  'simd',
  '--runtime',
  'stub',
  '--noAssert',
  '--initialMemory',
  '4',
  '-o',
  'compiled.wasm',
]

for (const { source, out, tells } of MODULES) {
  const files = new Map()
  const { error, stderr } = await asc.main([source, ...HOW], {
    writeFile: (name, contents) => files.set(name, contents),
  })
  if (error) throw new Error(stderr.toString())
  const text = `// Written by \`npm run generate\` from core/kernel; not to be edited.
/** ${tells}, compiled. */
export const WASM =
  '${Buffer.from(files.get('compiled.wasm')).toString('base64')}'
`
  if (!process.argv.includes('--check')) await writeFile(out, text)
  else if ((await readFile(out, 'utf8')) !== text)
    throw new Error(`${out} is not of core/kernel: run npm run generate.`)
}
