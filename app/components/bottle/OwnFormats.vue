<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { formatNumber, headspaceOf, SUPPLIES, suppliesFor, type BottleFormat, type SupplyItem } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { checkDraft } from '~/forms/problems'
import { useForm, type Problems } from '~/composables/useForm'
import { newLotId, useBook } from '~/stores/book'

/** The maker's bottles and what goes with them: sizes, caps, inserts, bands, labels, and how many of each are there. */
const book = useBook()
const fresh = () => ({
  formatId: '',
  name: '',
  shape: 'bottle' as BottleFormat['shape'],
  fillMl: null as number | null,
  brimMl: null as number | null,
  emptyG: null as number | null,
  neck: '24 mm',
  insert: true,
  band: true,
})
const { form, problem, busy, confirm, record, reset } = useForm({
  fresh,
  problems: (): Problems<'format'> => ({ format: draftOf(false).problem }),
})
const editing = ref(false)
function edit(format: BottleFormat) {
  form.value = { ...format, formatId: format.id }
  editing.value = true
}
const draftOf = (retired: boolean) =>
  checkDraft(
    {
      ...form.value,
      ...{ kind: 'format', at: nowMoment(), formatId: form.value.formatId || newLotId() },
      ...(retired && { retired: true }),
    },
    {
      name: 'Give it a name: 150 mL round.',
      fillMl: 'Say what it is filled to.',
      brimMl: 'Say what it holds to the brim.',
      emptyG: 'Weigh it empty, with its cap.',
      neck: 'Name its neck, so that caps are counted: 24 mm.',
    },
  )
async function save(event: Event, retired = false) {
  const { draft } = draftOf(retired)
  if (!(await confirm(event, () => draft && [draft]))) return
  const name = form.value.name.trim()
  say.done(retired ? `${name} is used no more; its runs keep it.` : `${name} is in your list.`)
  leave()
}
function leave() {
  reset()
  editing.value = false
}
const WORDS: Record<SupplyItem, string> = {
  bottle: 'Bottles',
  insert: 'Inserts',
  cap: 'Caps',
  band: 'Shrink bands',
  label: 'Labels',
}
/** Every kind of packaging that a format in use takes, once. */
const kinds = computed(() => {
  const found = new Map<string, { item: SupplyItem; fits: string; words: string; count: number | null }>()
  for (const format of book.library.formats)
    for (const { item, fits } of suppliesFor(format, 1))
      found.set(`${item} ${fits}`, {
        item,
        fits,
        words: book.library.format(fits)?.name ?? fits,
        count: book.book.supplies.find((one) => one.item === item && one.fits === fits)?.count ?? null,
      })
  return [...found.values()].sort((a, b) => SUPPLIES.indexOf(a.item) - SUPPLIES.indexOf(b.item))
})
const chosen = ref('')
const what = ref<'received' | 'counted' | 'broken'>('counted')
const count = ref<number | null>(null)
const uncounted = ref('')
async function put() {
  const kind = kinds.value.find((one) => `${one.item} ${one.fits}` === chosen.value)
  uncounted.value = !kind
    ? 'Choose what was counted.'
    : count.value === null
      ? 'Say how many.'
      : what.value === 'broken' && count.value > (kind.count ?? 0)
        ? `Only ${kind.count ?? 0} are there.`
        : ''
  if (uncounted.value || !kind || count.value === null) return
  if (
    await record({
      kind: 'supply',
      at: nowMoment(),
      item: kind.item,
      fits: kind.fits,
      what: what.value,
      count: count.value,
    })
  )
    count.value = null
}
const ACTS = [
  { value: 'counted', label: 'Counted: so many are there' },
  { value: 'received', label: 'Came in' },
  { value: 'broken', label: 'Broke or was thrown out' },
] as const
const SHAPES = [
  { value: 'bottle', label: 'bottle' },
  { value: 'jar', label: 'jar' },
]
const kindOptions = computed(() =>
  kinds.value.map(({ item, fits, words }) => ({ value: `${item} ${fits}`, label: `${WORDS[item]}, ${words}` })),
)
/** What a bottle of a format takes beside itself. */
const takesWords = ({ insert, band }: { insert: boolean; band: boolean }) =>
  ['cap', ...(insert ? ['insert'] : []), ...(band ? ['band'] : []), 'label'].join(', ')
