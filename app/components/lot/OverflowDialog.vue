<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import { refusalOf, type Between, type Draft, type Lot } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** Some of it ran over: how much, by weight, by cup or only "a little", and of which jar. */
const { lot } = defineProps<{ lot: Lot }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const { busy, record } = useRecorder('What you said is still here; try again.')
const ANY = ''
/** A little that ran over, g: what a wet tray holds. Judgement. */
const A_LITTLE = { massG: 40, between: { low: 10, high: 100 } }
const massG = ref<number | null>(null)
const between = ref<Between>()
const said = ref<string>()
const mark = ref(ANY)
watch(open, (now) => {
  if (!now) return
  massG.value = null
  between.value = undefined
  said.value = undefined
  mark.value = ANY
  problem.value = null
})
const marks = computed(() => [
  { value: ANY, label: 'more than one, or not sure' },
  ...lot.vessels.map((vessel) => ({ value: vessel.mark, label: `jar ${vessel.mark}` })),
])
const problem = ref<string | null>(null)

async function confirm(little: boolean) {
  const lost = little
    ? { massG: A_LITTLE.massG, said: 'a little', betweenG: A_LITTLE.between }
    : {
        massG: massG.value ?? 0,
        ...(said.value && { said: said.value }),
        ...(between.value && { betweenG: between.value }),
      }
  const draft: Draft = {
    ...{ kind: 'overflow', at: nowMoment(), lotId: lot.id, ...lost },
    ...(mark.value && { marks: [mark.value] }),
  }
  const unsaid = lost.massG > 0 ? null : 'Say how much ran over; "A little" will do.'
  problem.value = unsaid ?? refusalOf(book.book, book.judge, draft)
  if (problem.value || !(await record(draft))) return
  say.done(`${lot.code}: recorded. Wipe the rim; look that everything is still covered.`)
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="`Ran over: ${lot.code}`" width="480px">
    <form class="stack" novalidate @submit.prevent="confirm(false)">
      <p class="small">
        What ran over took its salt and acid along; the rest keeps its strength. Make good for it with brine of the
        strength inside, not with water.
      </p>
      <PickField v-if="lot.vessels.length > 1" v-model="mark" label="Of" :options="marks" />
      <QuantityField
        v-model="massG"
        v-model:between="between"
        v-model:said="said"
        kind="mass"
        label="How much"
        placeholder="1/2 cup, 200 mL, 150 g"
        :thing="book.library.materialOrUnknown('water')"
        optional
      />
      <p v-if="problem" class="problem" role="alert"><SaidText :text="problem" /></p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Record it</el-button>
        <el-button :loading="busy" @click="confirm(true)">A little</el-button>
      </div>
    </form>
  </el-dialog>
</template>
