<script setup lang="ts">
import { computed } from 'vue'
import {
  drawnSize,
  fillWorking,
  formatMass,
  formatNumber,
  phWorking,
  yieldWorking,
  type PlanFigures,
  type Working,
} from '@lactofer/core'
import { layersOf, type PlanForm } from '~/forms/planForm'
import { bottlesOf } from '~/forms/planResults'
import { isRoughSalt, saltWorkingOf } from '~/forms/saltAnswer'
import type { PlanVessels } from '~/composables/usePlanVessels'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * The answer of a plan as a jar that fills while its rows are typed: a layer an ingredient, salt in white, the limit;
 * beside it four figures, each of which opens to its working.
 */
const { form, figures, vessels } = defineProps<{
  form: PlanForm
  figures: (PlanFigures & { waterG: number }) | null
  vessels: PlanVessels
}>()
const book = useBook()
const preferences = usePreferences()
const ROOM_PX = { width: 128, height: 176 }
const USUAL_ML = 1000

const filled = computed(() => vessels.filled.value)
const vessel = computed(
  () =>
    filled.value?.known[0]?.vessel ?? {
      ...{ id: '', name: '', shape: 'jar' as const, capacityMl: USUAL_ML, closure: 'loose lid' as const },
      ...drawnSize('jar', USUAL_ML),
    },
)
const scale = computed(() => Math.min(ROOM_PX.width / vessel.value.widthMm, ROOM_PX.height / vessel.value.heightMm))
const layers = computed(() => layersOf(form, figures, book.book))
const count = computed(() => filled.value?.known.reduce((sum, one) => sum + one.count, 0) ?? 0)
interface Told {
  name: string
  figure: string
  kind: string
  working: Working | null
}
const saltWords = (saltG: number) =>
  `${isRoughSalt(book.book, form) ? '≈ ' : ''}${formatMass(saltG, preferences.world, preferences.world === 'metric')}`
const told = computed((): Told[] => {
  const of = figures
  if (!of) return []
  const bottles = bottlesOf(of, form.bottleMl)
  const fill = filled.value?.fill
  return [
    ...(of.style.saltPct
      ? [
          {
            ...{ name: 'salt', kind: 'salt', figure: saltWords(of.dose.saltG) },
            working: saltWorkingOf(book.book, form, of),
          },
        ]
      : []),
    {
      ...{
        name: count.value > 1 ? `full, ${count.value} vessels` : 'full',
        kind: fill?.verdict === 'fits' ? '' : 'off',
      },
      figure: fill ? `${formatNumber(100 * fill.fraction)} %` : '–',
      working: fill ? fillWorking(fill, { ...of.composition, ...of.properties, limit: of.fillLimit }) : null,
    },
    ...(of.ph
      ? [
          {
            ...{ name: of.style.ferments ? 'start pH' : 'pH', kind: 'acid', figure: of.ph.typical.toFixed(1) },
            working: phWorking(of.parts, of.ph),
          },
        ]
      : []),
    {
      ...{ name: bottles.noun, kind: '', figure: bottles.words },
      working: yieldWorking(of, form.bottleMl),
    },
  ]
})
</script>

<template>
  <section class="sheet plan-jar" aria-label="The jar it fills">
    <div class="drawn" aria-hidden="true">
      <VesselDrawing
        :vessel="vessel"
        :fraction="filled?.fill.fraction ?? 0"
        color="#cdbd84"
        :layers="layers"
        :limit="figures?.fillLimit"
        :closure="vessels.closure.value"
        code=""
        day=""
        :hot="form.hot"
        :scale="scale"
        bare
      />
    </div>
    <p v-if="!figures" class="muted">Weigh something in: the jar fills, and what it comes to stands here.</p>
    <div v-else class="told">
      <details v-for="one in told" :key="one.name" :class="one.kind">
        <summary>
          <span class="figure" :data-figure="one.kind === 'salt' ? 'salt' : undefined">{{ one.figure }}</span>
          <span class="name">{{ one.name }}</span>
        </summary>
        <WorkingSteps v-if="one.working" :working="one.working" />
      </details>
    </div>
  </section>
</template>

<style scoped>
.plan-jar {
  grid-template-columns: auto 1fr;
  gap: var(--s4);
  align-items: start;
}
.drawn {
  min-width: 110px;
  display: grid;
  justify-items: center;
}
.told {
  display: grid;
  gap: 2px;
}
summary {
  cursor: pointer;
  min-height: var(--touch);
  display: flex;
  align-items: baseline;
  gap: var(--s2);
  list-style: none;
}
summary::-webkit-details-marker {
  display: none;
}
summary:hover .name,
summary:focus-visible .name {
  text-decoration: underline dotted;
}
.figure {
  font-size: 30px;
}
.salt .figure {
  color: var(--salt);
}
.acid .figure {
  color: var(--acid);
}
.off .figure {
  color: var(--act);
}
</style>
