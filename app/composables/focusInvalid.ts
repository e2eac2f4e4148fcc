/**
 * Leads to the first field of a form that says what is wrong with it. True when there is one: then nothing may be
 * recorded,
 * since a figure that could not be read would otherwise be left out without a word.
 */
export function focusInvalid(event: Event): boolean {
  const form = (event.currentTarget as HTMLElement | null)?.closest('form')
  const invalid = form?.querySelector<HTMLElement>('input[aria-invalid="true"]')
  invalid?.focus()
  return invalid !== null && invalid !== undefined
}
