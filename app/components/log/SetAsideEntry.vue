<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { DraftSchema, entryWords, factsOf, lotsIn, momentOf, writtenAt, type Entry } from '@lactofer/core'
import { nowMoment, nowMs } from '~/clock/clock'
import { fullMoment } from '~/clock/moments'
import { useForm } from '~/composables/useForm'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** One entry dated ahead: when it was, or that it never was. Offered is when it was written down, where that can be. */
const { entry } = defineProps<{ entry: Entry }>()
const book = useBook()
const preferences = usePreferences()
const { form, busy, confirm, record } = useForm({
  fresh: () => ({ atMs: Math.min(writtenAt(entry.id), nowMs()) as number | null }),
  problems: () => ({}),
})
const codes = computed(() =>
  lotsIn(entry)
    .map((id) => book.lot(id)?.code)
    .filter(Boolean)
    .join(', '),
)
async function mend(event: Event) {
  const { atMs } = form.value
  const mended = () =>
    atMs === null ? null : [DraftSchema.parse({ ...factsOf(entry), at: momentOf(atMs), replaces: entry.id })]
  if (await confirm(event, mended)) say.done('It counts from the moment you gave.')
}
async function takeBack() {
  if (await record({ kind: 'retract', at: nowMoment(), replaces: entry.id, reason: 'Dated ahead by a wrong clock.' }))
    say.done('Taken back.')
}
</script>

<template>
  <form class="one" novalidate @submit.prevent="mend">
    <p>
      <span class="code">{{ codes }}</span> {{ entryWords(entry, preferences.world) }}, dated
      <strong>{{ fullMoment(entry.at) }}</strong> by {{ entry.by }}
    </p>
    <div class="row">
      <MomentField v-model="form.atMs" label="It was on" />
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
</style>
