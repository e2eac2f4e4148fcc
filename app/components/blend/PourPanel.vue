<script setup lang="ts">
import { formatMass } from '@lactofer/core'
import type { SauceForm } from '~/forms/blendForm'
import type { Problems } from '~/composables/useForm'
import { usePreferences } from '~/stores/preferences'

/** The last step: the sauce gets its name, and is weighed in at the scale or recorded as it was poured. */
const sauce = defineModel<SauceForm>('sauce', { required: true })
const { suggestedCode, shown, codeProblem, busy, massG, untried } = defineProps<{
  suggestedCode: string
  shown: Partial<Problems<'name' | 'code' | 'parts'>>
  codeProblem: string | null | undefined
  busy: boolean
  massG: number
  /** Whether a large pot was never tried small. */
  untried: boolean
}>()
const emit = defineEmits<{ pour: [event: Event]; weigh: [event: Event]; try: []; mix: [] }>()
const preferences = usePreferences()
</script>

<template>
  <form class="stack" novalidate aria-label="Pour" @submit.prevent="emit('pour', $event)">
    <h2>
      Pour {{ massG ? formatMass(massG, preferences.world) : 'it' }}, {{ sauce.cooked ? 'to be cooked' : 'kept live' }}
    </h2>
    <div class="fields">
      <WordField v-model="sauce.name" label="Name of the sauce" placeholder="Quay Red" :problem="shown.name ?? null" />
      <WordField v-model="sauce.code" label="Lot code" :placeholder="suggestedCode" :problem="codeProblem ?? null" />
    </div>
    <div v-if="untried" class="untried small">
      <p><StateMark level="ask" word="No trial yet" /> A hundred grams show what the whole pot would do.</p>
      <el-button @click="emit('try')">Try it small</el-button>
    </div>
    <div v-if="shown.parts">
      <p class="problem" role="alert">{{ shown.parts }}</p>
      <el-button @click="emit('mix')">To the parts</el-button>
    </div>
    <div class="row">
      <el-button type="primary" :loading="busy" @click="emit('weigh', $event)">Weigh it in</el-button
      ><el-button native-type="submit" :loading="busy">Poured: record the blend</el-button>
    </div>
  </form>
</template>

<style scoped>
.untried {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  align-items: center;
  border-left: 3px solid var(--ask);
  padding-left: var(--s3);
}
</style>
