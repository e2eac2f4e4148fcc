/** What can be looked at beside the pot. */
export const PICTURES = [
  { value: 'solve', label: 'Targets' },
  { value: 'trial', label: 'Trial' },
  { value: 'answers', label: 'Additions' },
  { value: 'sources', label: 'Origins' },
  { value: 'pulls', label: 'Trade-offs' },
  { value: 'ladder', label: 'Dilution' },
  { value: 'heat', label: 'Heat' },
  { value: 'keep', label: 'Keeping' },
] as const
export type Picture = (typeof PICTURES)[number]['value']
