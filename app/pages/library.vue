<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import {
  formatNumber,
  formatShu,
  InvalidInput,
  materialsOfTable,
  searchMaterials,
  tableOfMaterials,
  type Material,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { csvOf, linesOf } from '~/composables/csv'
import { saveFile } from '~/composables/saveFile'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

const book = useBook()
const route = useRoute()
const router = useRouter()
const { busy, record } = useRecorder('Your library is as it was.')
const SHOWS = [
  { id: 'peppers', name: 'Peppers', kinds: ['pepper'] },
  { id: 'produce', name: 'Produce', kinds: ['vegetable', 'fruit', 'herb', 'seafood', 'starter'] },
  { id: 'vinegars', name: 'Acids and vinegars', kinds: ['vinegar', 'acid'] },
  { id: 'sweeteners', name: 'Sweeteners', kinds: ['sweetener'] },
  { id: 'salts', name: 'Salts', kinds: ['salt'] },
  { id: 'vessels', name: 'Vessels and closures', kinds: [] },
  { id: 'bottles', name: 'Bottles', kinds: [] },
] as const
const show = computed(() => SHOWS.find((one) => one.id === route.query.show) ?? SHOWS[0])
const typed = ref('')
const chosen = ref('')
const adding = ref(false)
const problem = ref('')
const kinds = computed<readonly string[]>(() => show.value.kinds)
/** A search goes over everything; without one the shelf at hand is shown. */
const found = computed(() =>
  typed.value.trim()
    ? searchMaterials(book.library.materials, typed.value)
    : book.library.materials.filter((material) => kinds.value.includes(material.kind)),
)
const material = computed<Material | null>(() => book.library.material(chosen.value) ?? found.value[0] ?? null)
const isList = computed(() => typed.value.trim() !== '' || kinds.value.length > 0)
const open = (id: string) => void router.replace({ query: { show: id } })
const doubts = (one: Material) =>
  [one.waterPct, one.sugarPct, ...Object.values(one.acidsPct)].some((figure) => figure.doubtful)

const exportCsv = () =>
  saveFile(new Blob([csvOf(tableOfMaterials(book.library.materials))], { type: 'text/csv' }), 'lactofer-library.csv')
async function importCsv(text: string) {
  problem.value = ''
  try {
    const drafts = materialsOfTable(linesOf(text), book.library, nowMoment())
    if (drafts.length === 0) ElMessage.info('Nothing in the file differs from your library.')
    else if (await record(...drafts))
      ElMessage.success(
        `${drafts.length} ${drafts.length === 1 ? 'material has' : 'materials have'} your own values now.`,
      )
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
/** The figure a material is known by: its heat, its vinegar's strength, or its pH. */
function mainFigure({ dryShu, acidsPct, ph }: Material): string {
  if (dryShu && dryShu.high > 0) return `${formatShu(dryShu)} dry`
  if (acidsPct.acetic) return `${formatNumber(acidsPct.acetic.typical, 1)} % acetic`
  return ph ? `pH ${formatNumber(ph.typical, 1)}` : ''
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Library</h1>
      <p>Every figure with its range and its source; what you know better stands over it.</p>
      <div class="row files">
        <FileButton
          label="Import CSV"
          accept=".csv,text/csv"
          @files="([file]) => file?.text().then(importCsv)"
        /><el-button :loading="busy" @click="exportCsv">Export CSV</el-button>
      </div>
    </header>
    <div class="bar">
      <el-input
        v-model="typed"
        class="search"
        clearable
        aria-label="Search by any common name"
        placeholder="cilantro, capsicum, amla …"
      />
      <nav aria-label="Shelves of the library">
        <button
          v-for="one in SHOWS"
          :key="one.id"
          type="button"
          :aria-current="!typed && one.id === show.id ? 'true' : undefined"
          @click="
            typed = ''
            chosen = ''
            adding = false
            open(one.id)
          "
        >
          {{ one.name }}
        </button>
      </nav>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="isList" class="halves">
      <section class="sheet list" aria-label="Materials">
        <p class="row head">
          <span class="muted">{{ found.length }} {{ found.length === 1 ? 'kind' : 'kinds' }}</span
          ><el-button
            @click="
              adding = true
              chosen = ''
            "
            >One of your own</el-button
          >
        </p>
        <p v-if="found.length === 0" class="muted">
          Nothing of that name. Add it as one of your own; until then a plan takes it as unlisted produce.
        </p>
        <ul class="plain-list">
          <li v-for="one in found" :key="one.id">
            <button
              type="button"
              :aria-pressed="!adding && material?.id === one.id"
              @click="
                chosen = one.id
                adding = false
              "
            >
              <span class="chip" :style="{ background: one.color }" aria-hidden="true" /><span class="name"
                >{{ one.name }}<span v-if="one.own" class="own">yours</span></span
              >
              <span class="small muted">{{ mainFigure(one) }}<template v-if="doubts(one)"> · doubtful</template></span>
            </button>
          </li>
        </ul>
      </section>
      <div class="stack">
        <section v-if="material && !adding" class="sheet"><MaterialDetail :material="material" /></section>
        <section class="sheet">
          <OwnValues
            :material="adding ? null : material"
            @saved="
              (id) => {
                chosen = id
                adding = false
              }
            "
          />
        </section>
        <section v-if="show.id === 'salts' && !typed" class="sheet">
          <h2>A level teaspoon of salt</h2>
          <table class="plain">
            <thead>
              <tr>
                <th>Salt</th>
                <th class="number">Typical</th>
                <th class="number">Range</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="salt in book.library.salts" :key="salt.id">
                <td>{{ salt.name }}</td>
                <td class="number">
                  <strong>{{ formatNumber(salt.teaspoonG.typical, 1) }} g</strong>
                </td>
                <td class="number muted">
                  {{ formatNumber(salt.teaspoonG.low, 1) }}–{{ formatNumber(salt.teaspoonG.high, 1) }} g
                </td>
              </tr>
            </tbody>
          </table>
          <p class="muted small">
            Common practice. A tablespoon is three. Salt of your own: add one of kind “salt” with its teaspoon.
          </p>
        </section>
      </div>
    </div>
    <OwnVessels v-else-if="show.id === 'vessels'" />
    <OwnFormats v-else />
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3);
  align-items: center;
}
.search {
  width: 280px;
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
nav button {
  min-height: var(--touch);
  padding: 0 var(--s3);
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  font: 600 16px var(--text);
  color: inherit;
  cursor: pointer;
}
nav button:hover {
  background: var(--wash);
}
nav button[aria-current] {
  border-bottom-color: var(--bottle);
}
.files {
  margin-left: auto;
}
.halves {
  display: grid;
  grid-template-columns: minmax(280px, 400px) minmax(0, 1fr);
  gap: var(--s5);
  align-items: start;
}
.list {
  padding: 0;
  gap: 0;
  max-height: calc(100dvh - 210px);
  min-height: 420px;
  overflow: auto;
  position: sticky;
  top: var(--s4);
}
.head {
  justify-content: space-between;
  align-items: center;
  padding: var(--s2) var(--s4);
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--surface);
  z-index: 1;
}
.list > .muted {
  padding: var(--s4);
}
.list li button {
  width: 100%;
  display: grid;
  grid-template-columns: 12px 1fr auto;
  gap: var(--s3);
  align-items: center;
  min-height: 44px;
  padding: 0 var(--s4);
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.list li button:hover {
  background: var(--wash);
}
.list li button[aria-pressed='true'] {
  background: var(--wash);
  font-weight: 700;
}
.chip {
  width: 12px;
  height: 24px;
  border-radius: 3px;
  border: 1px solid #0003;
}
.own {
  margin-left: 8px;
  font: 700 12px var(--display);
  padding: 1px 6px;
  border: 1px solid currentcolor;
  border-radius: 3px;
}
th.number {
  text-align: right;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .list {
    position: static;
    max-height: 46dvh;
    min-height: 0;
  }
  .search {
    width: 100%;
  }
  .files {
    margin-left: 0;
  }
}
</style>
