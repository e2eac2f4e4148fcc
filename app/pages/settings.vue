<script setup lang="ts">
import { watch } from 'vue'
import { say } from '~/composables/say'
import { fullMoment } from '~/clock/moments'
import { useForm, type Problems } from '~/composables/useForm'
import { useBook } from '~/stores/book'
import { calibrationWords, useInstruments } from '~/stores/instruments'
import { MOST_LETTERS, usePreferences } from '~/stores/preferences'

/** Who is at the bench, what they have, and how things are written and lit for them. Kept in this browser. */
const book = useBook()
const instruments = useInstruments()
const preferences = usePreferences()
const UNITS = [
  { value: 'metric', label: 'g, mL, °C' },
  { value: 'us', label: 'oz, cups, °F' },
] as const
const DATES = [
  { value: 'browser', label: 'As the browser' },
  { value: 'day first', label: '28 Nov, 17:30' },
  { value: 'month first', label: 'Nov 28, 5:30 PM' },
] as const
const LIGHTS = [
  { value: 'auto', label: 'As the system' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
] as const
const fits = (text: string, most: number) => text.trim().length > 0 && text.trim().length <= most

const { form, shown, ready, reset } = useForm({
  fresh: () => ({ by: preferences.by, currency: preferences.currency }),
  problems: (): Problems<'by' | 'currency'> => ({
    by: fits(form.value.by, MOST_LETTERS.by)
      ? null
      : `A name of 1 to ${MOST_LETTERS.by} letters stands beside each entry.`,
    currency: fits(form.value.currency, MOST_LETTERS.currency)
      ? null
      : `One to ${MOST_LETTERS.currency} letters or signs, like € or CHF.`,
  }),
})
// What another window chose, or what is read a moment after the page opened, stands here too.
watch(() => [preferences.by, preferences.currency], reset)
async function keep(event: Event) {
  if (!(await ready(event))) return
  const { by, currency } = form.value
  await preferences.choose('by', by.trim())
  await preferences.choose('currency', currency.trim())
  say.done('Kept: this name stands beside what you log from now on.')
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Settings</h1>
      <p>Kept in this browser; the log itself does not change with them.</p>
    </header>
    <KitPanel />
    <div class="halves">
      <div class="stack">
        <section class="sheet">
          <h2>Who is at the bench</h2>
          <form class="fields" novalidate aria-label="Who is at the bench" @submit.prevent="keep">
            <WordField v-model="form.by" label="Your name in the log" :problem="shown.by ?? null" />
            <WordField v-model="form.currency" label="Prices in" :problem="shown.currency ?? null" />
            <el-button native-type="submit" class="low">Keep it</el-button>
          </form>
        </section>
        <section class="sheet" aria-label="Instruments">
          <h2>Instruments</h2>
          <p v-if="!instruments.calibrations.size" class="muted">
            No meter is in the log yet. One that was calibrated on two buffers, or checked in them, is trusted further.
          </p>
          <ul v-else class="plain-list meters">
            <li v-for="meter in instruments.calibrations.values()" :key="meter.meter">
              <strong>{{ meter.meter }}</strong> <span>{{ calibrationWords(meter, book.nowMs) }}</span>
            </li>
          </ul>
          <div><el-button @click="instruments.calibrating = true">Calibrate or check a meter</el-button></div>
        </section>
        <section class="sheet">
          <h2>Other devices</h2>
          <p>A phone for the round, a tablet at the bench: they can have one log.</p>
          <div><NuxtLink to="/devices" class="way">Devices</NuxtLink></div>
        </section>
        <section class="sheet">
          <h2>Your five words for heat</h2>
          <HeatWords />
        </section>
      </div>
      <section class="sheet">
        <h2>How it is written, how it is lit</h2>
        <div>
          <TapField
            :model-value="preferences.world"
            label="Units"
            :options="UNITS"
            @update:model-value="(value) => value && preferences.chooseWorld(value)"
          />
          <p class="small muted">Any field takes any unit: "1 1/2 cup", "2 lb 3 oz", "68F".</p>
        </div>
        <div>
          <TapField
            :model-value="preferences.dates"
            label="Dates"
            :options="DATES"
            @update:model-value="(value) => value && preferences.choose('dates', value)"
          />
          <p class="small muted">Now it is <span data-figure="now">{{ fullMoment(book.nowMs) }}</span>.</p>
        </div>
        <TapField
          :model-value="preferences.theme"
          label="Light"
          :options="LIGHTS"
          @update:model-value="(value) => value && preferences.choose('theme', value)"
        />
      </section>
    </div>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: var(--s5);
  align-items: start;
}
.meters li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s3);
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
}
</style>
