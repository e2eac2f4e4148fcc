<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { DraftSchema, entryWords, factsOf, lotsIn, momentOf, writtenAt, type Entry } from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { fullMoment } from '~/clock/moments'
import { focusInvalid } from '~/composables/focusInvalid'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** One entry dated ahead: when it was, or that it never was. Offered is when it was written down, where that can be. */
const { entry } = defineProps<{ entry: Entry }>()
const book = useBook()
const preferences = usePreferences()
const { busy, record } = useRecorder()
const atMs = ref<number | null>(Math.min(writtenAt(entry.id), nowMs()))
const codes = computed(() =>
  lotsIn(entry)
    .map((id) => book.lot(id)?.code)
    .filter(Boolean)
    .join(', '),
)
async function mend(event: Event) {
  if (focusInvalid(event) || atMs.value === null) return
  const mended = DraftSchema.parse({ ...factsOf(entry), at: momentOf(atMs.value), replaces: entry.id })
  if (await record(mended)) ElMessage.success('It counts from the moment you gave.')
}
async function takeBack() {
  if (await record({ kind: 'retract', at: nowMoment(), replaces: entry.id, reason: 'Dated ahead by a wrong clock.' }))
    ElMessage.success('Taken back.')
}
</script>

<template>
  <form class="one" novalidate @submit.prevent="mend">
    <p>
      <span class="code">{{ codes }}</span> {{ entryWords(entry, preferences.world) }}, dated
      <strong>{{ fullMoment(entry.at) }}</strong> by {{ entry.by }}
    </p>
    <div class="row">
      <MomentField v-model="atMs" label="It was on" />
      <el-button native-type="submit" class="low" :loading="busy">Count it then</el-button>
      <el-button class="low" :loading="busy" @click="takeBack">Take it back</el-button>
    </div>
  </form>
</template>

<style scoped>
.one {
  display: grid;
  gap: var(--s2);
}
.low {
  margin-top: 26px;
}
</style>
