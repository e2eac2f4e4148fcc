<script setup lang="ts">
import { twinOf, type Lot } from '@lactofer/core'
import { useRehearsal } from '~/composables/useRehearsal'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Beside a lot that is behind: its twin, with other luck, in the practice loft. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const { begin, busy, problem } = useRehearsal()
const rehearse = async () => {
  const twin = twinOf(lot, preferences.kit, book.nowMs)
  if (twin) await begin(twin)
}
</script>

<template>
  <div>
    <el-button text :loading="busy" @click="rehearse">Rehearse its twin</el-button>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
