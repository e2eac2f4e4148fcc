<script setup lang="ts">
import { ref } from 'vue'
import type { Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'

const book = useBook()
const router = useRouter()
const text = ref('')

function suggest(query: string, answer: (found: { value: string, lot: Lot }[]) => void) {
  const words = query.trim().toLowerCase().split(/\s+/)
  answer(book.lots.filter(lot => words.every(word => `${lot.code} ${lot.name}`.toLowerCase().includes(word))).slice(-30).reverse().map(lot => ({ value: `${lot.code} ${lot.name}`, lot })))
}
function open(found: Record<string, unknown>) {
  const { id, kind } = found.lot as Lot
  text.value = ''
  void router.push(kind === 'ferment' ? `/ferment/${id}` : { path: '/cellar', query: { lot: id } })
}
</script>

<template>
  <el-autocomplete v-model="text" data-find class="finder" :fetch-suggestions="suggest" placeholder="Find a lot  /" aria-label="Find a lot by code or name" highlight-first-item @select="open">
    <template #default="{ item }"><span class="code">{{ item.lot.code }}</span> {{ item.lot.name }}</template>
  </el-autocomplete>
</template>

<style scoped>
.finder.el-autocomplete { width: 148px; }
@media (max-width: 700px) { .finder.el-autocomplete { width: 128px; } }
</style>
