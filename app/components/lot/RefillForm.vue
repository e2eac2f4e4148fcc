<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { InvalidInput, refillDrafts, topUpPods, type Draft, type Lot } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useThings } from '~/composables/useThings'
import { useRecorder } from '~/composables/useRecorder'
import { newLotId, useBook } from '~/stores/book'

/** An infusion's one refill: the vinegar drawn off goes into stock, fresh vinegar goes over the pods. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const { thingOf } = useThings()
const router = useRouter()
const { busy, record } = useRecorder('The weights are still here; try again.')
const drawnG = ref<number | null>(null)
const vinegarG = ref<number | null>(null)
const vinegarId = ref('white-vinegar')
const problem = ref('')
const vinegars = computed(() =>
  book.library.materials
    .filter((material) => material.kind === 'vinegar' && (material.acidsPct.acetic?.typical ?? 0) >= 5)
    .map(({ id, name }) => ({ value: id, label: name })),
)

/** It was used from the jar and stays on its pods: nothing is drawn off. */
const onPods = ref(false)
async function topUp() {
  if (vinegarG.value === null) {
    problem.value = 'Weigh the fresh vinegar.'
    return
  }
  const fresh = { vinegarId: vinegarId.value, vinegarName: book.library.materialOrUnknown(vinegarId.value).name }
  try {
    const drafts = topUpPods(book.book, lot, { at: nowMoment(), ...fresh, vinegarG: vinegarG.value })
    problem.value = ''
    if (await record(...drafts)) say.done(`${lot.code} is filled up; it is not filled up again.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
async function refill() {
  if (onPods.value) return topUp()
  problem.value = drawnG.value === null || vinegarG.value === null ? 'Weigh what ran off and the fresh vinegar.' : ''
  if (drawnG.value === null || vinegarG.value === null) return
  const refillLot = newLotId()
  const coded = (letter: string) => `${lot.code.slice(0, 19)}${letter}`
  const codes = { vinegar: coded('V'), pods: coded('P'), refill: coded('R') }
  const taken = Object.values(codes).find((code) => book.codeTaken(code))
  if (taken) {
    problem.value = `The code ${taken} is on another lot, and the refill would want it. Look for it first: was this drawn off already?`
    return
  }
  let drafts: Draft[]
  try {
    drafts = refillDrafts(book.book, lot, {
      at: nowMoment(),
      drawnG: drawnG.value,
      vinegarId: vinegarId.value,
      vinegarName: book.library.materialOrUnknown(vinegarId.value).name,
      vinegarG: vinegarG.value,
      ids: { vinegarLot: newLotId(), podsLot: newLotId(), refillLot },
      codes,
    })
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
    return
  }
  if (!(await record(...drafts))) return
  say.done(`${codes.vinegar} is in stock; the refill is on the shelf.`)
  await router.push(`/ferment/${refillLot}`)
}
</script>

<template>
  <form class="stack" novalidate aria-label="Draw off and refill" @submit.prevent="refill">
    <h3>Draw off and refill</h3>
    <p class="muted small">
      One refill, with vinegar of 5 % or more, and never more of it than was there. What ran off becomes a lot in stock.
    </p>
    <el-checkbox v-model="onPods">It was used from the jar: fill it up once, on its pods</el-checkbox>
    <div class="fields">
      <QuantityField
        v-if="!onPods"
        v-model="drawnG"
        kind="mass"
        label="Vinegar drawn off"
        :limits="{ low: 1 }"
        :thing="thingOf({ materialId: vinegarId, name: 'Vinegar' })"
      />
      <QuantityField
        v-model="vinegarG"
        kind="mass"
        label="Fresh vinegar"
        :limits="{ low: 1 }"
        :thing="thingOf({ materialId: vinegarId, name: 'Vinegar' })"
      />
      <PickField v-model="vinegarId" label="Which" :options="vinegars" />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div>
      <el-button type="primary" native-type="submit" :loading="busy">{{
        onPods ? 'Filled up' : 'Drawn off and refilled'
      }}</el-button>
    </div>
  </form>
</template>
