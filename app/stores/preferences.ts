import { defineStore } from 'pinia'
import { computed, watchEffect } from 'vue'
import { z } from 'zod'
import { journal } from '~/db/journal'
import { useLiveQuery } from '~/composables/useLiveQuery'

const ChoicesSchema = z.object({
  world: z.enum(['metric', 'us']).catch('metric'),
  theme: z.enum(['auto', 'light', 'dark']).catch('auto'),
  by: z.string().trim().min(1).max(40).catch('Maker'),
})
type Choices = z.infer<typeof ChoicesSchema>

/** The reader's choices, kept in the journal. */
export const usePreferences = defineStore('preferences', () => {
  const { value: stored } = useLiveQuery(() => journal.choices.toArray())
  const choices = computed(() => ChoicesSchema.parse(Object.fromEntries((stored.value ?? []).map(({ key, value }) => [key, value]))))
  const choose = <K extends keyof Choices>(key: K, value: Choices[K]) => journal.choices.put({ key, value })
  watchEffect(() => {
    if (choices.value.theme === 'auto') delete document.documentElement.dataset.theme
    else document.documentElement.dataset.theme = choices.value.theme
  })
  return { world: computed(() => choices.value.world), theme: computed(() => choices.value.theme), by: computed(() => choices.value.by), choose }
})
