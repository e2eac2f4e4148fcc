import crc32 from 'crc-32'

/*
 * The second copy's lines. A file begins with a line that names the database it witnesses; every other line is one
 * entry with its checksum. Lines are only ever appended, so that a process that dies leaves at most the last one torn.
 * The worker that writes them needs nothing else of core.
 */

/** Types of pictures that are kept, and how their files end. */
export const PICTURE_ENDINGS = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'image/svg+xml': 'svg',
} as const
export type PictureType = keyof typeof PICTURE_ENDINGS

const PICTURE = /^(.+)\.(\d+)\.(jpg|png|webp|svg)$/
/** A picture's file: its name tells how many bytes it has, so that a torn one is known. */
export const pictureFile = (id: string, bytes: number, type: string): string =>
  `${id}.${bytes}.${(PICTURE_ENDINGS as Readonly<Record<string, string>>)[type] ?? 'jpg'}`

/** What the name of a picture's file tells; `null` where it is no such name. */
export function readPictureFile(name: string): { id: string; bytes: number; type: string } | null {
  const [, id, bytes, ending] = PICTURE.exec(name) ?? []
  const type = Object.entries(PICTURE_ENDINGS).find(([, one]) => one === ending)?.[0]
  return id && type ? { id, bytes: Number(bytes), type } : null
}

/** An entry as it goes into a line: its id, the version of the file format it needs, and the entry itself. */
export interface Witnessed {
  id: string
  version: number
  entry: unknown
}

/** What a file holds. `torn` is a last line that was not finished; `damaged` lines fail their checksum. */
export interface WitnessFile {
  lines: Witnessed[]
  torn: boolean
  damaged: number
}

const HEAD = 'lactofer-witness 1 '
/** CRC-32 as eight hexadecimal digits. */
const checksum = (text: string): string => (crc32.str(text) >>> 0).toString(16).padStart(8, '0')

/** The first line of a file that witnesses a database. */
export const witnessHead = (database: string): string => `${HEAD}${database}\n`

/** An entry's line: checksum, version of the open file it needs, JSON. */
export function witnessLine(entry: object, version: number): string {
  const said = `${version} ${JSON.stringify(entry)}`
  return `${checksum(said)} ${said}\n`
}

/** A line's entry, or `null` where it is not as it was written. */
function readLine(line: string): Witnessed | null {
  const said = line.slice(9)
  if (line[8] !== ' ' || checksum(said) !== line.slice(0, 8)) return null
  const gap = said.indexOf(' ')
  const version = Number(said.slice(0, gap))
  try {
    const entry = JSON.parse(said.slice(gap + 1)) as { id?: unknown } | null
    return Number.isInteger(version) && typeof entry?.id === 'string' ? { id: entry.id, version, entry } : null
  } catch {
    return null
  }
}

/** Reads a file. `null` where it witnesses another database, or is no such file. */
export function readWitness(text: string, database: string): WitnessFile | null {
  if (!text.startsWith(witnessHead(database))) return null
  const rows = text.slice(witnessHead(database).length).split('\n')
  // What stands after the last end of line was not finished.
  const torn = rows.pop() !== ''
  const lines = rows.map(readLine)
  return {
    lines: lines.filter((line) => line !== null),
    torn,
    damaged: lines.filter((line) => line === null).length,
  }
}

/** A text with its checksum before it: a form that was begun. */
export const sealed = (text: string): string => `${checksum(text)} ${text}`

/** The text behind a checksum, or `null` where it is not as it was written. */
export function unsealed(said: string): string | null {
  const text = said.slice(9)
  return said[8] === ' ' && checksum(text) === said.slice(0, 8) ? text : null
}
