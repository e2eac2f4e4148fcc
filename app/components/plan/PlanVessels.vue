<script setup lang="ts">
import { computed } from 'vue'
import {
  drawnSize,
  FILL_LEVEL,
  formatNumber,
  formatVolume,
  styleById,
  takesWater,
  WEIGHT_NAMES,
  type PlanFigures,
} from '@lactofer/core'
import { colourOf, type PlanForm } from '~/forms/planForm'
import type { PlanVessels } from '~/composables/usePlanVessels'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Which of the maker's vessels to fill, several answers, drawn with their fill line; or one's own choice. */
const form = defineModel<PlanForm>({ required: true })
const { figures, vessels } = defineProps<{ figures: PlanFigures | null; vessels: PlanVessels }>()
const book = useBook()
const preferences = usePreferences()
const color = computed(() => colourOf(form.value, book.book))
/** Pieces under a liquid are held down by something; what is ground is not. */
const pieces = computed(() => styleById(form.value.style).chores.some(({ chore }) => chore === 'press down'))
const weights = [
  { value: '' as const, label: 'not said' },
  ...WEIGHT_NAMES.map((name) => ({ value: name, label: name })),
]
const { answer, uses, filled, free, closure } = vessels
const words = (vessels: readonly { id: string; count: number }[]) =>
  vessels.map(({ id, count }) => `${count > 1 ? `${count} × ` : ''}${book.library.vessel(id)?.name ?? id}`).join(' + ')
const isChosen = (vessels: readonly { id: string; count: number }[]) =>
  JSON.stringify(vessels.map(({ id, count }) => [id, count]).sort()) ===
  JSON.stringify(uses.value.map(({ vesselId, count }) => [vesselId, count]).sort())
const take = (vessels: readonly { id: string; count: number }[]) =>
  (form.value = { ...form.value, vessels: vessels.map(({ id, count }) => ({ vesselId: id, count })) })
function addVessel(id: string, more: number) {
  const now = form.value.vessels
  form.value = {
    ...form.value,
    vessels: now.some((use) => use.vesselId === id)
      ? now.map((use) => (use.vesselId === id ? { ...use, count: Math.min(40, use.count + more) } : use))
      : [...now, { vesselId: id, count: more }],
  }
}
/** Water that fills what is left of the vessels up to their limit, g: the salt goes along where it is a strength. */
const fittingG = computed(() => {
  if (!figures || !filled.value || !takesWater(styleById(form.value.style))) return null
  const { verdict, volumeMl, fraction } = filled.value.fill
  if (verdict === 'fits' || fraction <= 0) return null
  const roomMl = (volumeMl / fraction) * figures.fillLimit
  const brineMl = volumeMl - figures.piecesMl
  const waterG = form.value.waterG ?? 0
  const fits = Math.floor(
    brineMl > 0 && waterG > 0 ? (waterG * (roomMl - figures.piecesMl)) / brineMl : roomMl - figures.piecesMl,
  )
  return fits > 0 ? fits : null
})
const pour = (waterG: number) => {
  const { waterSaid: _said, waterBetweenG: _between, ...rest } = form.value
  form.value = { ...rest, waterG, waterProposed: true }
}
/** Height of the tallest vessel that is drawn beside the others, px; so many of a kind are drawn. */
const TALLEST_PX = 46
const MOST_DRAWN = 2
const jarsOf = (vessels: readonly { id: string; count: number }[]) =>
  vessels
    .flatMap(({ id, count }) => Array.from({ length: count }, (_, at) => ({ id, key: `${id}-${at}` })))
    .filter(({ id }) => book.library.vessel(id))
    .slice(0, MOST_DRAWN)
const scale = computed(() => {
  const drawn = (answer.value?.choices ?? []).flatMap(({ vessels }) => jarsOf(vessels))
  const heights = drawn.map(({ id }) => {
    const vessel = book.library.vessel(id)
    return vessel ? drawnSize(vessel.shape, vessel.capacityMl).heightMm : 0
  })
  return TALLEST_PX / Math.max(1, ...heights)
})
const level = computed(() => (filled.value ? FILL_LEVEL[filled.value.fill.verdict] : 'fine'))
/** What speaks for or against a choice; they run from the least air to the fewest vessels. */
function choiceWords(verdict: string, index: number, count: number): string {
  if (verdict === 'airy') return ', too airy'
  if (index === 0) return ': the least'
  return index === count - 1 ? '; fewest vessels' : ''
}
</script>

