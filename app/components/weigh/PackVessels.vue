<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatNumber, vesselMark, type PlanFigures } from '@lactofer/core'
import { fillingProblem, massesOf, netG, type Filling } from '~/forms/weighDraft'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'

/** Into the vessels: each on the scale empty, then full. What was not weighed is taken as its share. */
const fillings = defineModel<Filling[]>({ required: true })
const { figures } = defineProps<{ figures: PlanFigures }>()
const book = useBook()
const instruments = useInstruments()
const reading = computed(() => instruments.reading('mass'))
const adding = ref('')
const kinds = computed(() =>
  book.freeVessels.filter((vessel) => vessel.count > 0).map(({ id, name }) => ({ value: id, label: name })),
)
const capacity = (vesselId: string) => book.library.vessel(vesselId)?.capacityMl ?? 0
const masses = computed(() => massesOf(fillings.value, figures.composition.massG, capacity))
const shares = computed(() =>
  fillings.value.map(
    ({ vesselId }, index) =>
      (masses.value[index] ?? 0) / figures.properties.densityGPerMl / Math.max(1, capacity(vesselId)),
  ),
)
const leftG = computed(() => figures.composition.massG - masses.value.reduce((sum, massG) => sum + massG, 0))
const level = (share: number) =>
  share > 1
    ? ('discard' as const)
    : share > figures.fillLimit + 0.005
      ? ('act' as const)
      : share < figures.style.fillLeast
        ? ('ask' as const)
        : ('fine' as const)

function remark(list: Filling[]): Filling[] {
  return list.map((filling, index) => ({ ...filling, mark: vesselMark(index, list.length) }))
}
function add(id: string) {
  const tareG = book.library.vessel(id)?.tareG ?? null
  fillings.value = remark([...fillings.value, { vesselId: id, mark: '', tareG, grossG: null, hot: false }])
  adding.value = ''
}
const change = (index: number, part: Partial<Filling>) =>
  (fillings.value = fillings.value.map((filling, at) => (at === index ? { ...filling, ...part } : filling)))
const remove = (index: number) => (fillings.value = remark(fillings.value.filter((_, at) => at !== index)))
const takeWords = computed(() =>
  instruments.taker ? `Take for ${instruments.taker.label}` : 'Touch a field, then take',
)
const restWords = computed(() =>
  leftG.value > 0 ? 'stay in the bowl, or were lost on the way.' : 'more than was weighed in: check the tare.',
)
</script>

<template>
  <section class="sheet" aria-label="Into the vessels">
    <h2>Into the vessels</h2>
    <p class="muted">Each on the scale empty, then full. What you do not weigh is taken as its share.</p>
    <div v-if="reading" class="scale" role="group" aria-label="Scale">
      <span class="figure"><SaidText :text="`${formatNumber(reading.value, 1)} g`" /></span
      ><span class="small">{{ reading.instrument.steady ? 'steady' : 'settling' }}</span>
      <el-button @click="instruments.tare()">Tare</el-button>
      <el-button type="primary" :disabled="!instruments.taker" @click="instruments.take()">{{ takeWords }}</el-button>
    </div>
    <ul class="plain-list">
      <li v-for="(filling, index) in fillings" :key="index">
        <strong
          >{{ book.library.vessel(filling.vesselId)?.name ?? filling.vesselId
          }}<span v-if="filling.mark" class="code mark-letter">{{ filling.mark }}</span></strong
        >
        <QuantityField
          :model-value="filling.tareG"
          kind="mass"
          :label="`Empty${filling.mark && ` ${filling.mark}`}`"
          optional
          @update:model-value="change(index, { tareG: $event })"
        />
        <QuantityField
          :model-value="filling.grossG"
          kind="mass"
          :label="`Full${filling.mark && ` ${filling.mark}`}`"
          optional
          @update:model-value="change(index, { grossG: $event })"
        />
        <p class="net">
          <span class="figure"><SaidText :text="`${formatNumber(masses[index] ?? 0)} g`" /></span
          ><StateMark
            :level="level(shares[index] ?? 0)"
            :word="`${formatNumber(100 * (shares[index] ?? 0))} % full`"
          /><span v-if="netG(filling) === null" class="muted small">its share, not weighed</span>
        </p>
        <div class="row">
          <el-checkbox :model-value="filling.hot" @update:model-value="change(index, { hot: Boolean($event) })"
            >HOT</el-checkbox
          ><el-button
            v-if="fillings.length > 1"
            text
            :aria-label="`Take out vessel ${filling.mark}`"
            @click="remove(index)"
            >Take out</el-button
          >
        </div>
        <p v-if="fillingProblem(filling)" class="problem" role="alert">{{ fillingProblem(filling) }}</p>
      </li>
    </ul>
    <p v-if="fillings.length && Math.abs(leftG) > 1" class="row" data-figure="left">
      <StateMark level="ask" :word="`${formatNumber(Math.abs(leftG))} g`" /> {{ restWords }}
    </p>
    <PickField
      v-model="adding"
      class="add"
      label="One more vessel"
      :options="kinds"
      placeholder="Choose a vessel"
      @update:model-value="add"
    />
  </section>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--s3);
}
li {
  display: grid;
  grid-template-columns: minmax(110px, 1fr) 150px 150px minmax(120px, 1fr) auto;
  gap: var(--s2) var(--s3);
  align-items: end;
  border-bottom: 1px solid var(--line);
  padding-bottom: var(--s3);
}
li > strong {
  align-self: center;
}
.scale {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2) var(--s3);
  align-items: center;
  background: var(--steel);
  color: var(--on-steel);
  border-radius: var(--radius);
  padding: var(--s2) var(--s4);
  position: sticky;
  top: var(--s2);
  z-index: 2;
}
.scale .figure {
  min-width: 6em;
}
.mark-letter {
  margin-left: 6px;
}
.net {
  display: grid;
  gap: 2px;
  align-self: center;
}
.row {
  align-items: center;
}
.add {
  max-width: 320px;
}
@media (max-width: 860px) {
  li {
    grid-template-columns: 1fr 1fr;
  }
  li > strong {
    grid-column: 1 / -1;
  }
}
</style>
