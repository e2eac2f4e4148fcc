<script setup lang="ts">
import { computed, ref } from 'vue'
import { CLOSURE_NAMES, ownClosures, type Closure } from '@lactofer/core'
import { useBook } from '~/stores/book'

/**
 * What closes it: one of the usual ways, one of the maker's own by its name, or a new one of their own: its name, and
 * which usual one it works like. Chores follow the latter.
 */
const { closures } = defineProps<{ closures: readonly Closure[] }>()
const closure = defineModel<Closure>({ required: true })
const called = defineModel<string>('called', { required: true })
const book = useBook()
const NEW = 'one of your own …'
const making = ref(false)
const own = computed(() => ownClosures(book.lots))
/** Those of the style, and what was chosen, should it be another. */
const usual = computed(() => [...new Set([...closures, ...(called.value ? [] : [closure.value])])])
const options = computed(() => [
  ...usual.value.map((name) => ({ value: name as string, label: name as string })),
  ...own.value.map(({ called: name }) => ({ value: `own: ${name}`, label: name })),
  { value: NEW, label: NEW },
])
const chosen = computed({
  get: () =>
    making.value || (called.value && !own.value.some((one) => one.called === called.value))
      ? NEW
      : called.value
        ? `own: ${called.value}`
        : closure.value,
  set: (value) => {
    making.value = value === NEW
    const known = own.value.find((one) => `own: ${one.called}` === value)
    called.value = known?.called ?? ''
    const next = known?.closure ?? CLOSURE_NAMES.find((name) => name === value)
    if (next) closure.value = next
  },
})
const LIKE = CLOSURE_NAMES.map((name) => ({ value: name, label: name }))
</script>

<template>
  <PickField v-model="chosen" label="Closed with" :options="options" />
  <template v-if="chosen === NEW">
    <WordField
      v-model="called"
      label="Your closure"
      placeholder="glass plate with a stone"
      :problem="called.length > 40 ? 'At most 40 characters.' : null"
    />
    <PickField v-model="closure" label="It lets gas and air as" :options="LIKE" hint="the chores follow this" />
  </template>
</template>
