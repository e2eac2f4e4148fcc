<script setup lang="ts">
import { computed } from 'vue'
import {
  brineParts,
  coverWorking,
  formatNumber,
  formatVolume,
  spoonCountWords,
  styleById,
  takesWater,
  type PlanFigures,
  type SaidSalt,
  type SaltBasis,
} from '@lactofer/core'
import { freshRow, type PlanForm } from '~/forms/planForm'
import { saltedOf } from '~/forms/planResults'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * How strong, of what, with which salt; how much brine covers the pieces, and what is kept back for the first two
 * days.
 */
const form = defineModel<PlanForm>({ required: true })
const { figures } = defineProps<{ figures: PlanFigures | null }>()
const book = useBook()
const preferences = usePreferences()
const style = computed(() => styleById(form.value.style))
const BASES: { value: SaltBasis; label: string }[] = [
  { value: 'ingredients', label: 'the ingredients' },
  { value: 'everything', label: 'everything, evened out' },
  { value: 'brine', label: 'the brine' },
  { value: 'water', label: 'the water' },
]
const bases = computed(() =>
  BASES.filter(
    (basis) =>
      (takesWater(style.value) && form.value.waterG) || basis.value === 'ingredients' || basis.value === 'everything',
  ),
)
const salt = computed(() => book.library.salts.find((kind) => kind.id === form.value.saltId))
/** What a percentage comes to in spoons, for whoever has no scale. */
const spoons = computed(() => {
  const saltG = figures?.dose.saltG ?? 0
  return preferences.weighs === 'spoons' && salt.value && !form.value.saltSaid && saltG > 0
    ? spoonCountWords(saltG / salt.value.teaspoonG.typical)
    : ''
})
const sayInSpoons = () => (form.value = { ...form.value, saltPct: null, saltSaid: spoons.value })
/** What a dose comes to in this plan. */
const doseWords = computed(() => {
  const salted = saltedOf(form.value, book.book)
  if (!salted) return null
  const jars = form.value.vessels.reduce((sum, { count }) => sum + count, 0)
  const amount = `${preferences.amountWords(salted.saltG, 'mass')} of ${salt.value?.name ?? 'salt'}`
  if (salted.said.kind === 'by eye') return `${amount}: anything this style takes`
  const where = salted.said.into.kind === 'jar' ? ` in ${jars > 1 ? `${jars} jars` : 'one jar'}` : ''
  return `${amount}${where}${salted.said.onTop ? ', on top: the rest has it once it is stirred' : ''}`
})
/** A water or a jar that was said with the salt is taken where the maker named none. */
function takeAlong(said: SaidSalt) {
  if (said.kind === 'percent') {
    if (said.basis) form.value = { ...form.value, saltBasis: said.basis }
    return
  }
  if (said.kind === 'by eye') return
  const { into } = said
  if (into.kind === 'water' && takesWater(style.value) && (!form.value.waterG || form.value.waterProposed))
    form.value = { ...form.value, waterG: Math.round(into.volumeMl.typical), waterProposed: true }
  if (into.kind !== 'jar' || into.volumeMl === null || form.value.vessels.length) return
  const holds = into.volumeMl
  const near = book.freeVessels.find(
    ({ shape, capacityMl }) => style.value.vesselShapes.includes(shape) && Math.abs(capacityMl / holds - 1) < 0.08,
  )
  if (near) form.value = { ...form.value, vessels: [{ vesselId: near.id, count: 1 }] }
}
const brinePct = computed(() => figures?.dose.ofBrinePct ?? 0)
const cover = computed(() => (style.value.liquid === 'brine' ? (figures?.cover ?? null) : null))
const reserve = computed(() => brineParts(cover.value?.reserveG ?? 0, brinePct.value))
const short = computed(() =>
  cover.value && figures ? cover.value.massG - (form.value.waterG ?? 0) - figures.dose.saltG : 0,
)
/** Vinegar that covers the pods, or that the pot wants for its peppers. */
const vinegar = computed(() => {
  if (style.value.liquid !== 'vinegar' || !figures) return null
  const isVinegar = (row: PlanForm['rows'][number]) => book.library.material(row.materialId)?.kind === 'vinegar'
  const hasG = form.value.rows.filter(isVinegar).reduce((sum, row) => sum + (row.massG ?? 0), 0)
  const produceG = form.value.rows.filter((row) => !isVinegar(row)).reduce((sum, row) => sum + (row.massG ?? 0), 0)
  const wantedG = Math.round(
    style.value.vinegarPerPepper ? produceG * style.value.vinegarPerPepper : (figures.cover?.massG ?? 0),
  )
  const weakest = Math.min(
    ...form.value.rows
      .filter(isVinegar)
      .map((row) => book.library.material(row.materialId)?.acidsPct.acetic?.typical ?? 0),
    99,
  )
  return { hasG, wantedG, weak: weakest < 5, row: form.value.rows.find(isVinegar) }
})
function takeVinegar() {
  if (!vinegar.value) return
  const { row, wantedG, hasG } = vinegar.value
  if (row)
    form.value = {
      ...form.value,
      rows: form.value.rows.map((one) =>
        one.key === row.key ? { ...one, massG: Math.max(1, (one.massG ?? 0) + wantedG - hasG) } : one,
      ),
    }
  else
    form.value = {
      ...form.value,
      rows: [
        ...form.value.rows,
        {
          ...freshRow({
            materialId: 'white-vinegar',
            name: book.library.materialOrUnknown('white-vinegar').name,
            preparation: 'raw',
            seedsOut: false,
          }),
          massG: wantedG,
        },
      ],
    }
}
function useCover() {
  if (cover.value)
    form.value = { ...form.value, waterG: Math.round(brineParts(cover.value.massG, brinePct.value).waterG) }
}
const vinegarWords = computed(() =>
  style.value.vinegarPerPepper
    ? 'Five of peppers take eight of vinegar, by weight:'
    : 'To cover the pods it takes about',
)
</script>

