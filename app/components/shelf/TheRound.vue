<script setup lang="ts">
import { ref } from 'vue'
import { ElMessage } from 'element-plus'
import type { Ask } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** What the shelf asks for today, worst first. One tap records a chore; undo takes it back. */
const book = useBook()
const busy = ref(false)
const last = ref<{ entryId: string, text: string } | null>(null)

async function done(ask: Ask) {
  if (!ask.chore) return
  busy.value = true
  try {
    const [entryId = ''] = await book.record({ kind: 'chore', at: new Date().toISOString(), lotId: ask.lotId, chore: ask.chore })
    last.value = { entryId, text: `${book.lot(ask.lotId)?.code}: ${ask.chore} recorded.` }
  } catch {
    ElMessage.error('This could not be written to the log. Try again; nothing else was changed.')
  } finally {
    busy.value = false
  }
}
async function undo() {
  if (!last.value) return
  await book.record({ kind: 'retract', at: new Date().toISOString(), replaces: last.value.entryId, reason: 'Undone right away.' })
  last.value = null
}
const target = (ask: Ask) => ask.go === 'press' ? `/press?lot=${ask.lotId}` : ask.go === 'bottle' ? `/bottle?lot=${ask.lotId}` : `/ferment/${ask.lotId}`
const verb = (ask: Ask) => ask.go === 'press' ? 'Press' : ask.go === 'bottle' ? 'Read' : ask.level === 'discard' ? 'Look' : 'Read'
const levelWord = { discard: 'Discard', act: 'Act', ask: 'Ask', fine: 'Ready' } as const
</script>

<template>
  <section class="sheet round" aria-label="The round">
    <header><h2>The round</h2><p class="muted small">{{ book.asks.length ? `${book.asks.length} ${book.asks.length === 1 ? 'thing' : 'things'} to do, most pressing first` : 'Nothing is asked for now. Look and smell all the same.' }}</p></header>
    <p v-if="last" class="undo" role="status">{{ last.text }} <el-button size="small" @click="undo">Undo</el-button></p>
    <ul class="plain-list">
      <li v-for="ask in book.asks" :key="ask.lotId + ask.title">
        <div>
          <p><span class="code">{{ book.lot(ask.lotId)?.code }}</span> {{ book.lot(ask.lotId)?.name }} <span v-if="book.lot(ask.lotId)?.hot" class="hot">HOT</span></p>
          <p><StateMark :level="ask.level" :word="ask.title" /><span class="visually-hidden"> ({{ levelWord[ask.level] }})</span></p>
          <p class="muted small">{{ ask.why }}</p>
        </div>
        <el-button v-if="ask.chore" type="primary" :disabled="busy" :aria-label="`${ask.title}, ${book.lot(ask.lotId)?.code}: done`" @click="done(ask)">Done</el-button>
        <NuxtLink v-else :to="target(ask)" class="go">{{ verb(ask) }}<span class="visually-hidden"> {{ book.lot(ask.lotId)?.code }}</span></NuxtLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.round { padding: 0; gap: 0; }
header { padding: var(--s3) var(--s4); border-bottom: 1px solid var(--line); }
li { display: grid; grid-template-columns: 1fr auto; gap: var(--s3); align-items: center; padding: var(--s3) var(--s4); border-bottom: 1px solid var(--line); }
li:last-child { border-bottom: 0; }
.go { display: inline-flex; align-items: center; justify-content: center; min-height: var(--touch); min-width: 70px; padding: 0 var(--s3); border: 1px solid var(--bottle); border-radius: var(--radius); font-weight: 600; text-decoration: none; }
.undo { display: flex; align-items: center; justify-content: space-between; gap: var(--s2); padding: var(--s2) var(--s4); background: var(--wash); }
.hot { background: #b32c10; color: #fff; font: 700 12px var(--display); padding: 2px 6px; border-radius: 3px; letter-spacing: .04em; }
</style>
