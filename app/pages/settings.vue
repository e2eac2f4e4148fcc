<script setup lang="ts">
import { ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import { fullMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'
import { calibrationWords, useInstruments } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

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
const MOST_LETTERS = 40
const MOST_SIGNS = 6

const by = ref(preferences.by)
const money = ref(preferences.currency)
const asked = ref(false)
const wrong = ref({ by: '', money: '' })
watch(
  () => [preferences.by, preferences.currency] as const,
  ([name, sign]) => ([by.value, money.value] = [name, sign]),
)
function look() {
  const [name, sign] = [by.value.trim(), money.value.trim()]
  wrong.value = {
    by: name && name.length <= MOST_LETTERS ? '' : `A name of 1 to ${MOST_LETTERS} letters stands beside each entry.`,
    money: sign && sign.length <= MOST_SIGNS ? '' : `One to ${MOST_SIGNS} letters or signs, like € or CHF.`,
  }
  return !wrong.value.by && !wrong.value.money
}
watch([by, money], () => asked.value && look())
async function keep() {
  asked.value = true
  if (!look()) return
  await preferences.choose('by', by.value.trim())
  await preferences.choose('currency', money.value.trim())
  ElMessage.success('Kept: this name stands beside what you log from now on.')
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
            <WordField v-model="by" label="Your name in the log" :problem="wrong.by || null" />
            <WordField v-model="money" label="Prices in" :problem="wrong.money || null" />
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
          <h2>Your five words for heat</h2>
          <HeatWords />
        </section>
      </div>
      <section class="sheet">
        <h2>How it is written, how it is lit</h2>
        <div>
          <span class="field-label">Units</span
          ><el-radio-group
            :model-value="preferences.world"
            aria-label="Units"
            @update:model-value="(value) => preferences.chooseWorld(value as 'metric' | 'us')"
            ><el-radio-button v-for="one in UNITS" :key="one.value" :value="one.value">{{
              one.label
            }}</el-radio-button></el-radio-group
          >
          <p class="small muted">Any field takes any unit: "1 1/2 cup", "2 lb 3 oz", "68F".</p>
        </div>
        <div>
          <span class="field-label">Dates</span
          ><el-radio-group
            :model-value="preferences.dates"
            aria-label="Dates"
            @update:model-value="(value) => preferences.choose('dates', value as 'browser')"
            ><el-radio-button v-for="one in DATES" :key="one.value" :value="one.value">{{
              one.label
            }}</el-radio-button></el-radio-group
          >
          <p class="small muted">
            Now it is <span data-figure="now">{{ fullMoment(book.nowMs) }}</span>.
          </p>
        </div>
        <div>
          <span class="field-label">Light</span
          ><el-radio-group
            :model-value="preferences.theme"
            aria-label="Light"
            @update:model-value="(value) => preferences.choose('theme', value as 'auto')"
            ><el-radio-button v-for="one in LIGHTS" :key="one.value" :value="one.value">{{
              one.label
            }}</el-radio-button></el-radio-group
          >
        </div>
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
.low {
  margin-top: 26px;
}
.meters li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s3);
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
}
</style>
