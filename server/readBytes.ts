import type { H3Event } from 'h3'
import type { Refusal } from './guard'

/** The body of a request, or why it is not taken: another type of content (which any site may send), or too long. */
export async function readBytes(
  event: H3Event,
  type: string,
  most: number,
): Promise<{ bytes: Buffer } | { refusal: Refusal }> {
  const sent = getRequestHeader(event, 'content-type')?.split(';')[0]?.trim().toLowerCase()
  if (sent !== type) return { refusal: { status: 415, message: `What is sent here comes as ${type} only.` } }
  const tooLong: Refusal = { status: 413, message: `What is sent here has at most ${most} bytes.` }
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > most) return { refusal: tooLong }
  const pieces: Buffer[] = []
  let size = 0
  for await (const piece of event.node.req as AsyncIterable<Buffer>) {
    size += piece.length
    if (size > most) return { refusal: tooLong }
    pieces.push(piece)
  }
  return { bytes: Buffer.concat(pieces) }
}
