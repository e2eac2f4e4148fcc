<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import {
  CLOSURE_NAMES,
  CLOSURES,
  drawnSize,
  formatMass,
  formatVolume,
  VESSEL_SHAPES,
  type Closure,
  type VesselKind,
  type VesselShape,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { checkDraft } from '~/forms/problems'
import { useForm, type Problems } from '~/composables/useForm'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The maker's own row of vessels: how large to the brim, how many, what each weighs empty. */
const book = useBook()
const preferences = usePreferences()
const fresh = () => ({
  vesselId: '',
  name: '',
  shape: 'jar' as VesselShape,
  capacityMl: null as number | null,
  closure: 'loose lid' as Closure,
  count: 1 as number | null,
  tareG: null as number | null,
})
const { form, shown, busy, confirm, reset } = useForm({
  fresh,
  problems: (): Problems<'vessel'> => ({ vessel: checked.value.problem }),
})
const scale = computed(() =>
  Math.min(
    0.3,
    84 / Math.max(...book.library.vessels.map((vessel) => drawnSize(vessel.shape, vessel.capacityMl).heightMm)),
  ),
)
const free = computed(() => new Map(book.freeVessels.map((vessel) => [vessel.id, vessel.count])))
const edit = (vessel: VesselKind) =>
  Object.assign(form.value, {
    vesselId: vessel.id,
    name: vessel.name,
    shape: vessel.shape,
    capacityMl: vessel.capacityMl,
    closure: vessel.closure,
    count: vessel.count ?? 1,
    tareG: vessel.tareG ?? null,
  })
const checked = computed(() => {
  const { vesselId, tareG, ...said } = form.value
  const id = vesselId || newLotId()
  return checkDraft(
    { ...{ kind: 'vessel', at: nowMoment(), vesselId: id, ...said }, ...(tareG !== null && { tareG }) },
    {
      name: 'Give it a name: 1 L clip jar.',
      capacityMl: 'Say what it holds to the brim.',
      count: 'Say how many you have.',
    },
  )
})
async function save(event: Event) {
  if (!(await confirm(event, () => checked.value.draft && [checked.value.draft]))) return
  say.done(`${form.value.name.trim()}: ${form.value.count} in your row.`)
  reset()
}
</script>

<template>
  <div class="split">
    <section class="sheet" aria-label="Vessels">
      <h2>{{ book.library.ownVessels ? 'Your vessels' : 'Common sizes' }}</h2>
      <p v-if="!book.library.ownVessels" class="muted">
        You have not listed your own yet. Plan chooses among these until you do.
      </p>
      <ul class="plain-list row-of">
        <li v-for="vessel in book.library.vessels" :key="vessel.id">
          <button type="button" :aria-label="`Change ${vessel.name}`" @click="edit(vessel)">
            <VesselDrawing
              :vessel="{ ...vessel, ...drawnSize(vessel.shape, vessel.capacityMl) }"
              :fraction="0"
              color="#ccc"
              :closure="vessel.closure"
              code=""
              day=""
              :hot="false"
              :scale="scale"
              bare
            />
            <strong>{{ vessel.name }}</strong>
            <span class="small muted"
              >{{ formatVolume(vessel.capacityMl, preferences.world) }} to the brim, {{ vessel.closure }}</span
            >
            <span v-if="vessel.count !== undefined" class="small"
              >{{ vessel.count }} of them, {{ free.get(vessel.id) ?? 0 }} free</span
            >
            <span v-if="vessel.tareG !== undefined" class="small nowrap"
              >weighs {{ formatMass(vessel.tareG, preferences.world) }}</span
            >
          </button>
        </li>
      </ul>
      <h2>Closures</h2>
      <table class="plain">
        <thead>
          <tr>
            <th>Closure</th>
            <th>Gas</th>
            <th>Air</th>
            <th>What it asks for</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="closure in CLOSURES" :key="closure.name">
            <td>
              <strong>{{ closure.name }}</strong>
            </td>
            <td>{{ closure.gas }}</td>
            <td>{{ closure.air }}</td>
            <td>{{ closure.chores }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <form class="sheet" novalidate aria-label="A vessel of yours" @submit.prevent="save">
      <h2>{{ form.vesselId ? 'Change it' : 'Add a vessel' }}</h2>
      <div class="fields">
        <WordField v-model="form.name" label="Vessel name" placeholder="1 L clip jar" />
        <PickField
          v-model="form.shape"
          label="Shape"
          :options="VESSEL_SHAPES.map((value) => ({ value, label: value }))"
        />
        <QuantityField
          v-model="form.capacityMl"
          kind="volume"
          label="Holds, to the brim"
          :limits="{ low: 50, high: 1000000 }"
        />
        <PickField
          v-model="form.closure"
          label="Closed with"
          :options="CLOSURE_NAMES.map((value) => ({ value, label: value }))"
        />
        <QuantityField v-model="form.count" kind="count" label="How many you have" :limits="{ high: 500 }" />
        <QuantityField v-model="form.tareG" kind="mass" label="Weighs empty" optional />
      </div>
      <p v-if="shown.vessel" class="problem" role="alert">{{ shown.vessel }}</p>
      <p class="muted small">
        Fill one with water to the brim on the scale: grams are millilitres. None left: write 0.
      </p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Keep it</el-button
        ><el-button v-if="form.vesselId" @click="reset">Leave it</el-button>
      </div>
    </form>
  </div>
</template>

<style scoped>
.row-of {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: var(--s2);
}
.row-of button {
  width: 100%;
  height: 100%;
  display: grid;
  justify-items: center;
  align-content: end;
  gap: 2px;
  padding: var(--s2);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: none;
  color: inherit;
  font: inherit;
  text-align: center;
  cursor: pointer;
}
.row-of button:hover {
  border-color: var(--bottle);
}
.nowrap {
  white-space: nowrap;
}
table {
  font-size: 15px;
}
</style>
