<script setup lang="ts">
import { computed } from 'vue'
import {
  HOUR_MS,
  isByEye,
  looksOf,
  lotCaseOf,
  odds,
  questionsOf,
  senseWords,
  toldOf,
  tongueOf,
  underAt,
  valueAt,
  type FermentForecast,
  type Lot,
  type ToldJudgement,
} from '@lactofer/core'
import { weekdayMoment } from '~/clock/moments'
import { SENSED_MEMBERS, useForecast } from '~/composables/useForecast'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * What eyes and tongue tell of a lot: questions with one tap each, what they come to, before and after the newest, and
 * what a strip would narrow.
 */
const { lot, stand } = defineProps<{ lot: Lot; stand: ToldJudgement | null }>()
const book = useBook()
const preferences = usePreferences()
const questions = computed(() => questionsOf(book.book, lot, stand, book.nowMs))
const looks = computed(() => looksOf(lot))
const newest = computed(() => looks.value.at(-1) ?? null)
const hour = computed(() => (book.nowMs - lot.startedMs) / HOUR_MS)
const days = computed(() => Math.min(1000, Math.ceil(hour.value / 24) + 4))
/** The lot as it was told before the newest entry. */
const earlier = computed((): Lot => {
  const last = lot.senses.at(-1)
  return last && Date.parse(last.at) === newest.value?.atMs ? { ...lot, senses: lot.senses.slice(0, -1) } : lot
})
const caseOf = (of: Lot) => {
  const batch = lotCaseOf(book.book, of, book.nowMs)
  return batch && { batch, days: days.value, scenarios: [] }
}
const now = useForecast(
  computed(() => (looks.value.length ? caseOf(lot) : null)),
  SENSED_MEMBERS,
)
const before = useForecast(
  computed(() => (looks.value.length && earlier.value !== lot ? caseOf(earlier.value) : null)),
  SENSED_MEMBERS,
)
type Shown = Omit<FermentForecast, 'learned'> | null | undefined
const chanceOf = (forecast: Shown) =>
  forecast?.under ? underAt({ hours: forecast.hours, chances: forecast.under }, hour.value) : null
const bandOf = (forecast: Shown) =>
  forecast && {
    low: valueAt(forecast.hours, forecast.blended.low, hour.value),
    high: valueAt(forecast.hours, forecast.blended.high, hour.value),
  }
/** The judge's word, and no other, stands here: one chance for page, shelf and round. */
const chance = computed(() => {
  const said = stand?.reasons.find(isByEye)
  return said && 'chance' in said.facts ? said.facts.chance : null
})
const band = computed(() => bandOf(now.answer.value?.forecast))
const bandBefore = computed(() => bandOf(before.answer.value?.forecast))
const chanceBefore = computed(() => chanceOf(before.answer.value?.forecast))
/** A strip errs by this, pH: nine in ten lie within 1.645 times it. */
const STRIP_WIDTH = 2 * 1.645 * 0.2
const narrows = computed(() => {
  const width = band.value ? band.value.high - band.value.low : 0
  if (width <= 0) return null
  const after = 1 / Math.hypot(1 / width, 1 / STRIP_WIDTH)
  return after < 0.8 * width ? { width, after } : null
})
/** Never more than may be said: 99. */
const inHundred = (value: number) => Math.min(99, Math.round(100 * value))
const told = computed(() => (chance.value === null ? null : toldOf(chance.value)))
/** Never green beside a warning. */
const level = computed(() =>
  told.value === 'unlikely' ? 'act' : told.value === 'likely' && stand?.make !== 'stop' ? 'fine' : 'ask',
)
const tongue = computed(() => tongueOf(book.book, preferences.by))
const tongueWords = computed(() => {
  const { offset, pairs } = tongue.value
  if (pairs < 2) return ''
  const way =
    offset.mean > 0.15
      ? 'you call things sourer than most'
      : offset.mean < -0.15
        ? 'you call things milder than most'
        : 'you taste as most do'
  return `Assimilated from ${pairs} tastes with a pH beside them: ${way}.`
})
const past = computed(() => [...looks.value].reverse().slice(0, 8))
</script>

<template>
  <section class="sheet" aria-label="By eye and tongue">
    <h2>By eye and tongue</h2>
    <SenseTaps :lot="lot" :questions="questions" />
    <p v-if="!questions.includes('sour')" class="small muted">
      Not tasted yet: only once it bubbled, while its time runs, and with nothing doubtful open.
    </p>
    <div v-if="told && chance !== null && !stand?.passed" class="stack told" data-figure="by-senses" role="status">
      <p>
        <StateMark :level="level" :word="told" /> that it passed 4.6 in its time and stands under it
        <strong>({{ odds(chance) }})</strong>.
      </p>
      <p v-if="newest && chanceBefore !== null" class="small">
        <strong>{{ senseWords(newest.question, newest.step) }}</strong> moved it from {{ odds(chanceBefore) }} to
        {{ odds(chance)
        }}<template v-if="band && bandBefore"
          >; pH by now {{ band.low.toFixed(1) }} to {{ band.high.toFixed(1) }} (before:
          {{ bandBefore.low.toFixed(1) }} to {{ bandBefore.high.toFixed(1) }})</template
        >.
      </p>
      <p v-if="narrows" class="small" data-figure="strip-narrows">
        Next, at a few cents: a strip now would narrow the pH from {{ narrows.width.toFixed(1) }} to about
        {{ narrows.after.toFixed(1) }} wide.
      </p>
      <p class="small muted">
        A probability, never "safe". It may mean: wait, keep it cold, eat it at home. It never means the shelf, sale,
        oil, a jar sealed warm, or food for infants, pregnant or immune-weak people.
      </p>
      <details class="disclose small">
        <summary>Why: the figure</summary>
        <p>{{ inHundred(chance) }} in 100 in our simulations.</p>
      </details>
    </div>
    <p v-else-if="looks.length && !stand?.passed && now.busy.value" class="small muted">Weighing what was seen …</p>
    <details v-if="past.length" class="disclose">
      <summary>What it rests on</summary>
      <ul class="plain-list small past">
        <li v-for="(look, index) in past" :key="index">
          {{ weekdayMoment(look.atMs) }}: {{ senseWords(look.question, look.step)
          }}<template v-if="look.marks.length">, jar {{ look.marks.join(', ') }}</template> ({{ look.by }})
        </li>
      </ul>
      <p v-if="tongueWords" class="small muted">{{ tongueWords }}</p>
    </details>
  </section>
</template>

<style scoped>
.told {
  gap: var(--s2);
  padding: var(--s3);
  background: var(--wash);
  border-radius: var(--radius);
}
.past {
  display: grid;
  gap: 2px;
  padding: var(--s2) 0;
}
</style>
