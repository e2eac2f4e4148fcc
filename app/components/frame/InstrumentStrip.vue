<script setup lang="ts">
import { computed, ref } from 'vue'
import IconTool from '~icons/lucide/sliders-horizontal'
import { formatMass, formatTemperature, type QuantityKind } from '@lactofer/core'
import type { Shown } from '~/instruments/driver'
import { useOnce } from '~/composables/useOnce'
import { useInstruments } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

const instruments = useInstruments()
const preferences = usePreferences()
const benchOpen = ref(false)
const benchOpened = useOnce(benchOpen)

/** What a dial shows of a value. */
function figureOf({ kind, value }: { kind: QuantityKind; value: number | null }): string {
  // What is not measured is no zero: an empty pan shows one, too.
  if (value === null) return kind === 'ph' ? 'pH –' : '–'
  if (kind === 'mass') return formatMass(value, preferences.world, true)
  return kind === 'ph' ? `pH ${value.toFixed(2)}` : formatTemperature(value, preferences.world)
}
const dials = computed(() => instruments.strip.map((one) => ({ ...one, figure: figureOf(one) })))
const ready = computed(() => instruments.taker && instruments.reading(instruments.taker.kind))
function dialWords({ kind, value, steady }: Shown): string {
  if (value === null) return kind === 'ph' ? 'not in a sample' : 'away'
  return steady ? 'steady' : 'settling'
}
</script>

<template>
  <section :class="['strip', { taking: instruments.taker }]" aria-label="Instruments">
    <p class="small simulated">Simulated</p>
    <p v-if="!instruments.connected" class="lost">
      <strong>Instruments are away.</strong> Type the values; nothing waits for them, and the rest works as always.
    </p>
    <p v-if="instruments.problem && !benchOpen" class="lost" role="alert">{{ instruments.problem }}</p>
    <div v-for="dial in dials" :key="dial.id" class="dial" role="group" :aria-label="dial.name">
      <span class="figure">{{ dial.figure }}</span>
      <span class="small state"
        ><span :class="['lamp', dial.value !== null && dial.steady ? 'steady' : 'settling']" aria-hidden="true" />{{
          dialWords(dial)
        }}<span class="note">{{ dial.note }}</span></span
      >
    </div>
    <div class="take">
      <span v-if="instruments.taker" class="small for">for {{ instruments.taker.label }}</span>
      <PressButton class="takes" :disabled="!ready" kind="primary" @click="instruments.take()"
        >Take the reading</PressButton
      >
      <button
        type="button"
        class="bench"
        aria-label="Set up the simulated bench"
        :aria-expanded="benchOpen"
        @click="benchOpen = true"
      >
        <IconTool aria-hidden="true" />
      </button>
    </div>
    <LazyBenchDialog v-if="benchOpened" v-model="benchOpen" />
  </section>
</template>

<style scoped>
.strip {
  position: sticky;
  bottom: 0;
  z-index: 5;
  display: flex;
  align-items: stretch;
  background: var(--steel);
  color: var(--on-steel);
  min-height: 60px;
}
.dial {
  display: flex;
  align-items: center;
  gap: var(--s3);
  padding: 0 var(--s4);
  border-right: 1px solid rgb(255 255 255 / 14%);
}
.dial .figure {
  min-width: 4.2em;
}
.state {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 6px;
  align-items: center;
  line-height: 1.3;
}
.note {
  grid-column: 1 / -1;
  color: var(--on-steel-muted);
}
.lamp {
  width: 10px;
  height: 10px;
  border-radius: 50%;
  border: 2px solid #e0a63f;
}
.lamp.steady {
  background: #6fd08a;
  border-color: #6fd08a;
}
.take {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: var(--s3);
  padding: 0 var(--s4);
}
.take :deep(.el-button--primary:not(.is-disabled)) {
  --el-button-bg-color: #cfe8df;
  --el-button-text-color: #0a2a24;
  --el-button-border-color: #cfe8df;
  --el-button-hover-bg-color: #fff;
  --el-button-hover-text-color: #0a2a24;
}
.take :deep(.is-disabled) {
  background: transparent;
  border-color: rgb(255 255 255 / 30%);
  color: var(--on-steel-muted);
}
.for {
  color: var(--on-steel-muted);
  max-width: 140px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.bench {
  width: var(--touch);
  height: var(--touch);
  border: 1px solid rgb(255 255 255 / 30%);
  border-radius: var(--radius);
  background: none;
  color: inherit;
  cursor: pointer;
}
.simulated {
  align-self: center;
  padding: 0 0 0 var(--s4);
  color: var(--on-steel-muted);
}
.lost {
  padding: var(--s4);
  color: var(--on-steel-muted);
}
@media (max-width: 1100px) {
  .note {
    display: none;
  }
  .dial {
    padding: 0 var(--s3);
  }
  .for {
    display: none;
  }
}
/* On a phone one thin line, until a field that can take a reading has the focus. */
@media (max-width: 900px) {
  .strip {
    flex-wrap: wrap;
    min-height: 44px;
  }
  .dial {
    flex: 1;
    justify-content: center;
    gap: 6px;
    min-height: 44px;
    padding: 0 var(--s1);
    border-right: 0;
  }
  .dial .figure {
    font-size: 18px;
    min-width: 0;
  }
  .state {
    font-size: 0;
  }
  .take {
    padding: 0;
    margin: 0;
  }
  .bench {
    border: 0;
  }
  .strip:not(.taking) .takes {
    display: none;
  }
  .strip.taking .take {
    width: 100%;
    padding: 0 var(--s3) var(--s2);
  }
  .strip.taking .takes {
    flex: 1;
  }
}
</style>
