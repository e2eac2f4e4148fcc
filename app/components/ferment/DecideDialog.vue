<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '~/composables/say'
import { formatMass, HOME_USE, inJars, inVessels, NOT_MEASURED, type Lot, type ToldJudgement } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { momentAfterDays } from '~/clock/moments'
import { byTasteOf, decideDraft, decideProblems, freshDecision, isAgainst, type Deciding } from '~/forms/decideForm'
import { useForm } from '~/composables/useForm'
import { useThings } from '~/composables/useThings'
import { useStops } from '~/composables/useStops'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** One decision with what it needs to be told: place and temperature, days, a reason, an amount, pictures. */
const { lot, stand } = defineProps<{ lot: Lot; stand: ToldJudgement | null }>()
const what = defineModel<Deciding | null>({ required: true })
const book = useBook()
const { thingOf } = useThings()
const preferences = usePreferences()
const stops = useStops()
const known = computed(() => ({
  ...{ lot, stand, stopped: stops(lot.id), codeTaken: book.codeTaken, world: preferences.world },
}))
const { form, shown, busy, confirm, reset } = useForm({
  fresh: () => freshDecision(what.value, lot, book.fermenting),
  problems: (): Record<'code' | 'form', string | null> => decideProblems(what.value, form.value, known.value),
})
/** A picture is still being reduced: nothing is kept without it. */
const reducing = ref(false)
watch(what, (now) => {
  if (now) reset()
})
const TITLES: Record<Deciding, string> = {
  cold: 'to the cold',
  warm: 'back to the warm',
  wait: 'more time',
  ready: 'ready',
  home: 'home use only',
  brine: 'keep some brine',
  discard: 'discard',
}
const KEEP = {
  cold: 'Move it',
  warm: 'Move it',
  wait: 'Give it more time',
  ready: 'Call it ready',
  home: 'For home use only',
  brine: 'Keep the brine',
  discard: 'Discard it',
} as const
const against = computed(() => isAgainst(stand))
const byTaste = computed(() => byTasteOf(stand))
const held = computed(() => inVessels(lot))
const thrownG = computed(() => inJars(lot, form.value.marks))
function drafts() {
  const made = { at: nowMoment(), until: momentAfterDays(form.value.days), brineId: newLotId() }
  return what.value && [decideDraft(what.value, form.value, known.value, made)]
}
async function decide(event: Event) {
  if (!(await confirm(event, drafts))) return
  say.done(
    what.value === 'brine'
      ? `${form.value.code.trim()} is in stock.`
      : what.value === 'discard'
        ? 'Discarded.'
        : 'Recorded.',
  )
  what.value = null
}
const WAITS = [1, 2, 3, 5, 7, 14, 30].map((value) => ({ value, label: value === 1 ? 'a day' : `${value} days` }))
const EXAMPLES: Partial<Record<Deciding, string>> = { discard: 'Green fuzzy growth on day 8', wait: 'Rounder, please' }
const example = computed(() => (what.value ? (EXAMPLES[what.value] ?? '') : ''))
</script>

<template>
  <el-dialog
    :model-value="what !== null"
    :title="what ? `${lot.code} ${lot.name}: ${TITLES[what]}` : ''"
    width="min(94vw, 500px)"
    @update:model-value="what = null"
  >
    <form v-if="what" class="stack" novalidate @submit.prevent="decide">
      <template v-if="what === 'cold' || what === 'warm'">
        <p v-if="what === 'cold' && stand?.clock" class="small">
          <StateMark level="act" word="Above 4.6" /> Cooling is not a rescue: a batch above 4.6 must still pass it in
          its time.
        </p>
        <WordField v-model="form.place" label="Place" />
        <QuantityField v-model="form.tempC" kind="temperature" label="It is there" :limits="{ low: -2, high: 40 }" />
      </template>
      <template v-else-if="what === 'wait'"
        ><PickField v-model="form.days" label="Look again in" :options="WAITS"
      /></template>
      <div v-else-if="what === 'ready' && stand && byTaste" class="stack">
        <p><StateMark level="ask" word="By taste, not measured" /> {{ ' ' }}<SaidText :text="stand.sentence" /></p>
        <p class="small">{{ NOT_MEASURED }}</p>
      </div>
      <p v-else-if="what === 'ready' && stand">
        <StateMark :level="against ? 'ask' : 'fine'" :word="against ? 'Not by its readings' : 'Ready'" />
        {{ ' ' }}<SaidText :text="stand.sentence" />
      </p>
      <div v-else-if="what === 'home'" class="stack">
        <p>The record cannot show when it fell below 4.6. A pH today does not undo a toxin made earlier.</p>
        <p>{{ HOME_USE }}</p>
        <p class="small">The mark stays on it and on everything made of it.</p>
      </div>
      <template v-else-if="what === 'brine'">
        <p class="small muted">
          Brine thins a sauce, starts the next batch, seasons food. It becomes a lot of its own; the rest goes on.
        </p>
        <QuantityField
          v-model="form.massG"
          kind="mass"
          label="Drawn off"
          :thing="thingOf({ materialId: 'water', name: 'Brine' })"
        />
        <WordField v-model="form.code" label="Code of the brine" :problem="shown.code" />
      </template>
      <template v-else-if="what === 'discard'">
        <p>Do not taste it. What is thrown away leaves the shelf; its log stays.</p>
        <el-checkbox-group v-if="lot.vessels.length > 1" v-model="form.marks" aria-label="Vessels thrown away"
          ><el-checkbox v-for="vessel in held" :key="vessel.mark" :value="vessel.mark"
            >{{ lot.code }}{{ vessel.mark }}, {{ formatMass(vessel.massG, preferences.world) }}</el-checkbox
          ></el-checkbox-group
        >
        <p class="small">{{ formatMass(thrownG, preferences.world) }} are thrown away.</p>
      </template>
      <WordField v-if="what !== 'brine'" v-model="form.reason" label="Why" :placeholder="example" />
      <PhotoField v-if="what === 'discard'" v-model="form.photos" v-model:busy="reducing" />
      <p v-if="shown.form" class="problem" role="alert">{{ shown.form }}</p>
      <div class="row">
        <el-button :type="what === 'discard' ? 'danger' : 'primary'" native-type="submit" :loading="busy || reducing">{{
          KEEP[what]
        }}</el-button
        ><el-button @click="what = null">Leave it</el-button>
      </div>
    </form>
  </el-dialog>
</template>
