import { z } from '@lactofer/core'

const WorkshopSchema = z.object({ address: z.string(), first: z.string(), fingerprint: z.string() })
const NONE = { address: '', first: '', fingerprint: '' }

/**
 * Where other devices find this server, where one comes first, and what tells its certificate: all empty where it was
 * not opened as a workshop, or does not answer.
 */
export async function askWorkshop(): Promise<z.infer<typeof WorkshopSchema>> {
  const told: unknown = await fetch('/api/workshop')
    .then((answer) => answer.json())
    .catch(() => null)
  return WorkshopSchema.safeParse(told).data ?? NONE
}
