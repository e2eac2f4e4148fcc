import { defineStore } from 'pinia'
import { computed, watchEffect } from 'vue'
import { z } from '@lactofer/core'
import {
  CHOOSABLE,
  heatWords,
  HeatScaleSchema,
  SOUR_TOOLS,
  USUAL_HEAT_SCALE,
  USUAL_KIT,
  type Kit,
  usualUnit,
  type QuantityKind,
  type Range,
  type UnitWorld,
  formatBetween,
  formatRough,
  formatVolume,
} from '@lactofer/core'
import { DATE_WRITINGS, writeDates } from '~/clock/moments'
import { journal } from '~/db/journal'
import { useLiveQuery } from '~/composables/useLiveQuery'

/** So many letters the name of who is at the bench may have, and the sign prices are in. */
export const MOST_LETTERS = { by: 40, currency: 6 } as const

const ChoicesSchema = z.object({
  world: z.enum(['metric', 'us']).catch('metric'),
  dates: z.enum(DATE_WRITINGS).catch('browser'),
  theme: z.enum(['auto', 'light', 'dark']).catch('auto'),
  by: z.string().trim().min(1).max(MOST_LETTERS.by).catch('Maker'),
  /** The unit last chosen for a kind of field, where it is not the world's own. */
  units: z.partialRecord(z.enum(['mass', 'volume', 'temperature']), z.string()).catch({}),
  /** Which lot a probe logs to. */
  probes: z.record(z.string(), z.string()).catch({}),
  /** How the round is ordered. */
  round: z.enum(['pressing', 'walk', 'chore']).catch('pressing'),
  /** The maker's five words for heat. */
  heat: HeatScaleSchema.catch(USUAL_HEAT_SCALE),
  currency: z.string().trim().min(1).max(MOST_LETTERS.currency).catch('€'),
  /** What sourness is read with, and what amounts; not said yet. */
  sourTool: z.enum(SOUR_TOOLS).nullable().catch(null),
  weighs: z.enum(['scale', 'spoons']).nullable().catch(null),
  /** The edition of the judge's rules the maker was told of. */
  rules: z.number().catch(0),
})
type Choices = z.infer<typeof ChoicesSchema>

/** The reader's choices, kept in the journal. */
export const usePreferences = defineStore('preferences', () => {
  const { value: stored } = useLiveQuery(() => journal.choices.toArray())
  const choices = computed(() =>
    ChoicesSchema.parse(Object.fromEntries((stored.value ?? []).map(({ key, value }) => [key, value]))),
  )
  const choose = <K extends keyof Choices>(key: K, value: Choices[K]) =>
    journal.choices.put({ key, value: JSON.parse(JSON.stringify(value)) })
  watchEffect(() => writeDates(choices.value.dates))
  watchEffect(() => {
    if (choices.value.theme === 'auto') delete document.documentElement.dataset.theme
    else document.documentElement.dataset.theme = choices.value.theme
  })
  /** The unit a kind of field is typed in. */
  function unit(kind: QuantityKind): string {
    const chosen = kind in CHOOSABLE ? choices.value.units[kind as 'mass'] : undefined
    return chosen && CHOOSABLE[kind]?.includes(chosen) ? chosen : usualUnit(kind, choices.value.world)
  }
  const chooseUnit = (kind: QuantityKind, name: string) => choose('units', { ...choices.value.units, [kind]: name })
  /** The other world takes its own units along. */
  const chooseWorld = (world: UnitWorld) => Promise.all([choose('world', world), choose('units', {})])
  /** An amount in the maker's world, with its range where it is one. */
  const amountWords = (range: Range, kind: 'mass' | 'volume'): string =>
    formatBetween(range, (value) => (kind === 'mass' ? formatRough : formatVolume)(value, choices.value.world))
  return {
    amountWords,
    heatWord: (of: { shu: Range; heatUnknown: boolean }) => heatWords(of, choices.value.heat),
    heat: computed(() => choices.value.heat),
    unit,
    chooseUnit,
    chooseWorld,
    currency: computed(() => choices.value.currency),
    sourTool: computed(() => choices.value.sourTool),
    weighs: computed(() => choices.value.weighs),
    rules: computed(() => choices.value.rules),
    /** What the round asks by. */
    kit: computed((): Kit => ({
      sour: choices.value.sourTool ?? USUAL_KIT.sour,
      scale: choices.value.weighs !== 'spoons',
    })),
    known: computed(() => stored.value !== undefined),
    round: computed(() => choices.value.round),
    probes: computed(() => choices.value.probes),
    world: computed(() => choices.value.world),
    theme: computed(() => choices.value.theme),
    dates: computed(() => choices.value.dates),
    by: computed(() => choices.value.by),
    choose,
  }
})
