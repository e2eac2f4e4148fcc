import { SENSE_SCALES, type JarLook } from '@lactofer/core'

/* What stands before one's eyes in the practice loft, in plain words: what it is called is left to whoever looks. */

const COVERS: Record<NonNullable<JarLook['cover']>, string> = {
  veil: 'Something white and thin lies on it.',
  skin: 'A white skin in folds lies on it.',
  islands: 'White stuff stands on it in raised islands.',
  fur: 'Patches stand on it; from the side they look like felt.',
}
const SMELLS: Record<JarLook['smell'], string> = {
  fresh: 'It smells as it did when it was packed.',
  sour: 'It smells clean and sour.',
  boozy: 'It smells like beer.',
  foul: 'It smells foul.',
}
const CLOUDS = ['The liquid is clear.', 'The liquid is hazy.', 'The liquid is milky.'] as const
const BUBBLES = [
  'Nothing moves.',
  'Bubbles come when it is nudged.',
  'Bubbles rise by themselves.',
  'It bubbles hard.',
] as const

/** What an exercise shows by itself, by its sign. */
const SHOWN: Partial<Record<JarLook['sights'][number]['sign'], string>> = {
  foam: 'Foam stands on top.',
  'bag ballooned': 'The bag stands tight like a drum.',
  'tight lid': 'The lid is domed.',
  floaters: 'Pieces stand above the liquid.',
  'not covered': 'The liquid stands lower than the food.',
  'pink colour': 'Some of it has turned pink.',
  'blue garlic': 'Garlic in it has turned blue.',
  'salt crystals': 'White grains sit at the rim.',
  specks: 'Dark specks sit under the lid.',
  soft: 'Pieces have gone soft.',
  slime: 'The liquid runs off the spoon in strings.',
}

/** A jar as it stands there, sentence by sentence. */
export function lookWords(look: JarLook): string[] {
  const { cover, seen, smell, sights } = look
  return [
    ...(cover ? [COVERS[cover]] : []),
    ...sights.flatMap(({ sign }) => SHOWN[sign] ?? []),
    BUBBLES[seen.bubbles ?? 0] ?? '',
    ...(seen.cloud === undefined ? [] : [CLOUDS[seen.cloud] ?? '']),
    ...(seen['one mass'] === undefined
      ? []
      : [seen['one mass'] > 0 ? 'Stirred, it parts and lifts again.' : 'Stirred, it stays one mass.']),
    SMELLS[smell],
  ].filter(Boolean)
}

/** How sour it tastes. */
export const tasteWords = (step: number): string => `It tastes ${SENSE_SCALES.sour.steps[step] ?? 'of nothing'}.`
