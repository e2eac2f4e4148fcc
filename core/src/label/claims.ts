/**
 * Words that promise health, and words that need a proof or a permission to be on a label. Common practice; what is
 * allowed differs by place.
 */
const CLAIMS: readonly { pattern: RegExp; because: string }[] = [
  {
    pattern:
      /\b(pro|pre|post)biotics?\b|\bgut\b|\bmicrobiome\b|\bdigest\w*|\bimmun\w*|\bdetox\w*|\bcleans(e|ing)\b|\bmetaboli\w*|\banti-?inflammator\w*|\banti-?oxidants?\b/i,
    because: 'reads as a promise of health',
  },
  {
    pattern:
      /\bcures?\b|\bheal(s|ing|th|thy|thier)?\b|\bmedicin\w*|\btherap\w*|\btreats?\b|\bprevents?\b|\brelie(f|ves?)\b|\bremed(y|ies)\b|\bgood for you\b|\bboosts?\b|\bwellness\b|\bsuperfoods?\b|\bdoctors?\b/i,
    because: 'reads as a promise of health',
  },
  {
    pattern:
      /\bblood (pressure|sugar)\b|\bcholesterol\b|\bcancer\b|\bdiabet\w*|\bweight loss\b|\bslimming\b|\bfat burn\w*/i,
    because: 'speaks of an illness or of weight',
  },
  {
    pattern:
      /\b(low|no|zero|less|reduced)[- ](salt|sodium|sugar|fat|calorie)s?\b|\b(salt|sugar|gluten|allergen|dairy)[- ]free\b|\b(no|without) added (salt|sugar|sweetener)s?\b|\bhigh in\b|\brich in\b|\bsource of\b|\bvitamins?\b/i,
    because: 'is a claim about nutrition that must be shown',
  },
  { pattern: /\borganic\b|\b(eco|bio)\b/i, because: 'needs a certificate in most places' },
  {
    pattern: /\bsafe\b|\bsteril\w*|\bpasteuri[sz]ed\b|\bshelf[- ]stable\b/i,
    because: 'says something that a process authority has to say',
  },
]

/** A phrase in a text of the maker's own that should not go on a label as it is. */
export interface Claim {
  phrase: string
  because: string
}

/**
 * Phrases that promise health, or that somebody must allow first. Nothing is forbidden here: the maker is told, and
 * answers for it.
 */
export function claimsIn(text: string): Claim[] {
  return CLAIMS.flatMap(({ pattern, because }) => {
    const phrase = pattern.exec(text)?.[0]
    return phrase ? [{ phrase, because }] : []
  })
}