</script>

<template>
  <section class="sheet" aria-label="Bottles and packaging">
    <h2>Bottles and packaging</h2>
    <p v-if="!book.library.ownFormats" class="muted">
      These are common sizes. Choose one to make it yours: weigh it, fill it to the brim with water.
    </p>
    <div class="sideways">
      <table class="plain">
        <thead>
          <tr>
            <th>Bottle</th>
            <th class="number">Filled</th>
            <th class="number">To the brim</th>
            <th class="number">Air</th>
            <th class="number">Empty</th>
            <th>Neck</th>
            <th>Takes</th>
            <th><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="format in book.library.formats" :key="format.id">
            <td>
              <strong>{{ format.name }}</strong>
            </td>
            <td class="number"><SaidText :text="`${formatNumber(format.fillMl)} mL`" /></td>
            <td class="number"><SaidText :text="`${formatNumber(format.brimMl)} mL`" /></td>
            <td class="number">{{ formatNumber(100 * headspaceOf(format), 1) }} %</td>
            <td class="number"><SaidText :text="`${formatNumber(format.emptyG)} g`" /></td>
            <td>{{ format.neck }}</td>
            <td class="small">{{ takesWords(format) }}</td>
            <td><el-button text :aria-label="`Change ${format.name}`" @click="edit(format)">Change</el-button></td>
          </tr>
        </tbody>
      </table>
    </div>
    <el-button v-if="!editing" class="add" @click="editing = true">Add a bottle</el-button>
    <form v-else class="stack" novalidate aria-label="A bottle of yours" @submit.prevent="(event) => save(event)">
      <div class="fields">
        <WordField v-model="form.name" label="Bottle name" placeholder="150 mL round" />
        <PickField v-model="form.shape" label="Shape" :options="SHAPES" />
        <QuantityField v-model="form.fillMl" kind="volume" label="Filled to" :limits="{ low: 5, high: 10000 }" />
        <QuantityField v-model="form.brimMl" kind="volume" label="To the brim" :limits="{ low: 5, high: 12000 }" />
        <QuantityField
          v-model="form.emptyG"
          kind="mass"
          label="Empty, with its cap"
          :limits="{ low: 1, high: 20000 }"
        />
        <WordField v-model="form.neck" label="Neck" placeholder="24 mm" />
      </div>
      <div class="row">
        <el-checkbox v-model="form.insert">takes a reducer insert</el-checkbox
        ><el-checkbox v-model="form.band">takes a shrink band</el-checkbox>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Keep it</el-button
        ><el-button v-if="form.formatId && book.library.ownFormats" @click="(event) => save(event, true)"
          >Use it no more</el-button
        ><el-button text @click="leave">Leave it</el-button>
      </div>
    </form>
    <h3>What is there</h3>
    <ul class="plain-list there">
      <li v-for="kind in kinds" :key="`${kind.item} ${kind.fits}`">
        <span>{{ WORDS[kind.item] }}, {{ kind.words }}</span
        ><strong v-if="kind.count !== null">{{ formatNumber(kind.count) }}</strong
        ><span v-else class="small muted">never counted</span>
      </li>
    </ul>
    <div class="row">
      <div class="wide"><PickField v-model="chosen" label="Packaging" :options="kindOptions" /></div>
      <div class="wide"><PickField v-model="what" label="What happened" :options="ACTS" /></div>
      <div class="narrow"><QuantityField v-model="count" kind="count" label="How many" optional /></div>
      <el-button class="low" :loading="busy" @click="put">Write it down</el-button>
    </div>
    <p v-if="uncounted" class="problem" role="alert">{{ uncounted }}</p>
  </section>
</template>

<style scoped>
.add {
  justify-self: start;
}
.there {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 2px var(--s5);
}
.there li {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  border-bottom: 1px solid var(--line);
  padding: 6px 0;
}
.wide {
  width: 240px;
}
.narrow {
  width: 110px;
}
</style>
