<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import {
  aimsMissed,
  correctionContent,
  figureOf,
  formatMass,
  SCALE_STEPS,
  type Composition,
  type Lot,
  type Targets,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { namedValue } from '~/words/limitWords'
import { useCorrection } from '~/composables/useCorrection'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The least that brings a finished blend to its targets, from what is at hand. */
const { lot, composition, targets } = defineProps<{ lot: Lot; composition: Composition; targets: Targets }>()
const book = useBook()
const preferences = usePreferences()
const { busy, record } = useRecorder()
const CORRECTORS = [
  'white-vinegar',
  'cider-vinegar',
  'citric-acid',
  'lactic-acid-88',
  'lime-juice',
  'salt',
  'water',
  'sugar',
] as const
const chosen = ref<string[]>(['white-vinegar', 'salt', 'water'])
const stepG = ref(0.1)
const off = computed(() => aimsMissed(composition, targets))
const correctors = computed(() =>
  chosen.value.flatMap((id) => {
    const material = book.library.material(id)
    return material ? [material] : []
  }),
)
const { problem, found } = useCorrection(
  computed(() =>
    off.value.length && lot.usedG <= 0
      ? { lot, composition, targets, correctors: correctors.value, stepG: stepG.value }
      : null,
  ),
)
async function did() {
  if (!found.value) return
  const written = await record({
    ...{ kind: 'add', at: nowMoment(), lotId: lot.id },
    ...correctionContent(found.value.put),
    reason: 'Correction of the finished blend.',
  })
  if (written) say.done('Recorded. Stir it through, read it now and again in 24 hours.')
}
/** What is to be put in: "12 g sugar, 1.2 kg water". */
const putWords = computed(
  () =>
    found.value?.put
      .map(
        ({ name, massG }) =>
          `${massG < 100 ? `${massG} g` : formatMass(massG, preferences.world)} ${name.toLowerCase()}`,
      )
      .join(', ') || 'nothing',
)
</script>

<template>
  <section class="sheet" aria-label="Correct it">
    <h2>Smallest correction</h2>
    <p v-if="off.length">
      <StateMark level="act" word="Off its target" />
      {{ off.map((aim) => namedValue(aim, figureOf(aim, composition) ?? NaN)).join(', ') }}.
    </p>
    <p v-else><StateMark level="fine" word="On target" /> By its last readings everything lies where it should.</p>
    <p v-if="off.length && lot.usedG > 0">
      Part of it is bottled or used already, so this pot is no longer the lot.
      <NuxtLink to="/blend">Put what is left on the bench</NuxtLink> as a part of a new blend, and the bottles keep
      their own history.
    </p>
    <template v-else-if="off.length">
      <el-checkbox-group v-model="chosen" aria-label="At hand" class="hand"
        ><el-checkbox v-for="id in CORRECTORS" :key="id" :value="id">{{
          book.library.material(id)?.name
        }}</el-checkbox></el-checkbox-group
      >
      <div class="row">
        <PickField
          v-model="stepG"
          label="Scale weighs to"
          hide-label
          :options="SCALE_STEPS.map((value) => ({ value, label: `scale of ${value} g` }))"
        />
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <template v-if="found"
        ><p data-figure="correction">
          <strong>Put in {{ putWords }}</strong>: then {{ found.after }}. {{ found.note }}
        </p>
        <SourDifference
          v-if="found.ph && found.ph.from.toFixed(2) !== found.ph.to.toFixed(2)"
          :from="found.ph.from"
          :to="found.ph.to"
        />
        <p class="small muted">Put in three quarters first, stir, read, then the rest: a pot has no way back.</p>
        <div v-if="found.put.length">
          <el-button type="primary" :loading="busy" @click="did">Done: I put it in</el-button>
        </div></template
      >
    </template>
  </section>
</template>

<style scoped>
.hand {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s4);
}
.row > :first-child {
  width: 150px;
}
</style>
