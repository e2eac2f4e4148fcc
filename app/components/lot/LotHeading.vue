<script setup lang="ts">
import { computed } from 'vue'
import { heldBack, type Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** A lot's tape: code and name, hot, for home use, or held back, if it is. `as` its rank on the page. */
const { lot, note, as = 'h1' } = defineProps<{ lot: Lot; note?: string; as?: 'h1' | 'h2' }>()
const book = useBook()
const mark = computed(() => book.homeMark(lot.id))
const held = computed(() => (lot.state === 'in stock' ? heldBack(lot) : null))
</script>

<template>
  <header>
    <span class="tape code">{{ lot.code }}</span>
    <component :is="as">{{ lot.name }}</component>
    <span v-if="lot.hot" class="hot">HOT</span>
    <span v-if="mark" class="unmeasured" :data-mark="mark">{{ mark }}</span>
    <StateMark v-if="held" level="act" :word="held" />
    <p v-if="note">{{ note }}</p>
  </header>
</template>

<style scoped>
.tape {
  background: var(--tape);
  color: var(--tape-ink);
  padding: 3px 12px;
  font-size: 22px;
  transform: rotate(-1.5deg);
  border: 1px solid #0002;
  align-self: center;
}
.unmeasured {
  border: 2px dashed var(--ask);
  color: var(--ask);
  font: 700 14px var(--display);
  padding: 1px 8px;
  border-radius: 3px;
  align-self: center;
}
.hot {
  background: #c23517;
  color: #fff;
  font: 700 14px var(--display);
  padding: 3px 9px;
  border-radius: 3px;
  letter-spacing: 0.04em;
  align-self: center;
}
</style>