<template>
  <section class="sheet" aria-label="Vessels">
    <header class="head">
      <h2>Vessels</h2>
      <p class="small muted">
        {{ book.library.ownVessels ? 'From your own that stand empty.' : 'From common sizes.' }}
        <NuxtLink to="/library?show=vessels">{{ book.library.ownVessels ? 'Your vessels' : 'List your own' }}</NuxtLink>
      </p>
    </header>
    <p v-if="!figures" class="muted">Weigh something in, and the vessels that suit it stand here.</p>
    <p v-else-if="answer?.problem && !form.vessels.length" class="problem" role="alert">{{ answer.problem }}</p>
    <p v-if="filled" data-figure="fill">
      <StateMark :level="level" :word="filled.fill.verdict" />{{ ' '
      }}<strong>{{ words(uses.map((use) => ({ id: use.vesselId, count: use.count }))) }}</strong>.
      <SaidText :text="filled.fill.sentence" />{{ ' '
      }}<span class="muted small">Limit for this: {{ formatNumber(100 * (figures?.fillLimit ?? 0)) }} %.</span>
      <el-button v-if="fittingG !== null" @click="pour(fittingG)"
        >Pour what fits: <MassText :mass-g="fittingG" /> of water</el-button
      >
    </p>
    <ul v-if="answer && answer.choices.length > 1" class="plain-list options" aria-label="Other answers">
      <li v-for="(choice, index) in answer.choices" :key="JSON.stringify(choice.vessels)">
        <button
          type="button"
          :aria-pressed="isChosen(choice.vessels)"
          :class="{ chosen: isChosen(choice.vessels) }"
          @click="take(choice.vessels)"
        >
          <span class="jars" aria-hidden="true"
            ><VesselDrawing
              v-for="{ id, key } in jarsOf(choice.vessels)"
              :key="key"
              :vessel="book.library.vessel(id)!"
              :fraction="choice.fraction"
              :color="color"
              :closure="closure"
              code=""
              day=""
              :hot="form.hot"
              :scale="scale"
              bare /></span
          ><strong>{{ words(choice.vessels) }}</strong
          ><span class="small"
            >{{ formatNumber(100 * choice.fraction) }} % full, {{ formatVolume(choice.airMl, preferences.world) }} of
            air{{ choiceWords(choice.verdict, index, answer.choices.length) }}</span
          >
        </button>
      </li>
    </ul>
    <div class="fields">
      <VesselPicker :vessels="free" @picked="addVessel" />
      <ClosureField
        :model-value="closure"
        :called="form.called"
        :closures="styleById(form.style).closures"
        @update:model-value="(value) => (form = { ...form, closure: value })"
        @update:called="(value) => (form = { ...form, called: value, closure })"
      />
      <PickField
        v-if="pieces"
        :model-value="form.weight ?? ''"
        label="Held down by"
        :options="weights"
        @update:model-value="(value) => (form = { ...form, weight: value === '' ? null : value })"
      />
      <WordField
        v-model="form.place"
        label="Where it stands"
        :problem="form.place.trim() ? null : 'Say where it will stand.'"
      />
      <div v-if="!form.bowl">
        <span class="field-label">Mark</span><el-checkbox v-model="form.hot">HOT on the tape</el-checkbox>
      </div>
      <div v-if="form.vessels.length">
        <span class="field-label">&nbsp;</span
        ><el-button text @click="form = { ...form, vessels: [] }">Back to the suggestion</el-button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: var(--s3);
  flex-wrap: wrap;
}
.jars {
  display: flex;
  gap: 3px;
  align-items: flex-end;
  overflow: hidden;
}
.options {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(116px, 1fr));
  gap: var(--s2);
}
.options button {
  width: 100%;
  height: 100%;
  display: grid;
  gap: 2px var(--s2);
  align-content: start;
  line-height: 1.2;
  text-align: left;
  min-height: var(--touch);
  padding: var(--s2);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.options button:hover {
  border-color: var(--bottle);
}
.options .chosen {
  border: 2px solid var(--bottle);
  background: var(--wash);
}
@media (max-width: 900px) {
  .options {
    grid-template-columns: minmax(0, 1fr);
  }
  .options button {
    grid-template-columns: auto 1fr;
    align-content: center;
  }
  .jars {
    grid-row: span 2;
  }
}
</style>
