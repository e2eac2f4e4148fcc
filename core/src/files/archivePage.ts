import type { Book } from '../lots/fold'
import { entryWords, photosOf } from '../log/entry'
import type { Lot } from '../log/lot'
import type { UnitWorld } from '../units/quantity'

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
}
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign] ?? sign)

const STYLE = `body{font:16px/1.5 system-ui,sans-serif;margin:2rem auto;max-width:60rem;padding:0 1rem;color:#1c2b27;background:#fbfaf6}
h1{margin:0}h2{margin:2rem 0 .5rem}table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:.3rem .8rem .3rem 0;border-bottom:1px solid #d8d5cb}
td:first-child{white-space:nowrap}summary{cursor:pointer;font-weight:600;padding:.4rem 0}img{max-width:16rem;max-height:12rem;margin:.3rem .5rem .3rem 0}.dot{display:inline-block;width:.8em;height:.8em;border-radius:50%;margin-right:.4em}`

/** An archive's page, in parts: every lot with all that was logged of it, to be read in any browser. */
export interface PageOptions {
  writtenAt: string
  world: UnitWorld
  /** Where a picture lies, by its id; `undefined` where it is not in the archive. */
  picture: (id: string) => string | undefined
}

function* lotParts(lot: Lot, { world, picture }: PageOptions): Generator<string> {
  yield `<details id="${lot.id}"><summary><span class="dot" style="background:${escaped(lot.color)}"></span>${escaped(lot.code)} ${escaped(lot.name)} <small>(${lot.kind}, ${lot.state})</small></summary>\n<table>\n`
  for (const entry of lot.entries) {
    const pictures = photosOf(entry)
      .map(picture)
      .filter((path) => path !== undefined)
      .map((path) => `<img src="${escaped(path)}" alt="" loading="lazy">`)
    yield `<tr><td>${escaped(entry.at.slice(0, 16).replace('T', ' '))}</td><td>${escaped(entry.by)}</td><td>${escaped(entryWords(entry, world))}${pictures.length ? `<br>${pictures.join('')}` : ''}</td></tr>\n`
  }
  yield '</table></details>\n'
}

/** The page `index.html` of an archive. Times are UTC. */
export function* archivePage(book: Book, options: PageOptions): Generator<string> {
  const lots = [...book.lots.values()].sort((a, b) => b.startedMs - a.startedMs)
  yield `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Log of ${escaped(options.writtenAt.slice(0, 10))}</title><style>${STYLE}</style>\n`
  yield `<h1>The log as it stood</h1><p>Written ${escaped(options.writtenAt.slice(0, 16).replace('T', ' '))} UTC by Lactofer. ${book.effective.length} entries count, ${lots.length} lots, newest first. Times are UTC.</p>\n`
  for (const lot of lots) yield* lotParts(lot, options)
  if (book.meterChecks.length) {
    yield '<h2>Meters</h2><table>\n'
    for (const entry of book.meterChecks)
      yield `<tr><td>${escaped(entry.at.slice(0, 16).replace('T', ' '))}</td><td>${escaped(entry.by)}</td><td>${escaped(entryWords(entry, options.world))}</td></tr>\n`
    yield '</table>\n'
  }
}
