<script setup lang="ts">
import { computed } from 'vue'
import { formatNumber, type Property, type Range } from '@lactofer/core'
import IconTurn from '~icons/lucide/chevron-down'
import { headline, judge, RULERS, rangeWords, wishWords, type Wanted } from './rulers'
import { usePreferences } from '~/stores/preferences'

/**
 * One property on its ruler: target as a band, value as a mark, what is not known as a thick line, the verdict in
 * words. One that has another side is turned over by touching its figure; what moves the band lies in the slot.
 */
const {
  property,
  value,
  target = { low: null, high: null },
  turns,
  turned,
} = defineProps<{ property: Property; value: Range | null; target?: Wanted; turns?: boolean; turned?: boolean }>()
const emit = defineEmits<{ turn: [] }>()
const preferences = usePreferences()
const ruler = computed(() => RULERS[property])
const at = (amount: number) => `${100 * Math.min(1, Math.max(0, ruler.value.share(amount)))}%`
const between = (low: number, high: number) => ({ left: at(low), width: `max(3px, calc(${at(high)} - ${at(low)}))` })
const verdict = computed(() => judge(property, value, target))
const aimed = computed(() => target.low !== null || target.high !== null)
</script>

<template>
  <div class="ruler" :style="{ '--tone': `var(--${property})` }" :data-property="property">
    <component
      :is="turns ? 'button' : 'div'"
      class="read"
      v-bind="turns ? { type: 'button', 'aria-expanded': Boolean(turned) } : {}"
      @click="turns && emit('turn')"
    >
      <span
        ><span class="name">{{ ruler.name }}</span><IconTurn v-if="turns" class="corner" aria-hidden="true" />{{ ' '
        }}<span class="small muted">{{ rangeWords(property, value, preferences.heat) }}</span></span
      >
      <span class="figure">{{ headline(property, value) }}</span>
    </component>
    <div class="scale">
      <div aria-hidden="true">
        <div v-if="aimed" class="target" :style="between(target.low ?? ruler.low, target.high ?? ruler.high)" />
        <div v-if="value" class="doubt" :style="between(value.low, value.high)" />
        <div v-if="value" class="pin" :style="{ left: at(value.typical) }" />
        <span :class="['end', { clear: turns }]">{{ ruler.ends[0] }}</span
        ><span class="end last">{{ ruler.ends[1] }}</span>
        <span v-for="tick in ruler.ticks" :key="tick" class="tick" :style="{ left: at(tick) }">{{
          property === 'acid' ? tick.toFixed(1) : formatNumber(tick)
        }}</span>
      </div>
      <slot />
    </div>
    <div class="verdict small">
      <StateMark v-if="verdict.word" :level="verdict.level" :word="verdict.word" /><span v-if="turns" class="muted">{{
        wishWords(property, target)
      }}</span>
    </div>
  </div>
</template>

<style scoped>
.ruler {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 118px;
  gap: var(--s4);
  align-items: center;
  padding: 6px 0;
}
.read {
  display: grid;
}
button.read {
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  min-height: var(--touch);
  border-radius: var(--radius);
}
.corner {
  display: inline-block;
  vertical-align: -0.2em;
  margin-left: 2px;
  color: var(--muted);
  transition: transform 0.12s;
}
[aria-expanded='true'] .corner {
  transform: rotate(180deg);
}
.verdict {
  display: grid;
  line-height: 1.3;
}
.name {
  color: var(--tone);
  font-weight: 700;
  line-height: 1.2;
}
.scale {
  position: relative;
  height: 52px;
  margin: 0 6px;
}
.scale::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 27px;
  border-top: 2px solid var(--outline);
}
.target {
  position: absolute;
  top: 6px;
  height: 22px;
  background: color-mix(in srgb, var(--tone) 20%, transparent);
  border: solid var(--tone);
  border-width: 0 2px;
}
.doubt {
  position: absolute;
  top: 14px;
  height: 7px;
  border-radius: 4px;
  background: color-mix(in srgb, var(--tone) 60%, transparent);
}
.pin {
  position: absolute;
  top: 5px;
  height: 22px;
  width: 4px;
  margin-left: -2px;
  background: var(--tone);
  border-radius: 2px;
  outline: 2px solid var(--enamel);
  transition: left 0.12s;
  z-index: 1;
}
.tick {
  position: absolute;
  top: 27px;
  transform: translateX(-50%);
  font-size: 13px;
  color: var(--muted);
  padding-top: 5px;
  border-left: 0;
}
.tick::before {
  content: '';
  position: absolute;
  left: 50%;
  top: 0;
  height: 5px;
  border-left: 2px solid var(--outline);
}
.end {
  position: absolute;
  top: 32px;
  left: -6px;
  font-size: 13px;
  color: var(--muted);
}
/* The handle of the low side stands there while nothing is asked of it, and the first figure is near. */
.clear {
  left: 11px;
  font-size: 12px;
}
.last {
  left: auto;
  right: -6px;
}
@media (max-width: 700px) {
  .ruler {
    grid-template-columns: 1fr auto;
    gap: 0 var(--s3);
  }
  .scale {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .verdict {
    justify-self: end;
  }
}
</style>
