import { refuse } from '../refuse'

/** Whatever else is asked for here is not there. */
export default defineEventHandler((event) =>
  refuse(event, { status: 404, message: 'There is nothing at this address.' }),
)
