<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { InvalidInput, materialsOfTable, searchMaterials, tableOfMaterials, type Material } from '@lactofer/core'
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

function choose(id: string) {
  chosen.value = id
  adding.value = false
}
function add() {
  chosen.value = ''
  adding.value = true
}
/** Opens another shelf; what was searched and chosen is left. */
function turnTo(shelf: string) {
  typed.value = ''
  choose('')
  void router.replace({ query: { show: shelf } })
}

const exportCsv = () =>
  saveFile(new Blob([csvOf(tableOfMaterials(book.library.materials))], { type: 'text/csv' }), 'lactofer-library.csv')
async function importCsv(text: string) {
  problem.value = ''
  try {
    const drafts = materialsOfTable(linesOf(text), book.library, nowMoment())
    if (drafts.length === 0) say.info('Nothing in the file differs from your library.')
    else if (await record(...drafts))
      say.done(`${drafts.length} ${drafts.length === 1 ? 'material has' : 'materials have'} your own values now.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
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
          @click="turnTo(one.id)"
        >
          {{ one.name }}
        </button>
      </nav>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="isList" class="halves">
      <InTurn
        ><MaterialList :found="found" :chosen="adding ? null : (material?.id ?? null)" @choose="choose" @add="add"
      /></InTurn>
      <div class="stack">
        <InTurn v-if="material && !adding"
          ><section class="sheet"><MaterialDetail :material="material" /></section
        ></InTurn>
        <InTurn
          ><section class="sheet"><OwnValues :material="adding ? null : material" @saved="choose" /></section
        ></InTurn>
        <SaltTable v-if="show.id === 'salts' && !typed" />
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
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
  .search {
    width: 100%;
  }
  .files {
    margin-left: 0;
  }
}
</style>
