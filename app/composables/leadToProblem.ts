/**
 * Leads to the first field of a form that says what is wrong with it. True when there is one: then nothing may be
 * recorded, since a figure that could not be read would otherwise be left out without a word. Where no field says it,
 * the sentence itself is brought into sight.
 */
export function leadToProblem(form: HTMLElement | null): boolean {
  const invalid = form?.querySelector<HTMLElement>('[aria-invalid="true"]') ?? null
  if (invalid) (invalid.querySelector('input') ?? invalid).focus()
  else form?.querySelector('.problem')?.scrollIntoView({ block: 'nearest' })
  return invalid !== null
}
