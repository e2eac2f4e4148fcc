<script setup lang="ts">
import { computed } from 'vue'
import { ACIDS, formatNumber, type AcidId, type Figure, type Material } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/** One material with every figure, its range, its source, and what is doubtful about it. */
const { material } = defineProps<{ material: Material }>()
const preferences = usePreferences()
interface Line {
  name: string
  figure: Figure
  unit: string
  decimals: number
}
const lines = computed<Line[]>(() => {
  const line = (name: string, figure: Figure | null, unit: string, decimals = 2): Line[] =>
    figure ? [{ name, figure, unit, decimals }] : []
  return [
    ...line('Water', material.waterPct, '%', 1),
    ...line('Sugar', material.sugarPct, '%', 1),
    ...(material.saltPct.high > 0 ? line('Salt of its own', material.saltPct, '%', 3) : []),
    ...Object.entries(material.acidsPct).flatMap(([id, figure]) =>
      line(`${ACIDS[id as AcidId].name[0]?.toUpperCase()}${ACIDS[id as AcidId].name.slice(1)} acid`, figure, '%'),
    ),
    ...line('pH', material.ph, ''),
    ...line('Heat, dry basis', material.dryShu, 'SHU', 0),
    ...line('A cup', material.cupG, 'g', 0),
    ...line('One piece', material.pieceG, 'g', 1),
    ...line('A level teaspoon', material.teaspoonG, 'g', 1),
  ]
})
const range = ({ figure, decimals }: Line) =>
  figure.low === figure.high ? '' : `${formatNumber(figure.low, decimals)}–${formatNumber(figure.high, decimals)}`
</script>

<template>
  <div>
    <h2><span class="chip" :style="{ background: material.color }" aria-hidden="true" />{{ material.name }}</h2>
    <p class="muted">
      {{ [material.kind, ...material.names].join(', ')
      }}<template v-if="material.allergens.length"
        >. <strong>Allergen: {{ material.allergens.join(', ') }}</strong></template
      >
    </p>
    <table class="plain">
      <thead>
        <tr>
          <th>What</th>
          <th class="number">Typical</th>
          <th class="number">Range</th>
          <th>Source</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.name">
          <td>{{ line.name }}</td>
          <td class="number">
            <strong>{{ formatNumber(line.figure.typical, line.decimals) }}</strong> {{ line.unit }}
          </td>
          <td class="number muted">{{ range(line) }}</td>
          <td class="small">
            {{ line.figure.source }}
            <p v-if="line.figure.doubtful" class="doubt">
              <StateMark level="ask" word="Doubtful" /> {{ line.figure.doubtful }}
            </p>
          </td>
        </tr>
        <tr v-if="material.sites.pectin + material.sites.protein > 0">
          <td>Buffering sites</td>
          <td class="number">
            <strong>{{ material.sites.pectin }} + {{ material.sites.protein }}</strong>
          </td>
          <td class="number muted">mmol/kg</td>
          <td class="small">judgement</td>
        </tr>
        <tr v-if="material.pricePerKg !== null">
          <td>Price</td>
          <td class="number">
            <strong>{{ preferences.currency }} {{ formatNumber(material.pricePerKg, 2) }}</strong>
          </td>
          <td class="number muted">per kg</td>
          <td class="small">your own value</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.chip {
  display: inline-block;
  width: 16px;
  height: 22px;
  border-radius: 3px;
  border: 1px solid #0003;
  vertical-align: -3px;
  margin-right: 8px;
}
.doubt {
  margin-top: 2px;
}
@media (max-width: 700px) {
  thead {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  tbody tr {
    display: grid;
    grid-template-columns: 1fr auto auto;
    border-bottom: 1px solid var(--line);
  }
  td {
    border: 0;
  }
  td:last-child {
    grid-column: 1 / -1;
    padding-top: 0;
    color: var(--muted);
  }
}
th.number {
  text-align: right;
}
</style>
