import { FILE_VERSION, InvalidInput, receive } from '@lactofer/core'
import {
  pictureFile,
  readPictureFile,
  readWitness,
  witnessHead,
  witnessLine,
  type Witnessed,
} from '@lactofer/core/witness'
import type { Device, OwnLog } from './exchange'

/*
 * A folder that something carries from device to device: each writes one file of its own and reads the others', so two
 * never write the same one. Its lines are those of the second copy; what is torn or damaged is passed over and read
 * again when it has changed.
 */

/** What the first line of such a file names. */
const NAMED = 'link'
const ENDING = '.log'
const LINE_END = '\n'.charCodeAt(0)
const PICTURES = 'pictures'
/** So many pictures go one way in one exchange: entries do not wait for them. */
const PICTURES_AT_ONCE = 20

/** The file a device writes: its name to people, and what tells it from one of the same name. */
export const fileOf = ({ id, name }: Device): string =>
  `lactofer ${name.replaceAll(/[^\p{L}\p{N} -]/gu, '').trim() || 'device'} ${id.slice(0, 8)}${ENDING}`
const nameOf = (file: string): string => /^lactofer (.+) \S+\.log$/.exec(file)?.[1] ?? file

/** What a file held when it was last read. */
interface FileRead {
  stamp: string
  ids: ReadonlySet<string>
  /** Bytes up to the end of the last whole line. */
  wholeBytes: number
  damaged: number
}

/** What an exchange through a folder came to. */
export interface FolderExchanged {
  came: number
  left: number
  more: boolean
  /** Files with lines that cannot be read: torn, damaged, or said otherwise than here. */
  damaged: { file: string; why: string }[]
}

/** What this device shares through a folder. */
export class FolderShare {
  private readonly read = new Map<string, FileRead>()
  private readonly refused = new Map<string, string>()
  private readonly own: string

  /** @param tellCame is told what was new of another's file. */
  constructor(
    private readonly folder: FileSystemDirectoryHandle,
    private readonly log: OwnLog,
    device: Device,
    private readonly tellCame: (from: string, ids: string[]) => Promise<void>,
  ) {
    this.own = fileOf(device)
  }

  /** One exchange: the others' files, then one's own, then some pictures. @throws what the folder throws. */
  async exchange(): Promise<FolderExchanged> {
    const found = await this.files()
    for (const name of this.read.keys()) if (!found.has(name)) this.read.delete(name)
    let came = 0
    for (const [name, file] of found) {
      const said = await this.lines(name, file)
      if (!said || name === this.own) continue
      try {
        came += await this.takeIn(name, said)
      } catch (error) {
        if (!(error instanceof InvalidInput)) throw error
        this.refused.set(name, error.message)
      }
    }
    const left = await this.leave()
    const more = await this.passPictures()
    const damaged = [...this.read].flatMap(([file, { damaged }]) => {
      const why = this.refused.get(file) ?? (damaged ? `${damaged} of its lines cannot be read.` : null)
      return why === null ? [] : [{ file, why }]
    })
    return { came, left, more, damaged }
  }

  private async files(): Promise<Map<string, File>> {
    const found = new Map<string, File>()
    for await (const [name, handle] of this.folder.entries())
      if (handle.kind === 'file' && name.endsWith(ENDING)) found.set(name, await handle.getFile())
    return found
  }
  /** Reads a file where it changed. @returns its lines; `null` where it stands as it was read, or is none of ours. */
  private async lines(name: string, file: File): Promise<Witnessed[] | null> {
    const stamp = `${file.size} ${file.lastModified}`
    if (this.read.get(name)?.stamp === stamp) return null
    const bytes = new Uint8Array(await file.arrayBuffer())
    const witness = readWitness(new TextDecoder().decode(bytes), NAMED)
    this.read.set(name, {
      ...{ stamp, ids: new Set(witness?.lines.map(({ id }) => id)), damaged: witness?.damaged ?? 0 },
      wholeBytes: witness ? bytes.lastIndexOf(LINE_END) + 1 : 0,
    })
    return witness?.lines ?? null
  }
  /** Merges what a file says and is not here, or is said more fully there. */
  private async takeIn(name: string, said: readonly Witnessed[]): Promise<number> {
    const here = await this.log.entries()
    const known = new Map<string, unknown>(here.entries.map((entry) => [entry.id, entry]))
    for (const { id, entry } of here.newer) known.set(id, entry)
    const saysMore = ({ id, entry }: Witnessed) =>
      !known.has(id) || JSON.stringify(entry).length > JSON.stringify(known.get(id)).length
    const found = said.filter(saysMore).map(({ entry, version }) => receive(entry, version))
    const entries = found.flatMap((one) => ('entry' in one && one.entry.origin === 'maker' ? [one.entry] : []))
    const newer = found.flatMap((one) => ('newer' in one ? [one.newer] : []))
    this.refused.delete(name)
    if (found.some((one) => 'problem' in one)) this.refused.set(name, 'Some of its lines are no entries.')
    if (!entries.length && !newer.length) return 0
    const came = await this.log.merge({ version: FILE_VERSION, entries, newer })
    if (came.length) await this.tellCame(nameOf(name), came)
    return came.length
  }
  /** Writes down in this device's own file what stands in none. @returns how much that was. */
  private async leave(): Promise<number> {
    const { entries, newer } = await this.log.entries()
    const there = new Set([...this.read.values()].flatMap(({ ids }) => [...ids]))
    const said = [
      ...entries
        .filter(({ id, origin }) => origin === 'maker' && !there.has(id))
        .map((entry) => witnessLine(entry, FILE_VERSION)),
      ...newer.filter(({ id }) => !there.has(id)).map(({ entry, version }) => witnessLine(entry, version)),
    ]
    if (said.length) await this.append(said.join(''))
    return said.length
  }
  /** Appends lines to this device's own file; what was torn there is cut off first. */
  private async append(lines: string): Promise<void> {
    const handle = await this.folder.getFileHandle(this.own, { create: true })
    const position = this.read.get(this.own)?.wholeBytes ?? 0
    const out = await handle.createWritable({ keepExistingData: true })
    await out.truncate(position)
    await out.write({ type: 'write', position, data: `${position ? '' : witnessHead(NAMED)}${lines}` })
    await out.close()
  }
  /** Pictures go over in files that tell their length, so that a torn one is known. @returns whether more are to go. */
  private async passPictures(): Promise<boolean> {
    const place = await this.folder.getDirectoryHandle(PICTURES, { create: true })
    const there = new Map<string, File>()
    for await (const [name, handle] of place.entries()) {
      const told = readPictureFile(name)
      if (!told || handle.kind !== 'file') continue
      const file = await handle.getFile()
      if (file.size === told.bytes) there.set(told.id, file)
    }
    const here = new Set(await this.log.pictures())
    const come = [...there].filter(([id]) => !here.has(id))
    for (const [id, file] of come.slice(0, PICTURES_AT_ONCE)) {
      const type = readPictureFile(file.name)?.type ?? ''
      await this.log.keepPicture({ id, type, bytes: new Uint8Array(await file.arrayBuffer()) })
    }
    const go = [...here].filter((id) => !there.has(id))
    for (const id of go.slice(0, PICTURES_AT_ONCE)) {
      const picture = await this.log.picture(id)
      if (!picture) continue
      const name = pictureFile(id, picture.bytes.length, picture.type)
      const out = await (await place.getFileHandle(name, { create: true })).createWritable()
      await out.write(picture.bytes)
      await out.close()
    }
    return Math.max(come.length, go.length) > PICTURES_AT_ONCE
  }
}
