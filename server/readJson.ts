import type { H3Event } from 'h3'
import { InvalidInput, parseJson } from '@lactofer/core'
import type { Refusal } from './guard'
import { readBytes } from './readBytes'

/** No command is longer, bytes, or lies deeper. */
const LONGEST = 10_000
const DEEPEST = 6

/** The JSON of a request, or why it is not taken: see {@link readBytes}; or too deep. */
export async function readJson(event: H3Event): Promise<{ json: unknown } | { refusal: Refusal }> {
  const read = await readBytes(event, 'application/json', LONGEST)
  if ('refusal' in read) return read
  try {
    return { json: parseJson(read.bytes.toString('utf8'), DEEPEST) }
  } catch (error) {
    if (error instanceof InvalidInput) return { refusal: { status: 400, message: error.message } }
    throw error
  }
}
