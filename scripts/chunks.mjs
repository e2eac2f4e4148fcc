// A plugin of the build that writes down what each chunk is made of, when `CHUNKS` names a file for it.
import { writeFile } from 'node:fs/promises'
import { relative } from 'node:path'

/** Modules of each chunk with their size in bytes, as they stand in it; where it starts and what it loads at once. */
export const listChunks = (file) => ({
  name: 'list-chunks',
  async generateBundle(_, bundle) {
    const chunks = Object.values(bundle).filter(({ type }) => type === 'chunk')
    if (!chunks.some(({ isEntry, fileName }) => isEntry && fileName.startsWith('_nuxt'))) return
    const told = chunks.map(({ fileName, isEntry, imports, modules }) => ({
      ...{ fileName, isEntry, imports },
      modules: Object.entries(modules).map(([id, { code }]) => [
        relative(process.cwd(), id),
        code ?? '',
        this.getModuleInfo(id)?.importers.map((one) => relative(process.cwd(), one)) ?? [],
      ]),
    }))
    await writeFile(file, JSON.stringify(told))
  },
})
