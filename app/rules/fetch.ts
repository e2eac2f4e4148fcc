/** A part of the application could not be fetched; `problemOf` knows it by its name. */
class PartMissingError extends Error {
  override name = 'PartMissingError'
}

/**
 * Fetches the rules; once here they stay. Workers and the database ask here, pages where it is followed (`rules`).
 * @throws PartMissingError where they cannot be fetched; the next call tries again.
 */
export async function fetchAll(): Promise<typeof import('./all')> {
  try {
    return await import('./all')
  } catch (cause) {
    throw new PartMissingError('The rules could not be fetched.', { cause })
  }
}