<template>
  <section class="sheet" aria-label="Salt and water">
    <h2>{{ style.saltPct ? 'Salt' : 'No salt in this style' }}</h2>
    <template v-if="style.saltPct">
      <div class="fields">
        <SaltField
          v-model:pct="form.saltPct"
          v-model:words="form.saltSaid"
          v-model:salt-id="form.saltId"
          :class="{ spooned: preferences.weighs === 'spoons' }"
          :hint="`usually ${style.saltPct.low}–${style.saltPct.high} %`"
          :read-as="doseWords"
          :by-eye="style.saltByEye ?? false"
          :most="form.saltBasis === 'ingredients' || form.saltBasis === 'water' ? 60 : 26"
          @read="takeAlong"
        />
        <PickField v-if="!form.saltSaid" v-model="form.saltBasis" label="as a share of" :options="bases" />
        <PickField
          v-model="form.saltId"
          label="The salt in use"
          :options="book.library.salts.map(({ id, name }) => ({ value: id, label: name }))"
        />
        <QuantityField
          v-if="takesWater(style)"
          v-model="form.waterG"
          v-model:between="form.waterBetweenG"
          v-model:said="form.waterSaid"
          kind="mass"
          label="Water"
          :hint="style.liquid === 'brine' ? 'free of chlorine' : 'none is needed; free of chlorine'"
          :optional="style.liquid !== 'brine'"
          :thing="book.library.materialOrUnknown('water')"
          @update:model-value="form.waterProposed = false"
        />
      </div>
      <p v-if="spoons" class="row mid" data-figure="in spoons">
        <span>That is about <strong>{{ spoons }}</strong> of {{ salt?.name }}.</span>
        <el-button @click="sayInSpoons">Say it in spoons</el-button>
      </p>
      <p v-if="form.saltId && !salt" class="problem" role="alert">
        What a spoon of this salt weighs is not known. Weigh it, or choose a salt from the list.
      </p>
    </template>
    <div v-if="vinegar" class="cover">
      <h3>Vinegar</h3>
      <p>
        {{ vinegarWords }} <strong data-figure="vinegar"><MassText :mass-g="vinegar.wantedG" /></strong>; in the plan
        <MassText :mass-g="vinegar.hasG" />.
        <el-button v-if="Math.abs(vinegar.wantedG - vinegar.hasG) > 0.05 * vinegar.wantedG" @click="takeVinegar"
          >Take that much</el-button
        >
      </p>
      <p v-if="vinegar.weak" class="row mid">
        <StateMark level="act" word="Weak vinegar" /> Under 5 % it does not keep. Use one of 5 % or more.
      </p>
    </div>
    <div v-if="cover && figures" class="cover">
      <h3>Brine that covers</h3>
      <p>
        <strong data-figure="cover">{{ formatVolume(cover.volumeMl.typical, preferences.world) }}</strong> of
        {{ formatNumber(brinePct, 2) }} % brine, probably {{ formatVolume(cover.volumeMl.low, preferences.world) }} to
        {{ formatVolume(cover.volumeMl.high, preferences.world) }}, weighing <MassText :mass-g="cover.massG" />. Mix
        <MassText :mass-g="cover.reserveG" /> more of the same (<MassText :mass-g="reserve.saltG" /> salt in
        <MassText :mass-g="reserve.waterG" /> water) and keep it back: pieces drink for two days.
      </p>
      <p v-if="Math.abs(short) > 0.1 * cover.massG" class="row mid">
        <StateMark level="ask" :word="short > 0 ? 'Not covered' : 'More than it takes'" />
        <span><MassText :mass-g="Math.abs(short)" /> {{ short > 0 ? 'short' : 'over' }}</span>
        <el-button @click="useCover">Take what covers</el-button>
      </p>
      <ShowWorking v-if="style.voidShare" :working="coverWorking(figures.piecesMl, style.voidShare, cover, brinePct)" />
    </div>
  </section>
</template>

<style scoped>
/* Four taps want their room. */
.spooned {
  grid-column: span 2;
}
.cover {
  display: grid;
  gap: var(--s2);
  border-top: 1px solid var(--line);
  padding-top: var(--s3);
}
.mid {
  align-items: center;
}
</style>
