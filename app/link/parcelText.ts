import { z } from '@lactofer/core'

/*
 * What lies in a parcel: who left it and when, and a log file of some entries, or one picture. Made small before it is
 * sealed: afterwards nothing can be.
 */

const HeadSchema = z.object({
  /** The device that left it, and what it is called. */
  device: z.string().min(1).max(40),
  name: z.string().max(60),
  atMs: z.number(),
  /** A log file as text; or a picture, whose bytes follow. */
  file: z.string().optional(),
  picture: z.object({ id: z.string().max(40), type: z.string().max(40) }).optional(),
})
export type ParcelHead = z.infer<typeof HeadSchema>

type Bytes = Uint8Array<ArrayBuffer>
const through = async (bytes: Bytes, stream: CompressionStream | DecompressionStream): Promise<Bytes> =>
  new Uint8Array(await new Response(new Blob([bytes]).stream().pipeThrough(stream)).arrayBuffer())

/** A parcel's content as bytes: how long its head is, the head, what follows. */
export async function packed(head: ParcelHead, picture?: Bytes): Promise<Bytes> {
  const said = await through(new TextEncoder().encode(JSON.stringify(head)), new CompressionStream('gzip'))
  const all = new Uint8Array(4 + said.length + (picture?.length ?? 0))
  new DataView(all.buffer).setUint32(0, said.length)
  all.set(said, 4)
  if (picture) all.set(picture, 4 + said.length)
  return all
}

/** Reads what {@link packed} made. @throws an error when it is nothing of the kind. */
export async function unpacked(bytes: Bytes): Promise<{ head: ParcelHead; picture: Bytes | null }> {
  const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(0)
  const said = await through(bytes.slice(4, 4 + length), new DecompressionStream('gzip'))
  const head = HeadSchema.parse(JSON.parse(new TextDecoder().decode(said)))
  return { head, picture: head.picture ? bytes.slice(4 + length) : null }
}
