import { answer } from '../answer'

/** Where the devices of a workshop find it, and what tells its certificate: empty where it was not opened as one. */
export default answer('GET', () => {
  const { address, first, fingerprint } = useRuntimeConfig().workshop
  return { address, first, fingerprint }
})
