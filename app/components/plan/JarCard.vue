<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import IconX from '~icons/lucide/x'
import {
  FILL_LEVEL,
  fillVessel,
  formatNumber,
  formatShu,
  LotCodeSchema,
  styleById,
  type Row,
  type StyleId,
} from '@lactofer/core'
import { freshRow } from '~/forms/planForm'
import { isUnsalted, jarClosure, type Jar, type jarResults } from '~/forms/splitForm'
import { focusLast } from '~/composables/focusLast'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** One jar of a split: its share, its additions, and what it becomes. */
const jar = defineModel<Jar>({ required: true })
const { results, bowlSaltPct, styleId } = defineProps<{
  results: ReturnType<typeof jarResults>
  bowlSaltPct: number
  styleId: StyleId
  asked: boolean
}>()
const emit = defineEmits<{ remove: [] }>()
const book = useBook()
const preferences = usePreferences()
const figures = computed(() => results?.figures ?? null)
const vessels = computed(() =>
  book.freeVessels.filter((vessel) => vessel.count > 0).map(({ id, name }) => ({ value: id, label: name })),
)
const vessel = computed(() => book.library.vessel(jar.value.vesselId))
const fill = computed(() =>
  figures.value && vessel.value
    ? fillVessel(
        figures.value.composition.massG,
        figures.value.properties.densityGPerMl,
        vessel.value.capacityMl,
        figures.value.fillLimit,
        figures.value.style.fillLeast,
      )
    : null,
)
const level = computed(() => (fill.value ? FILL_LEVEL[fill.value.verdict] : 'fine'))
const codeProblem = computed(() => {
  const parsed = LotCodeSchema.safeParse(jar.value.code)
  return parsed.success
    ? book.codeTaken(jar.value.code)
      ? 'This code is on another lot.'
      : null
    : (parsed.error.issues[0]?.message ?? null)
})
const list = useTemplateRef<HTMLElement>('list')
function add(row: Omit<Row, 'massG'>, amount: string | null) {
  jar.value = { ...jar.value, rows: [...jar.value.rows, { ...freshRow(row), ...(amount && { typed: amount }) }] }
  if (!amount) void focusLast(list)
}
const unsalted = computed(() => isUnsalted(bowlSaltPct))
const saltId = ref('fine-sea')
/** The closure chosen, else the vessel's own where the style takes it. */
const closure = computed({
  get: () => jar.value.closure ?? jarClosure(styleId, vessel.value),
  set: (name) => (jar.value = { ...jar.value, closure: name }),
})
</script>

<template>
  <section class="sheet jar" :aria-label="`Jar ${jar.code}`">
    <header>
      <span class="code">{{ jar.code }}</span><span v-if="jar.hot" class="hot">HOT</span
      ><el-button text :aria-label="`Take out jar ${jar.code}`" @click="emit('remove')"
        ><IconX aria-hidden="true"
      /></el-button>
    </header>
    <div class="fields">
      <WordField
        v-model="jar.name"
        label="Name on the tape"
        :problem="asked && !jar.name.trim() ? 'Give it a name.' : null"
      />
      <WordField v-model="jar.code" label="Lot code" :problem="codeProblem" />
      <QuantityField v-model="jar.bowlG" kind="mass" label="From the bowl" :limits="{ low: 1 }" />
      <PickField v-model="jar.vesselId" label="Vessel" :options="vessels" />
      <ClosureField v-model="closure" v-model:called="jar.called" :closures="styleById(styleId).closures" />
      <SaltField
        v-model:pct="jar.saltPct"
        v-model:words="jar.saltSaid"
        v-model:salt-id="saltId"
        :most="30"
        :hint="unsalted ? 'of everything, or spoons' : `as the bowl, ${bowlSaltPct.toFixed(2)} %, where it stays empty`"
        :read-as="results?.figures && results.salted ? preferences.amountWords(results.salted, 'mass') : null"
      />
      <QuantityField
        v-model="jar.waterG"
        v-model:between="jar.waterBetweenG"
        v-model:said="jar.waterSaid"
        kind="mass"
        label="Water"
        :thing="book.library.materialOrUnknown('water')"
      />
      <div><span class="field-label">Mark</span><el-checkbox v-model="jar.hot">HOT on the tape</el-checkbox></div>
    </div>
    <ul v-if="jar.rows.length" ref="list" class="plain-list">
      <li v-for="(row, index) in jar.rows" :key="row.key">
        <span>{{ row.name }}</span
        ><QuantityField
          v-model="row.massG"
          v-model:between="row.betweenG"
          v-model:said="row.said"
          :thing="book.library.materialOrUnknown(row.materialId)"
          :typed="row.typed"
          kind="mass"
          :label="`${row.name}, weight`"
          hide-label
          :limits="{ low: 0.1 }"
        /><el-button text :aria-label="`Take out ${row.name}`" @click="jar.rows.splice(index, 1)"
          ><IconX aria-hidden="true"
        /></el-button>
      </li>
    </ul>
    <IngredientPicker label="Add to this jar" :lots="false" placeholder="habanero, corn, herbs …" @picked="add" />
    <p v-if="results?.problem" class="problem" role="alert"><SaidText :text="results.problem" /></p>
    <dl v-if="figures">
      <div>
        <dt>salt to add</dt>
        <dd class="figure salt" data-figure="jar-salt">
          <SaidText :text="`${formatNumber(figures.dose.saltG, 1)} g`" />
        </dd>
      </div>
      <div>
        <dt>evened out</dt>
        <dd>
          <strong>{{ formatNumber(figures.dose.ofEverythingPct, 2) }} %</strong>
        </dd>
      </div>
      <div>
        <dt>heat</dt>
        <dd class="heat" data-figure="jar-heat">
          <strong>{{ formatShu(figures.properties.shu) }}</strong>
          {{ preferences.heatWord(figures.properties) }}
        </dd>
      </div>
      <div v-if="figures.ph">
        <dt>start pH</dt>
        <dd>{{ figures.ph.typical.toFixed(1) }}</dd>
      </div>
    </dl>
    <p v-if="fill" class="small">
      <StateMark :level="level" :word="fill.verdict" /> <SaidText :text="fill.sentence" />
    </p>
    <p v-if="figures?.tooWeak">
      <StateMark level="act" word="Too weak" /> Below {{ figures.leastSaltPct }} % of everything the wrong bacteria can
      win.
    </p>
  </section>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: var(--s2);
}
header .code {
  background: var(--tape);
  color: var(--tape-ink);
  padding: 2px 10px;
  font-size: 18px;
}
header .el-button {
  margin-left: auto;
}
.hot {
  background: #b32c10;
  color: #fff;
  font: 700 14px var(--display);
  padding: 3px 9px;
  border-radius: 3px;
  letter-spacing: 0.04em;
}
.fields {
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
}
li {
  display: grid;
  grid-template-columns: 1fr 150px 44px;
  gap: var(--s2);
  align-items: center;
  padding: var(--s1) 0;
}
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
  gap: var(--s3);
  margin: 0;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0;
}
.salt {
  color: var(--salt);
}
.heat strong {
  color: var(--heat);
}
</style>
