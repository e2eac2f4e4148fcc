<script setup lang="ts">
import { computed } from 'vue'
import { formatMass, formatNumber, spoonWords, type PlanFigures } from '@lactofer/core'
import type { PlanForm } from '~/forms/planForm'
import { saltedOf } from '~/forms/planResults'
import { slipOf, spoonsOf } from '~/forms/saltAnswer'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * The answer of a plan in two lines, which goes along on a phone while the rows are typed: salt and spoons, strength
 * on its basis and evened out, start pH, and what is wrong with it. The sheet of results says all of it.
 */
const { form, figures } = defineProps<{
  form: PlanForm
  figures: PlanFigures
  /** How full its vessels are, and the colour of what is in them. */
  fraction: number | null
  color: string
}>()
const book = useBook()
const preferences = usePreferences()
const said = computed(() => saltedOf(form, book.book)?.said ?? null)
const spoons = computed(() => {
  if (said.value && (said.value.kind === 'by eye' || said.value.spooned)) return form.saltSaid
  const found = spoonsOf(
    figures,
    book.library.salts.find(({ id }) => id === form.saltId),
  )
  return found ? spoonWords(found) : null
})
const wrong = computed(() => {
  if (figures.tooWeak) return 'too weak'
  if (figures.mayBeWeak) return 'may be too weak'
  return slipOf(book.book, form, figures) ? 'a slip?' : null
})
const of = computed(() => {
  const { ofWaterPct, ofIngredientsPct } = figures.dose
  if (ofWaterPct !== null) return `${formatNumber(ofWaterPct, 1)} % of the water`
  return ofIngredientsPct === null ? null : `${formatNumber(ofIngredientsPct, 1)} % of the ingredients`
})
</script>

<template>
  <div class="digest" aria-hidden="true">
    <span class="jar"><i :style="{ '--fill': `${100 * Math.min(1, fraction ?? 0)}%`, '--of': color }" /></span>
    <div>
      <p class="main">
        <span v-if="figures.style.saltPct">{{ formatMass(figures.dose.saltG, preferences.world) }} salt</span
        ><span>{{ formatNumber(figures.dose.ofEverythingPct, 2) }} %</span
        ><span v-if="figures.ph" class="sour">pH {{ figures.ph.typical.toFixed(1) }}</span
        ><b v-if="wrong" class="wrong">{{ wrong }}</b>
      </p>
      <p v-if="figures.style.saltPct" class="more">{{ [spoons, of].filter(Boolean).join('; ') }}</p>
    </div>
  </div>
</template>

<style scoped>
.digest {
  display: none;
  position: sticky;
  top: var(--rail-height);
  z-index: 3;
  margin: 0 calc(-1 * var(--s3));
  padding: var(--s2) var(--s3);
  background: var(--surface);
  border-bottom: 1px solid var(--line);
}
.jar i {
  display: block;
  width: 30px;
  height: 42px;
  border: 2px solid var(--outline);
  border-radius: 4px 4px 7px 7px;
  background: linear-gradient(to top, var(--of) var(--fill), var(--glass) var(--fill));
}
.main {
  display: flex;
  gap: var(--s4);
  font: 700 18px var(--display);
  font-stretch: 85%;
  color: var(--salt);
}
.more {
  font-size: 14px;
  color: var(--muted);
}
.sour {
  color: var(--acid);
}
.wrong {
  color: var(--act);
}
@media (max-width: 900px) {
  .digest {
    display: flex;
    gap: var(--s3);
    align-items: center;
  }
}
</style>
