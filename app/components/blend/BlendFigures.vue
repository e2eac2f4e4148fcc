<script setup lang="ts">
import { computed } from 'vue'
import {
  acidProfile,
  blendCostWorking,
  bodyWorking,
  formatNumber,
  mapRange,
  phWorking,
  saltWorking,
  shuWorking,
  sugarWorking,
  tartPct,
  tartWorking,
  volumeWorking,
  waterPhaseWorking,
  type Cost,
  type Forecast,
} from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/**
 * What the rulers leave out: acid by name, salt in the water, cost, allergens, live or not; and the working of every
 * figure.
 */
const { poured, forecast, live, cost, costs } = defineProps<{
  poured: readonly { name: string; composition: Forecast['composition'] }[]
  forecast: Forecast
  live: boolean
  cost: Cost
  costs: readonly { name: string; cost: Cost }[]
}>()
const preferences = usePreferences()
const tart = computed(() => tartPct(forecast.composition))
const profile = computed(() =>
  acidProfile(forecast.composition)
    .slice(0, 4)
    .map(({ name, pct }) => `${name} ${formatNumber(pct, 2)}`)
    .join(', '),
)
const perBottle = computed(() => cost.money > 0)
const waterPhaseSalt = computed(() =>
  forecast.waterPhaseSaltPct === null ? '–' : `${formatNumber(forecast.waterPhaseSaltPct, 2)} %`,
)
/** What each part brings of heat, SHU of its own mass. */
const pungentParts = computed(() =>
  poured.map(({ name, composition: { massG, pungency } }) => ({
    name,
    massG,
    shu: mapRange(pungency, (shuG) => shuG / massG),
  })),
)
</script>

<template>
  <div class="others">
    <dl>
      <div>
        <dt>Titratable acid</dt>
        <dd>
          <strong data-figure="tart">{{ tart === null ? '–' : `${formatNumber(tart, 2)} %` }}</strong>{{ ' '
          }}<span class="muted small">as lactic: {{ profile || 'none' }}</span>
        </dd>
      </div>
      <div>
        <dt>Salt in the water</dt>
        <dd>
          <strong>{{ waterPhaseSalt }}</strong>
        </dd>
      </div>
      <div>
        <dt>Cost</dt>
        <dd>
          <strong data-figure="cost">{{
            perBottle ? `${formatNumber(cost.money, 2)} ${preferences.currency}` : '–'
          }}</strong
          >{{ ' '
          }}<span v-if="cost.unpriced.length" class="muted small"
            >without {{ cost.unpriced.slice(0, 3).join(', ') }}{{ cost.unpriced.length > 3 ? ' …' : '' }}</span
          >
        </dd>
      </div>
      <div>
        <dt>Live</dt>
        <dd>
          <strong data-figure="live">{{ live ? 'yes' : 'no' }}</strong>{{ ' '
          }}<span class="muted small">{{ live ? 'bacteria of the ferment' : 'no living ferment, or cooked' }}</span>
        </dd>
      </div>
      <div>
        <dt>Allergens</dt>
        <dd>
          <strong data-figure="allergens">{{ forecast.composition.allergens.join(', ') || 'none known' }}</strong>
        </dd>
      </div>
    </dl>
    <details class="disclose">
      <summary>Working of every figure</summary>
      <div class="workings">
        <ShowWorking :working="phWorking(poured, forecast.ph)" />
        <ShowWorking :working="saltWorking(poured)" />
        <ShowWorking :working="waterPhaseWorking(forecast.composition)" />
        <ShowWorking :working="shuWorking(pungentParts)" />
        <ShowWorking :working="tartWorking(forecast.composition, tart)" />
        <ShowWorking :working="sugarWorking(poured)" />
        <ShowWorking :working="bodyWorking(poured)" />
        <ShowWorking :working="volumeWorking(forecast.composition)" />
        <ShowWorking :working="blendCostWorking(costs, cost, preferences.currency)" />
      </div>
    </details>
  </div>
</template>

<style scoped>
.others {
  border-top: 1px solid var(--line);
  padding-top: var(--s2);
  display: grid;
  gap: var(--s1);
}
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: var(--s2) var(--s4);
  margin: 0;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0;
  line-height: 1.25;
}
.workings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 0 var(--s3);
}
</style>
