<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import { inVessels, refusalOf, type Draft, type Lot, type Standing, type WayOfUse } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'

/**
 * How a jar ends that was never pressed: eaten, given, frozen; all of it, some, or jar by jar, with how it was. What
 * was done is a fact and can always be written down; what speaks against it is said, and stays said.
 */
const { lot, stand } = defineProps<{ lot: Lot; stand: Standing | null }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const { thingOf } = useThings()
const { busy, record } = useRecorder('What you said is still here; try again.')
type Ending = Extract<WayOfUse, 'eaten' | 'given' | 'frozen'>
const WAYS: { value: Ending; label: string }[] = [
  { value: 'eaten', label: 'Into the own kitchen' },
  { value: 'given', label: 'Given to somebody' },
  { value: 'frozen', label: 'Frozen' },
]
const how = ref<Ending>('eaten')
const marks = ref<string[]>([])
const some = ref(false)
const massG = ref<number | null>(null)
const to = ref('')
const note = ref('')
const asked = ref(false)
watch(open, (now) => {
  if (!now) return
  how.value = 'eaten'
  marks.value = []
  some.value = false
  massG.value = null
  to.value = ''
  note.value = ''
  asked.value = false
})
const several = computed(() => lot.vessels.length > 1)
const held = computed(() => inVessels(lot))
const chosenG = computed(() => {
  const inJars = held.value.filter(({ mark }) => marks.value.includes(mark)).reduce((sum, one) => sum + one.massG, 0)
  return several.value ? Math.min(inJars, lot.leftG) : lot.leftG
})
const allJars = computed(() => !several.value || marks.value.length === lot.vessels.length)
/** What is recorded, g; `null` while it is not said. */
const amountG = computed(() => (some.value ? massG.value : allJars.value ? lot.leftG : chosenG.value))
const problem = computed(() => {
  if (several.value && !some.value && marks.value.length === 0)
    return 'Mark the jars that end, or say that it is only some.'
  if (amountG.value === null || amountG.value <= 0) return 'Say how much.'
  if (how.value === 'given' && !to.value.trim()) return 'Say to whom: in a recall you want to know.'
  return refusalOf(book.book, book.judge, draft(amountG.value))
})
const against = computed(() => (stand && stand.make !== 'pass' ? stand.sentence : null))
const CAUTIONS: Record<Ending, string> = {
  eaten: 'From a clean spoon, kept cold. Not for infants, in pregnancy, or where the defence against germs is weak.',
  given:
    'Tell them what is in it, how hot it is, and that it must stay cold. Not for infants, in pregnancy, or where the defence against germs is weak.',
  frozen:
    'Leave a fifth of air: it swells. Freezing stops it and kills little; thawed it is softer, and goes on in the warm.',
}
const WHERE: Record<Ending, string> = { eaten: 'own kitchen', given: '', frozen: 'freezer' }

const draft = (grams: number): Draft => ({
  ...{ kind: 'use', at: nowMoment(), lotId: lot.id, massG: grams, how: how.value },
  to: to.value.trim() || WHERE[how.value],
  ...(!some.value && several.value && { marks: [...marks.value] }),
  ...(note.value.trim() && { note: note.value.trim() }),
})
async function confirm(event: Event) {
  asked.value = true
  if (focusInvalid(event) || problem.value || amountG.value === null) return
  if (!(await record(draft(amountG.value)))) return
  ElMessage.success(`${lot.code}: recorded. A wrong entry is taken back in the log.`)
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="`How it ends: ${lot.code}`" width="560px">
    <form class="stack" novalidate @submit.prevent="confirm">
      <el-radio-group v-model="how" aria-label="How it ends"
        ><el-radio-button v-for="way in WAYS" :key="way.value" :value="way.value">{{
          way.label
        }}</el-radio-button></el-radio-group
      >
      <p v-if="against" class="line" data-figure="against">
        <StateMark level="act" word="Not proven" /> <SaidText :text="against" /> What was done all the same is written
        down as it was.
      </p>
      <p class="small">{{ CAUTIONS[how] }}</p>
      <el-checkbox-group v-if="several && !some" v-model="marks" aria-label="Jars that end"
        ><el-checkbox v-for="vessel in held" :key="vessel.mark" :value="vessel.mark"
          >Jar {{ vessel.mark }}, <MassText :mass-g="vessel.massG" /></el-checkbox
      ></el-checkbox-group>
      <el-checkbox v-model="some">Only some of it</el-checkbox>
      <div class="fields">
        <QuantityField
          v-if="some"
          v-model="massG"
          kind="mass"
          label="How much"
          :thing="thingOf({ lotId: lot.id, name: lot.name })"
          :limits="{ low: 0.1 }"
        />
        <WordField v-if="how === 'given'" v-model="to" label="To whom" />
        <WordField v-else v-model="to" label="Where" :placeholder="WHERE[how]" />
        <WordField v-model="note" label="How it was" placeholder="rounder than the last; more garlic next time" />
      </div>
      <p v-if="!some && amountG" class="small muted"><MassText :mass-g="amountG" /> in all.</p>
      <p v-if="asked && problem" class="problem" role="alert"><SaidText :text="problem" /></p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Write it down</el-button>
        <el-button @click="open = false">Not yet</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
.line {
  display: block;
}
</style>
