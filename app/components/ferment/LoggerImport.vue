<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { formatNumber, HOUR_MS, type ProcessPlace, type Lot } from '@lactofer/core'
import { shortMoment } from '~/clock/moments'
import { useLoggerFile } from '~/composables/useLoggerFile'
import { useRecorder } from '~/composables/useRecorder'

/** A logger's record from a file: its columns, what is read of it, then into the log. */
const { lot, heatOf } = defineProps<{ lot: Lot; heatOf?: ProcessPlace }>()
const shown = ref(false)
const name = ref('Logger')
const {
  opened,
  columns,
  record: found,
  problem,
  busy,
  open,
  read,
  draft,
} = useLoggerFile(
  () => lot.startedMs - (heatOf ? 12 : 1) * HOUR_MS,
  () => heatOf,
)
const { busy: writing, record } = useRecorder('The file is still open; try again.')
async function choose([file]: File[]) {
  if (!file) return
  name.value = file.name.replace(/\.[a-z]+$/i, '').slice(0, 60) || 'Logger'
  shown.value = true
  await open(file)
}
const none = { value: -1, label: 'none' }
const options = computed(() =>
  (opened.value?.head ?? []).map((label, value) => ({ value, label: label || `column ${value + 1}` })),
)
function change(key: 'time' | 'clock' | 'tempC' | 'ph', value: number) {
  if (columns.value) columns.value = { ...columns.value, [key]: value < 0 ? null : value }
  void read()
}
const temps = computed(() => (found.value?.points ?? []).flatMap(({ tempC }) => tempC ?? []))
async function keep() {
  if (!found.value || !(await record(draft(lot.id, name.value.trim() || 'Logger')))) return
  say.done(`${found.value.points.length} points are in the log.`)
  shown.value = false
}
const spanWords = computed(() => {
  const [first, last] = [found.value?.points[0], found.value?.points.at(-1)]
  return first && last ? `${shortMoment(first.atMs)} to ${shortMoment(last.atMs)}` : ''
})
</script>

<template>
  <div>
    <FileButton label="Import a logger’s CSV" accept=".csv,.txt,.tsv,text/csv" quiet @files="choose" />
    <el-dialog v-model="shown" :title="`A logger’s record for ${lot.code}`" width="min(96vw, 680px)">
      <div class="stack">
        <p v-if="busy" class="muted">Reading …</p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <template v-if="opened && columns">
          <div class="fields">
            <PickField
              :model-value="columns.time"
              label="Time"
              :options="options"
              @update:model-value="(value) => change('time', value)"
            />
            <PickField
              :model-value="columns.clock ?? -1"
              label="Time of day, if apart"
              :options="[none, ...options]"
              @update:model-value="(value) => change('clock', value)"
            />
            <PickField
              :model-value="columns.tempC ?? -1"
              label="Temperature"
              :options="[none, ...options]"
              @update:model-value="(value) => change('tempC', value)"
            />
            <PickField
              v-if="!heatOf"
              :model-value="columns.ph ?? -1"
              label="pH"
              :options="[none, ...options]"
              @update:model-value="(value) => change('ph', value)"
            />
            <WordField v-model="name" label="Name of the logger" />
          </div>
          <div class="row">
            <el-checkbox v-model="columns.fahrenheit" @change="read">Temperatures are in °F</el-checkbox>
            <el-checkbox
              :model-value="columns.order === 'mdy'"
              @update:model-value="
                (value) => {
                  columns!.order = value ? 'mdy' : 'dmy'
                  read()
                }
              "
              >Month before day (5/24)</el-checkbox
            >
          </div>
          <div class="sideways">
            <table class="plain small">
              <thead>
                <tr>
                  <th v-for="(head, index) in opened.head" :key="index">{{ head }}</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(line, index) in opened.first" :key="index">
                  <td v-for="(cell, at) in line" :key="at">{{ cell }}</td>
                </tr>
              </tbody>
            </table>
          </div>
          <div v-if="found" data-figure="record">
            <p>
              <strong>{{ formatNumber(found.rows) }} lines</strong>, {{ spanWords
              }}<template v-if="temps.length"
                >, <TemperatureText :temp-c="Math.min(...temps)" /> to
                <TemperatureText :temp-c="Math.max(...temps)" /></template
              >.
            </p>
            <p v-if="found.withinC > 0" class="small">
              {{ formatNumber(found.points.length) }} points are kept; what is left out lies within
              {{ formatNumber(found.withinC, 1) }} °C and {{ formatNumber(found.withinPh, 2) }} pH of the line between
              them.
            </p>
            <ul v-if="found.remarks.length" class="small">
              <li v-for="remark in found.remarks" :key="remark">{{ remark }}</li>
            </ul>
          </div>
        </template>
        <div class="row">
          <el-button type="primary" :disabled="!found || busy" :loading="writing" @click="keep"
            >Keep it in the log</el-button
          ><el-button @click="shown = false">Leave it</el-button>
        </div>
      </div>
    </el-dialog>
  </div>
</template>
