<script setup lang="ts">
import { ref } from 'vue'
import { ElMessage } from 'element-plus'
import { CHORES, SIGNS, type Draft, type Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** What was done and what was seen, one tap each; and the end, with its reason. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const discarding = ref(false)
const reason = ref('')
const problem = ref('')

async function record(draft: Draft, said: string) {
  try {
    await book.record(draft)
    ElMessage.success(said)
  } catch {
    ElMessage.error('This could not be written to the log. Try again; nothing else was changed.')
  }
}
const now = () => new Date().toISOString()
const did = (chore: typeof CHORES[number]) => record({ kind: 'chore', at: now(), lotId: lot.id, chore }, `${chore}: recorded. A wrong tap is taken back in the log.`)
const saw = (sign: typeof SIGNS[number]) => record({ kind: 'sign', at: now(), lotId: lot.id, sign }, `${sign}: recorded.`)
async function discard() {
  problem.value = reason.value.trim() ? '' : 'Say why: the next batch learns from it.'
  if (problem.value) return
  await record({ kind: 'discard', at: now(), lotId: lot.id, reason: reason.value.trim() }, 'Discarded.')
  discarding.value = false
}
const firstChores = CHORES.slice(0, 7)
</script>

<template>
  <div class="stack">
    <div role="group" aria-labelledby="done"><h3 id="done">Done just now</h3><div class="taps"><el-button v-for="chore in firstChores" :key="chore" @click="did(chore)">{{ chore }}</el-button></div></div>
    <div role="group" aria-labelledby="seen"><h3 id="seen">Seen just now</h3><div class="taps"><el-button v-for="sign in SIGNS" :key="sign" @click="saw(sign)">{{ sign }}</el-button></div></div>
    <div><el-button type="danger" plain class="discard" @click="discarding = true">Discard this lot …</el-button></div>
    <el-dialog v-model="discarding" :title="`Discard ${lot.code} ${lot.name}`" width="460px">
      <div class="stack">
        <p>Do not taste it. The lot leaves the shelf; its log stays.</p>
        <WordField v-model="reason" label="Why" placeholder="Green fuzzy growth on day 8" :problem="problem" />
        <div class="row"><el-button type="danger" @click="discard">Discard it</el-button><el-button @click="discarding = false">Keep it</el-button></div>
      </div>
    </el-dialog>
  </div>
</template>

<style scoped>
h3 { margin-bottom: var(--s2); }
.taps { display: flex; flex-wrap: wrap; gap: var(--s2); }
html .discard { --el-button-text-color: var(--discard); --el-button-bg-color: transparent; --el-button-border-color: var(--discard); --el-button-hover-text-color: #fff; --el-button-hover-bg-color: #9b1230; }
</style>
