// The plainest web space there is: files of a folder, a folder's index, a page for what is not there.
import { createServer } from 'node:http'
import { existsSync, readFileSync, statSync } from 'node:fs'
import { extname, join, normalize } from 'node:path'

const TYPES = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.wasm': 'application/wasm',
  '.woff2': 'font/woff2',
  '.ttf': 'font/ttf',
  '.json': 'application/json',
  '.webmanifest': 'application/manifest+json',
}

/** Serves a folder; answers with how to stop. */
export async function servePlain(folder, port) {
  const server = createServer((request, response) => {
    const path = normalize(decodeURIComponent(new URL(request.url, 'http://localhost').pathname))
    const file = [join(folder, path), join(folder, path, 'index.html')].find(
      (one) => existsSync(one) && statSync(one).isFile(),
    )
    const given = file ?? join(folder, '404.html')
    response.writeHead(file ? 200 : 404, { 'content-type': TYPES[extname(given)] ?? 'application/octet-stream' })
    response.end(readFileSync(given))
  })
  await new Promise((resolve) => server.listen(port, '127.0.0.1', resolve))
  return () =>
    new Promise((resolve) => {
      server.close(resolve)
      server.closeAllConnections()
    })
}
