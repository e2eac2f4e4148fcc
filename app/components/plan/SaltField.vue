<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { formatNumber, InvalidInput, readSalt, styleById } from '@lactofer/core'
import { saltedOf, waterOf, type PlanForm } from './planForm'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * Salt as it is dosed: a percentage, grams, spoons, spoons in so much water, spoons in each jar. What it was read as
 * stands under it. A water that was said with it is taken where none stands, a jar likewise.
 */
const form = defineModel<PlanForm>({ required: true })
const { hint } = defineProps<{ hint?: string }>()
const book = useBook()
const preferences = usePreferences()
const id = useId()
const text = ref('')
const problem = ref<string | null>(null)
const suggestions = ref<readonly string[]>([])

const stored = computed(() => form.value.saltSaid || (form.value.saltPct === null ? '' : `${form.value.saltPct} %`))
let own = ''
watch(
  stored,
  (now) => {
    if (now === own) return
    own = now
    if (now !== '' || !problem.value) {
      text.value = now
      problem.value = null
    }
  },
  { immediate: true },
)

const readAs = computed(() => {
  try {
    const salted = saltedOf(form.value, book.book)
    if (!salted) return null
    const salt = book.library.salts.find(({ id: known }) => known === salted.said.saltId)
    const { into } = salted.said
    const jars = form.value.vessels.reduce((sum, { count }) => sum + count, 0)
    const where = into.kind === 'jar' ? ` in ${jars > 1 ? `${jars} jars` : 'one jar'}` : ''
    return `${preferences.amountWords(salted.saltG, 'mass')} of ${salt?.name ?? 'salt'}${where}`
  } catch (error) {
    if (error instanceof InvalidInput) return null
    throw error
  }
})

/** The vessel a dose was said for, where none is chosen: the common one that holds so much. */
function vesselFor(volumeMl: number | null): PlanForm['vessels'] {
  if (volumeMl === null || form.value.vessels.length) return form.value.vessels
  const suits = styleById(form.value.style).vesselShapes
  const near = book.freeVessels.find(
    ({ shape, capacityMl }) => suits.includes(shape) && Math.abs(capacityMl / volumeMl - 1) < 0.08,
  )
  return near ? [{ vesselId: near.id, count: 1 }] : []
}

function read(typed: string) {
  problem.value = null
  suggestions.value = []
  const change: Partial<PlanForm> = { saltPct: null, saltSaid: '' }
  try {
    const said = readSalt(typed, book.library.salts, form.value.saltId)
    if (said.kind === 'percent') {
      change.saltPct = said.pct.typical
      if (said.basis) change.saltBasis = said.basis
    } else {
      change.saltSaid = typed.trim().slice(0, 80)
      change.saltId = said.saltId
      if (
        said.into.kind === 'water' &&
        (!waterOf(form.value) || form.value.waterProposed) &&
        styleById(form.value.style).liquid === 'brine'
      )
        change.waterG = Math.round(said.into.volumeMl.typical)
      if (said.into.kind === 'jar') change.vessels = vesselFor(said.into.volumeMl)
    }
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
    suggestions.value = error.suggestions
  }
  own = change.saltSaid || (change.saltPct === null || change.saltPct === undefined ? '' : `${change.saltPct} %`)
  form.value = { ...form.value, ...change }
}
function accept(meant: string) {
  text.value = meant
  read(meant)
}
const limit = computed(() => {
  const most = form.value.saltBasis === 'ingredients' || form.value.saltBasis === 'water' ? 60 : 26
  const { saltPct } = form.value
  return saltPct !== null && saltPct > most ? `At most ${formatNumber(most)} % of that.` : null
})
</script>

<template>
  <div>
    <label :for="id" class="field-label">Salt</label>
    <el-input
      :id="id"
      v-model="text"
      autocomplete="off"
      placeholder="4 %, 56 g, 3 tbsp, 2 tsp in 1 1/2 cups"
      :aria-invalid="problem !== null || limit !== null"
      :aria-describedby="`${id}-note`"
      @input="read"
    />
    <FieldNote
      :id="`${id}-note`"
      :problem="problem ?? limit"
      :suggestions="suggestions"
      :note="readAs ?? hint"
      @accept="accept"
    />
  </div>
</template>
