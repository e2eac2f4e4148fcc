import { z } from '../../schema'
import { CLOSURE_NAMES, VESSEL_SHAPES } from '../../library/vessels'
import { base, massG, name } from '../entryParts'
import type { Kind } from '../kind'

/** A vessel the maker owns, so many of it; none left means it is used no more. */
export const VesselEntry = z.object({
  ...base,
  kind: z.literal('vessel'),
  vesselId: z.string().min(1).max(60),
  name,
  shape: z.enum(VESSEL_SHAPES),
  capacityMl: z.number().min(50, 'A vessel holds at least 50 mL.').max(1_000_000),
  closure: z.enum(CLOSURE_NAMES),
  count: z.number().int().min(0).max(500),
  tareG: massG.optional(),
})

const kind: Kind<typeof VesselEntry> = {
  schema: VesselEntry,
  says: 'a vessel the maker owns, so many of it',
  words: ({ count, name: what }) => `Vessel: ${count} × ${what}`,
  reversible: false,
}
export default kind
