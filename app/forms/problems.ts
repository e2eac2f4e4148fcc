import { DraftSchema, LotCodeSchema, type Draft } from '@lactofer/core'

/* What may be wrong with what is typed, wherever it is typed. */

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

const isEmpty = (value: unknown) =>
  value === null || value === undefined || (typeof value === 'string' && !value.trim())

/**
 * An entry held to its limits, or the first thing that is wrong with it.
 * @param wanted what is said of a field that is empty, by its name. @param labels how a field is called where its value
 * cannot be.
 */
export function checkDraft(
  draft: Record<string, unknown>,
  wanted: Readonly<Record<string, string>>,
  labels: Readonly<Record<string, string>> = {},
): { draft: Draft; problem: null } | { draft: null; problem: string } {
  const parsed = DraftSchema.safeParse(draft)
  if (parsed.success) return { draft: parsed.data, problem: null }
  const issue = parsed.error.issues[0]
  const field = String(issue?.path[0])
  const missing = isEmpty(draft[field]) ? wanted[field] : undefined
  const label = labels[field] ? `${labels[field]}: ` : ''
  return { draft: null, problem: missing ?? `${label}${issue?.message ?? 'A figure is missing.'}` }
}
