import type { H3Event } from 'h3'
import type { Refusal } from './guard'

/** Answers a request with a refusal, in JSON. */
export function refuse(
  event: H3Event,
  { status, message }: Refusal,
): { error: true; statusCode: number; message: string } {
  setResponseStatus(event, status)
  return { error: true, statusCode: status, message }
}
