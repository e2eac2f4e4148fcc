<script setup lang="ts">
import { computed, watch } from 'vue'
import { say } from '~/composables/say'
import {
  cautionsFor,
  formatNumber,
  inVessels,
  piecesOf,
  propertiesOf,
  refusalOf,
  type Lot,
  type ToldJudgement,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useForm, type Problems } from '~/composables/useForm'
import { useStops } from '~/composables/useStops'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'
import { endDraft, endG, freshEnd, intoLots, WHERE, type Ending } from '~/forms/endForm'

/**
 * How a jar ends that was never pressed: eaten, given, frozen, into another lot; all of it, some, by the piece or jar
 * by jar, with how it was. What was done is a fact and can always be written down; what speaks against it stays said.
 */
const { lot, stand } = defineProps<{ lot: Lot; stand: ToldJudgement | null }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const stops = useStops()
const { thingOf } = useThings()
const { form, problem, busy, confirm, reset } = useForm({
  fresh: freshEnd,
  problems: (): Problems<'end'> => ({ end: problemOf() }),
  kept: 'What you said is still here; try again.',
})
const WAYS: { value: Ending; label: string }[] = [
  { value: 'eaten', label: 'Into the own kitchen' },
  { value: 'given', label: 'Given to somebody' },
  { value: 'frozen', label: 'Frozen' },
  { value: 'another lot', label: 'Into another lot' },
]
const PARTS = [
  { value: 'whole', label: 'all of it' },
  { value: 'peel', label: 'the peel' },
  { value: 'pulp', label: 'the pulp' },
] as const
/** A freezer warmer than this does not stop it. Common practice, °C. */
const FREEZER_C = -15
watch(open, (now) => {
  if (now) reset()
})
const several = computed(() => lot.vessels.length > 1)
const held = computed(() => inVessels(lot))
const byPiece = computed(() => piecesOf(book.book, lot))
const targets = computed(() =>
  intoLots(book.book, lot).map(({ id, code, name }) => ({ value: id, label: `${code} ${name}` })),
)
const amountG = computed(() => endG(form.value, lot, byPiece.value))
/** What keeps it out of the log. */
function problemOf(): string | null {
  const { how, some, marks, to, intoLotId } = form.value
  if (several.value && !some && marks.length === 0) return 'Mark the jars that end, or say that it is only some.'
  if (amountG.value === null || amountG.value <= 0) return 'Say how much.'
  if (how === 'given' && !to.trim()) return 'Say to whom: in a recall you want to know.'
  if (how === 'another lot') {
    const stopped = stops(lot.id)
    if (stopped) return `Nothing may be made of it. ${stopped}`
    if (!intoLotId) return 'Choose the lot it went into.'
  }
  return refusalOf(book.book, book.judge, endDraft(form.value, lot, nowMoment(), amountG.value, byPiece.value))
}
const against = computed(() => (stand && stand.make !== 'pass' ? stand.sentence : null))
const cautions = computed(() =>
  cautionsFor('end', {
    ending: form.value.how,
    honey: form.value.how === 'eaten' && form.value.table.includes('honey'),
  }),
)
/** Salt that one piece brings along, g, as it is. */
const saltEachG = computed(() => {
  const composition = book.composition(lot.id)
  return composition && byPiece.value ? (propertiesOf(composition).saltPct / 100) * byPiece.value.pieceG : 0
})

async function end(event: Event) {
  const drafts = () =>
    amountG.value === null ? null : [endDraft(form.value, lot, nowMoment(), amountG.value, byPiece.value)]
  if (!(await confirm(event, drafts))) return
  say.done(`${lot.code}: recorded. A wrong entry is taken back in the log.`)
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="`How it ends: ${lot.code}`" width="min(96vw, 660px)">
    <form class="stack" novalidate @submit.prevent="end">
      <TapField
        :model-value="form.how"
        label="How it ends"
        hide-label
        :options="WAYS"
        @update:model-value="(how) => how && (form.how = how)"
      />
      <p v-if="against" class="line" data-figure="against">
        <StateMark level="act" word="Not proven" /> <SaidText :text="against" /> What was done all the same is written
        down as it was.
      </p>
      <CautionList :cautions="cautions" />
      <el-checkbox-group v-if="several && !form.some" v-model="form.marks" aria-label="Jars that end"
        ><el-checkbox v-for="vessel in held" :key="vessel.mark" :value="vessel.mark"
          >Jar {{ vessel.mark }}, <MassText :mass-g="vessel.massG" /></el-checkbox
      ></el-checkbox-group>
      <el-checkbox v-model="form.some">Only some of it</el-checkbox>
      <div class="fields">
        <QuantityField
          v-if="form.some && byPiece"
          v-model="form.pieces"
          kind="count"
          :label="`${byPiece.name}, pieces`"
          :hint="`about ${byPiece.left} are left`"
          :limits="{ low: 1 }"
        />
        <QuantityField
          v-if="form.some && (!byPiece || form.pieces === null)"
          v-model="form.massG"
          kind="mass"
          :label="byPiece ? 'or by weight' : 'How much'"
          :thing="thingOf({ lotId: lot.id, name: lot.name })"
          :limits="{ low: 0.1 }"
          :optional="byPiece !== null"
        />
        <PickField
          v-if="form.how === 'another lot'"
          v-model="form.intoLotId"
          label="Into which"
          :options="targets"
          :placeholder="targets.length ? 'Choose' : 'No other lot is open'"
        />
        <WordField v-else-if="form.how === 'given'" v-model="form.to" label="To whom" />
        <WordField v-else v-model="form.to" label="Where" :placeholder="WHERE[form.how]" />
        <QuantityField
          v-if="form.how === 'frozen'"
          v-model="form.tempC"
          kind="temperature"
          label="The freezer stands at"
          :limits="{ high: 0 }"
          :hint="form.tempC !== null && form.tempC > FREEZER_C ? 'too warm: it goes on, slowly' : 'down to −30 °C'"
          optional
        />
        <WordField
          v-model="form.note"
          :label="form.how === 'another lot' ? 'Why' : 'How it was'"
          :placeholder="
            form.how === 'another lot' ? 'rounder together' : 'rounder than the last; more garlic next time'
          "
        />
      </div>
      <template v-if="form.some && byPiece && form.pieces && form.how !== 'another lot'">
        <div class="row">
          <TapField
            :model-value="form.part"
            label="What of each piece"
            hide-label
            :options="PARTS"
            @update:model-value="(part) => part && (form.part = part)"
          /><el-checkbox v-model="form.rinsed">Rinsed first</el-checkbox>
        </div>
        <p class="small muted" data-figure="salt each">
          About {{ formatNumber(saltEachG, 1) }} g of salt in each as it is. A rinse takes what clings to it, not what
          is inside; the pulp is the softer and saltier part.
        </p>
      </template>
      <el-checkbox-group v-if="form.how === 'eaten'" v-model="form.table" aria-label="At the table"
        ><el-checkbox value="honey">Honey at the table</el-checkbox
        ><el-checkbox value="syrup">Syrup at the table</el-checkbox></el-checkbox-group
      >
      <p v-if="!form.some && amountG" class="small muted"><MassText :mass-g="amountG" /> in all.</p>
      <p v-if="problem" class="problem" role="alert"><SaidText :text="problem" /></p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Write it down</el-button>
        <el-button @click="open = false">Not yet</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
.line {
  display: block;
}
</style>
