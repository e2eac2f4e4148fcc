<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  dilutionLadder,
  EMPTY,
  formatMass,
  formatNumber,
  formatShu,
  ofMass,
  ofMaterial,
  type Composition,
} from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What each twentieth of water, brine or vinegar does to everything at once. */
const { base, brines } = defineProps<{ base: Composition; brines: readonly { id: string; name: string }[] }>()
const book = useBook()
const preferences = usePreferences()
const chosen = ref('water')
const options = computed(() => [
  ...['water', 'white-vinegar', 'cider-vinegar'].map((id) => ({
    value: id,
    label: book.library.material(id)?.name ?? id,
  })),
  { value: 'brine', label: 'Fresh brine, 3 % salt' },
  ...brines.map(({ id, name }) => ({ value: `lot:${id}`, label: name })),
])
const thinner = computed<Composition | null>(() => {
  if (chosen.value === 'brine') return { ...EMPTY, massG: 100, waterG: 97, saltG: 3 }
  if (chosen.value.startsWith('lot:')) return book.composition(chosen.value.slice(4))
  const material = book.library.material(chosen.value)
  return material ? ofMaterial(material, 100) : null
})
const rungs = computed(() => (thinner.value ? dilutionLadder(base, ofMass(thinner.value, 100)) : []))
const lastRung = computed(() => rungs.value.at(-1))
const rungWords = ({ addedPct, addedG }: { addedPct: number; addedG: number }) =>
  addedPct === 0 ? 'as it is' : `+${addedPct} %, ${formatMass(addedG, preferences.world)}`
</script>

<template>
  <figure>
    <figcaption class="head">
      <h2>What does every 5 % do?</h2>
      <PickField v-model="chosen" label="Thin it with" hide-label :options="options" />
    </figcaption>
    <div class="sideways">
      <table class="plain">
        <thead>
          <tr>
            <th>Put in</th>
            <th class="number acid">pH</th>
            <th class="number salt">salt %</th>
            <th class="number heat">heat</th>
            <th class="number sweet">sugar %</th>
            <th class="number body">solids %</th>
            <th class="number">makes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="rung in rungs" :key="rung.addedPct" :class="{ now: rung.addedPct === 0 }">
            <td>{{ rungWords(rung) }}</td>
            <td class="number">{{ rung.ph === null ? '–' : rung.ph.toFixed(2) }}</td>
            <td class="number">{{ formatNumber(rung.saltPct, 2) }}</td>
            <td class="number">{{ formatShu(rung.shu) }}</td>
            <td class="number">{{ formatNumber(rung.sugarPct.typical, 1) }}</td>
            <td class="number">{{ formatNumber(rung.bodyPct, 1) }}</td>
            <td class="number"><SaidText :text="`${formatNumber(rung.volumeMl)} mL`" /></td>
          </tr>
        </tbody>
      </table>
    </div>
    <SourDifference
      v-if="lastRung?.ph && rungs[0]?.ph"
      :from="rungs[0].ph"
      :to="lastRung.ph"
      :between="`From as it is to ${rungWords(lastRung)}`"
    />
    <p class="muted small">
      Water hardly moves the pH, and takes salt, heat and body with it. Percent of what is in the pot.
    </p>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s2);
}
.head {
  display: flex;
  gap: var(--s3) var(--s5);
  align-items: center;
  flex-wrap: wrap;
}
.head > :last-child {
  width: 240px;
}
th.acid {
  color: var(--acid);
}
th.salt {
  color: var(--salt);
}
th.heat {
  color: var(--heat);
}
th.sweet {
  color: var(--sweet);
}
th.body {
  color: var(--body);
}
.now td {
  font-weight: 700;
  background: var(--wash);
}
</style>
