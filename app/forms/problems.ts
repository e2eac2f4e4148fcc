import { LotCodeSchema } from '@lactofer/core'

/* What may be wrong with a name and a code, wherever they are typed. */

/** What is wrong with the code of a new lot. @param taken whether it is on another lot. */
export function codeProblem(code: string, taken: (code: string) => boolean, advice = ''): string | null {
  const parsed = LotCodeSchema.safeParse(code)
  if (!parsed.success) return parsed.error.issues[0]?.message ?? null
  return taken(code) ? `This code is on another lot.${advice}` : null
}

/** What is wrong with a name. @param missing what is said where there is none. */
export function nameProblem(name: string, missing: string): string | null {
  if (!name.trim()) return missing
  return name.length > 80 ? 'Keep the name under 80 characters.' : null
}
