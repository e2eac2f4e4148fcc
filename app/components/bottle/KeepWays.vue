<script setup lang="ts">
import { computed } from 'vue'
import { APPROVAL, checkLevel, needsOf, WAYS, type KeepCase, type Treatment } from '@lactofer/core'

/** Ways to keep a sauce: what each needs, how this one stands to it, what it gives. */
const { known } = defineProps<{ known: KeepCase }>()
const model = defineModel<Treatment>({ required: true })
const ways = computed(() => WAYS.map((way) => ({ ...way, needs: needsOf(way.id, known) })))
const WORD = { fine: 'Has it', ask: 'Look', act: 'Mind it', discard: 'Not like this' } as const
</script>

<template>
  <section class="sheet" aria-label="How it is kept">
    <h2>How is it kept?</h2>
    <div class="ways" role="radiogroup" aria-label="Way of keeping">
      <label v-for="way in ways" :key="way.id" :class="['way', { chosen: model === way.id }]" :data-way="way.id">
        <span class="head"
          ><input v-model="model" type="radio" name="way" :value="way.id" /><strong>{{ way.name }}</strong></span
        >
        <span class="small">{{ way.gives }}</span>
        <span v-for="need in way.needs" :key="need.what" class="need small"
          ><StateMark :level="checkLevel(need)" :word="WORD[checkLevel(need)]" /> <strong>{{ need.what }}.</strong>
          {{ ' ' }}<SaidText :text="need.sentence"
        /></span>
        <span class="small muted"
          >{{ way.keep }}<template v-if="typeof way.air === 'string'"> Air: {{ way.air }}.</template></span
        >
      </label>
    </div>
    <p class="small muted">{{ APPROVAL }}</p>
  </section>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
  gap: var(--s3);
}
.way {
  display: grid;
  gap: var(--s2);
  align-content: start;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s3);
  cursor: pointer;
}
.way:hover {
  border-color: var(--bottle);
}
.way:has(:focus-visible) {
  outline: 3px solid var(--ask);
  outline-offset: 2px;
}
.chosen {
  border-color: var(--bottle);
  box-shadow: inset 4px 0 0 var(--bottle);
  background: var(--wash);
}
.head {
  display: flex;
  align-items: center;
  gap: var(--s2);
  min-height: 28px;
}
.head input {
  width: 20px;
  height: 20px;
  accent-color: var(--bottle);
  margin: 0;
  outline: none;
}
.need {
  display: block;
}
</style>
