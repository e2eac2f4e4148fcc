import type { H3Event } from 'h3'
import { InvalidInput, parseJson } from '@lactofer/core'
import type { Refusal } from './guard'

/** No command is longer, bytes, or lies deeper. */
const LONGEST = 10_000
const DEEPEST = 6

/**
 * The JSON of a request, or why it is not taken: another type of content (which any site may send), too long, too
 * deep.
 */
export async function readJson(event: H3Event): Promise<{ json: unknown } | { refusal: Refusal }> {
  const type = getRequestHeader(event, 'content-type')?.split(';')[0]?.trim().toLowerCase()
  if (type !== 'application/json')
    return { refusal: { status: 415, message: 'Commands come as application/json only.' } }
  const tooLong: Refusal = { status: 413, message: `A command has at most ${LONGEST} bytes.` }
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > LONGEST) return { refusal: tooLong }
  const pieces: Buffer[] = []
  let size = 0
  for await (const piece of event.node.req as AsyncIterable<Buffer>) {
    size += piece.length
    if (size > LONGEST) return { refusal: tooLong }
    pieces.push(piece)
  }
  try {
    return { json: parseJson(Buffer.concat(pieces).toString('utf8'), DEEPEST) }
  } catch (error) {
    if (error instanceof InvalidInput) return { refusal: { status: 400, message: error.message } }
    throw error
  }
}
