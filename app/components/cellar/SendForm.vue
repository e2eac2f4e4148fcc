<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import type { Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** Bottles that leave: how many, and to whom, for the day someone calls. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const count = ref<number | null>(null)
const to = ref('')
const asked = ref(false)
const problem = computed(() => count.value === null ? 'Count the bottles.' : count.value > (lot.bottles?.left ?? 0) ? `Only ${lot.bottles?.left} are here.` : to.value.trim() ? null : 'Say where they went.')
async function send(event: Event) {
  asked.value = true
  if (focusInvalid(event)) return
  if (problem.value || count.value === null) return
  try {
    await book.record({ kind: 'send', at: new Date().toISOString(), lotId: lot.id, count: count.value, to: to.value.trim() })
    count.value = null
    to.value = ''
    asked.value = false
  } catch {
    ElMessage.error('This could not be written to the log. Try again.')
  }
}
</script>

<template>
  <form class="stack" novalidate @submit.prevent="send">
    <h3>Send bottles out</h3>
    <p v-if="lot.release?.decision !== 'released'"><StateMark level="ask" word="Not released" /> Release it first; this lot is not cleared to leave.</p>
    <template v-else>
      <div class="fields"><QuantityField v-model="count" kind="count" label="Bottles" :limits="{ low: 1 }" /><WordField v-model="to" label="To" placeholder="Saturday market" /></div>
      <p v-if="asked && problem" class="problem" role="alert">{{ problem }}</p>
      <div><el-button type="primary" native-type="submit">Record it</el-button></div>
    </template>
  </form>
</template>
