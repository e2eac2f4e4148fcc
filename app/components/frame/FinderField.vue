<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { pageOfLot } from '~/words/askWords'
import { useBook } from '~/stores/book'

/** Jumps to a lot by any words of its code or name; closes once it was left. */
const emit = defineEmits<{ close: [] }>()
const book = useBook()
const router = useRouter()
const query = ref('')
const field = useTemplateRef<{ focus: () => void }>('field')
onMounted(() => field.value?.focus())
const MOST = 30

const found = computed(() => {
  const words = query.value.trim().toLowerCase().split(/\s+/)
  return book.lots
    .filter((lot) =>
      words.every((word) => `${lot.code} ${lot.formerCodes.join(' ')} ${lot.name}`.toLowerCase().includes(word)),
    )
    .slice(-MOST)
    .reverse()
})
function open(id: string) {
  emit('close')
  const lot = book.lot(id)
  if (lot) void router.push(pageOfLot(lot))
}
</script>

<template>
  <div class="finder">
    <el-select
      ref="field"
      model-value=""
      filterable
      remote
      :remote-method="(typed: string) => (query = typed)"
      placeholder="Find a lot  /"
      aria-label="Find a lot by code or name"
      :no-data-text="book.whole ? 'No lot of that name' : 'The log is being opened …'"
      @change="open"
      @visible-change="(shown: boolean) => shown || emit('close')"
    >
      <el-option v-for="lot in found" :key="lot.id" :value="lot.id" :label="`${lot.code} ${lot.name}`"
        ><span class="code">{{ lot.code }}</span> {{ lot.name }}</el-option
      >
    </el-select>
  </div>
</template>

<style scoped>
.finder {
  width: 140px;
}
</style>
