<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { InvalidInput, NOT_BY_EYE, readSalt, spoonCountWords, spoonsSaid, type SaidSalt } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * Salt as it is dosed: a percentage, grams, spoons, spoons in so much water, spoons in each jar. What it comes to
 * stands under it: the page that knows water and jars says it.
 */
const {
  label = 'Salt',
  hint,
  readAs,
  most = 60,
  byEye = false,
} = defineProps<{
  label?: string
  hint?: string | undefined
  /** What a dose comes to, in words. */
  readAs?: string | null
  /** Salt by eye is a way here. */
  byEye?: boolean
  /** The largest percentage there is on its basis. */
  most?: number
}>()
/** A percentage, or the words of a dose; the other is empty then. */
const pct = defineModel<number | null>('pct', { required: true })
const words = defineModel<string>('words', { required: true })
const saltId = defineModel<string>('saltId', { required: true })
const emit = defineEmits<{ read: [said: SaidSalt] }>()
const book = useBook()
const preferences = usePreferences()
const id = useId()
const placeholder = computed(() =>
  preferences.weighs === 'spoons'
    ? '3 tbsp, 2 tsp in each jar'
    : `4 %, ${preferences.world === 'us' ? '2 oz' : '56 g'}, 3 tbsp, 2 tsp in 1 1/2 cups`,
)
const text = ref('')
const problem = ref<string | null>(null)
const suggestions = ref<readonly string[]>([])

const stored = computed(() => words.value || (pct.value === null ? '' : `${pct.value} %`))
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

function read(typed: string) {
  problem.value = null
  suggestions.value = []
  let [percent, dose]: [number | null, string] = [null, '']
  let said: SaidSalt | null = null
  try {
    said = readSalt(typed, book.library.salts, saltId.value)
    if (said.kind === 'by eye' && !byEye) throw new InvalidInput(NOT_BY_EYE)
    if (said.kind !== 'percent') dose = typed.trim().slice(0, 80)
    else if (said.pct.typical <= most) percent = said.pct.typical
    else throw new InvalidInput(`At most ${most} % of that.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
    suggestions.value = error.suggestions
    said = null
  }
  own = dose || (percent === null ? '' : `${percent} %`)
  pct.value = percent
  words.value = dose
  if (said && said.kind !== 'percent') saltId.value = said.saltId
  if (said) emit('read', said)
}
/** Spoons are tapped where there is no scale: a dose that is nothing but spoons counts on. */
const SPOONS = [
  { name: '+ 1 tbsp', teaspoons: 3 },
  { name: '+ 1 tsp', teaspoons: 1 },
  { name: '+ ½ tsp', teaspoons: 0.5 },
  { name: '− ½ tsp', teaspoons: -0.5 },
] as const
const count = computed(() => (words.value || text.value === '' ? spoonsSaid(text.value) : 0))
function tap(teaspoons: number) {
  const now = Math.max(0, (count.value ?? 0) + teaspoons)
  accept(now > 0 ? spoonCountWords(now) : '')
}
function accept(meant: string) {
  text.value = meant
  read(meant)
}
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <el-input
      :id="id"
      v-model="text"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-invalid="problem !== null"
      :aria-describedby="`${id}-note`"
      @input="read"
    />
    <div v-if="preferences.weighs === 'spoons' && count !== null" class="spoons" role="group" aria-label="Spoons">
      <el-button
        v-for="spoon in SPOONS"
        :key="spoon.name"
        :disabled="spoon.teaspoons < 0 && count === 0"
        @click="tap(spoon.teaspoons)"
        >{{ spoon.name }}</el-button
      >
    </div>
    <FieldNote
      :id="`${id}-note`"
      :problem="problem"
      :suggestions="suggestions"
      :note="(words && readAs) || hint"
      @accept="accept"
    />
  </div>
</template>

<style scoped>
.spoons {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(72px, 1fr));
  gap: var(--s1);
  margin-top: var(--s1);
}
html .spoons .el-button {
  margin: 0;
  padding: 0 var(--s1);
  white-space: nowrap;
}
</style>
