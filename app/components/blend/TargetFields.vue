<script setup lang="ts">
import { AIMS, RANK_WORDS, RANKS, type Aim, type Targets } from '@lactofer/core'
import { aimName } from '~/words/limitWords'
import { TARGET_FIELDS } from '~/forms/blendForm'

/** The wanted range of each property and how much it matters; an empty end is open. */
const targets = defineModel<Targets>({ required: true })
const KIND: Record<Aim, 'ph' | 'count' | 'percent'> = {
  acid: 'ph',
  heat: 'count',
  salt: 'percent',
  sweet: 'percent',
  body: 'percent',
  tart: 'percent',
}
const UNIT: Record<Aim, string> = { acid: '', salt: '%', heat: 'SHU', sweet: '%', body: '% of it', tart: '% as lactic' }
const tone = (aim: Aim) => `var(--${aim === 'tart' ? 'acid' : aim})`
const title = (aim: Aim) => (aim === 'acid' ? 'pH' : `${aimName(aim)[0]?.toUpperCase()}${aimName(aim).slice(1)}`)
</script>

<template>
  <div class="targets" role="group" aria-label="Targets">
    <div class="line head small muted" aria-hidden="true">
      <span /><span>at least</span><span>at most</span><span>rank</span>
    </div>
    <div v-for="aim in AIMS" :key="aim" class="line">
      <strong :style="{ color: tone(aim) }"
        >{{ title(aim) }} <span class="muted small">{{ UNIT[aim] }}</span></strong
      >
      <QuantityField
        v-model="targets[aim].low"
        :kind="KIND[aim]"
        :label="`${title(aim)}, at least`"
        :limits="TARGET_FIELDS[aim]"
        hide-label
        optional
        no-take
        placeholder="open"
      />
      <QuantityField
        v-model="targets[aim].high"
        :kind="KIND[aim]"
        :label="`${title(aim)}, at most`"
        :limits="TARGET_FIELDS[aim]"
        hide-label
        optional
        no-take
        placeholder="open"
      />
      <select v-model.number="targets[aim].rank" :aria-label="`${title(aim)}, rank`">
        <option v-for="rank in RANKS" :key="rank" :value="rank">{{ RANK_WORDS[rank] }}</option>
      </select>
    </div>
  </div>
</template>

<style scoped>
.targets {
  display: grid;
  gap: var(--s1);
}
.line {
  display: grid;
  grid-template-columns: minmax(90px, 1.1fr) 1fr 1fr 92px;
  gap: var(--s2) var(--s3);
  align-items: center;
}
.head {
  line-height: 1.1;
}
select {
  min-height: var(--touch);
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  padding: 0 var(--s1);
}
@media (max-width: 500px) {
  .line {
    grid-template-columns: 1fr 1fr 1fr;
  }
  .line > strong {
    grid-column: 1 / -1;
  }
  .head {
    display: none;
  }
}
</style>
