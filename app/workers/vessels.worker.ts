import { expose } from 'comlink'
import { chooseVessels, InvalidInput, type FreeVessel, type VesselChoice } from '@lactofer/core'

export interface VesselQuestion {
  volumeMl: number
  free: readonly FreeVessel[]
  limit: number
  least: number
}
export interface VesselAnswer {
  choices: VesselChoice[]
  problem: string | null
}

/** Works out which vessels to fill, off the main thread. A refusal comes back as its sentence: classes do not cross. */
function choose({ volumeMl, free, limit, least }: VesselQuestion): VesselAnswer {
  try {
    return { choices: chooseVessels(volumeMl, free, limit, least), problem: null }
  } catch (error) {
    if (error instanceof InvalidInput) return { choices: [], problem: error.message }
    throw error
  }
}
const api = { choose }
export type VesselApi = typeof api
expose(api)
