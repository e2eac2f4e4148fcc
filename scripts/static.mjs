// Makes a folder of plain files of the build, that any web space can serve: npm run build:static [folder].
// The page that the server would give is asked for once; its scripts are named by their hashes, since plain files have
// no nonce. Every page of its own address gets a copy, so that it opens there without a server that knows them.
import { createHash } from 'node:crypto'
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { startServer } from './killable.mjs'

const PORT = 4198

/** Addresses of pages, from their files: those that belong to one lot are left to the fallback. */
const addresses = () =>
  readdirSync('app/pages', { recursive: true })
    .filter((path) => path.endsWith('.vue') && !path.includes('['))
    .map((path) => path.replace(/\.vue$/, '').replace(/(^|\/)index$/, ''))
    .filter(Boolean)

/** The page with a policy of its own: what a header says elsewhere, and the hashes of the scripts that stand in it. */
function withPolicy(html, header) {
  const plain = html.replace(/ nonce="[^"]*"/g, '')
  const scripts = [...plain.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(
    ([, text]) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`,
  )
  const policy = header
    .replace(/'nonce-[^']*'/, scripts.join(' '))
    // A page cannot say of itself who may frame it.
    .replace(/frame-ancestors[^;]*;\s*/, '')
  return plain.replace('<head>', `<head><meta http-equiv="Content-Security-Policy" content="${policy}">`)
}

/** Writes the plain files to a folder. */
export async function makeStatic(folder) {
  rmSync(folder, { recursive: true, force: true })
  cpSync('.output/public', folder, { recursive: true })
  const server = await startServer(PORT)
  const answer = await fetch(`http://127.0.0.1:${PORT}/`)
  const page = withPolicy(await answer.text(), answer.headers.get('content-security-policy'))
  await server.stop()
  const write = (path) => {
    mkdirSync(dirname(join(folder, path)), { recursive: true })
    writeFileSync(join(folder, path), page)
  }
  for (const path of ['index.html', '404.html', ...addresses().map((address) => `${address}/index.html`)]) write(path)
  return folder
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  if (!existsSync('.output/public')) throw new Error('Run `npm run build` first.')
  const folder = process.argv[2] ?? '.output/static'
  await makeStatic(folder)
  console.log(
    `${readdirSync(folder, { recursive: true }).length} files in ${folder}; ${readFileSync(join(folder, 'index.html')).length} bytes the page.`,
  )
  process.exit(0)
}
