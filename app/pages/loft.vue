<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { toBuy, counted } from '@lactofer/core'
import { dayAfterMonths, fieldOfDay } from '~/clock/moments'
import { nowMoment } from '~/clock/clock'
import { freshLoft, LoftFormSchema, planOf } from '~/forms/loftForm'
import { misfitWords, stillWords } from '~/words/loftWords'
import { saveLoftCalendar } from '~/composables/roundCalendar'
import { useForm, type Problems } from '~/composables/useForm'
import { useLoft } from '~/composables/useLoft'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The loft planned ahead: forwards from what comes, or backwards from what is to be sold; drawn as a calendar. */
const book = useBook()
const preferences = usePreferences()
const { form, shown, busy, confirm, reset } = useForm({
  fresh: () => freshLoft(fieldOfDay(book.nowMs), dayAfterMonths(book.nowMs, 1)),
  keep: { key: 'loft', schema: LoftFormSchema },
  problems: (): Problems<'lots'> => ({
    lots: clashing.value ? 'A lot stands where it cannot. Move it, or leave it out; nothing was recorded.' : null,
  }),
  kept: 'The planning is still here; try again.',
})
const loft = useLoft(form)
const { proposal, problem, lots, working, seated, rows, tempC, wasRead, lead } = loft
const WAYS = [
  { value: 'crate', label: 'From the crate: what comes' },
  { value: 'table', label: 'From the table: what is sold' },
] as const
const nameOf = (key: string) => {
  const named = lots.value.find((lot) => lot.key === key)?.template.name
  return named ?? loft.sorts.value.find((sort) => sort.key === key)?.template.name ?? 'this lot'
}
const misfits = computed(() => proposal.value.misfits.map((one) => misfitWords(one, nameOf, preferences.world)))
const buying = computed(() => (form.value.from === 'table' ? toBuy(lots.value) : []))
const still = computed(() => (lead.value ? stillWords(lead.value.missed) : null))
const standsFree = computed(() => {
  const taken = new Set([
    ...seated.value.filter(({ lateMs }) => lateMs > book.nowMs).map(({ rowKey }) => rowKey),
    ...lots.value.flatMap((lot) => lot.rows.map(({ key }) => key)),
  ])
  const free = rows.value.filter(({ key }) => !taken.has(key))
  const kinds = [...new Set(free.map(({ vesselId }) => vesselId))]
  const words = kinds.map((id) => {
    const count = free.filter(({ vesselId }) => vesselId === id).length
    return `${count} × ${book.library.vessel(id)?.name ?? id}`
  })
  return book.library.ownVessels && words.length ? words.join(', ') : null
})
const clashing = computed(() =>
  [...loft.clashes.value.values()].some(({ rowKeys, past }) => rowKeys.length > 0 || past),
)

function drafts() {
  if (lots.value.length === 0) return null
  const at = nowMoment()
  return lots.value.map((lot, index) => {
    const main = [...lot.template.rows].sort((a, b) => b.massG - a.massG)[0]
    return planOf(lot, {
      ...{ at, lotId: newLotId(), code: book.nextCode('LF', index), name: lot.template.name.slice(0, 80) },
      ...{ color: book.library.material(main?.materialId ?? '')?.color ?? '#c8341f', place: form.value.place },
    })
  })
}
async function keep(event: Event) {
  const count = lots.value.length
  if (!(await confirm(event, drafts))) return
  say.done(`${count} ${count === 1 ? 'plan is' : 'plans are'} in the log, each with its day.`)
  reset()
}
const exportDays = async () => {
  const count = await saveLoftCalendar(lots.value, book.lots)
  say.done(`${count} days are in the file.`)
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Plan the loft</h1>
      <p>What goes into which vessel, and when.</p>
    </header>
    <div class="planning">
      <section class="sheet begins" aria-label="What it begins with">
        <PickField
          :model-value="form.from"
          label="Plan"
          :options="WAYS"
          @update:model-value="(from) => (form = { ...form, from, moves: {} })"
        />
        <InTurn><CrateForm v-if="form.from === 'crate'" v-model="form" /><TableForm v-else v-model="form" /></InTurn>
        <p class="small muted">
          Reckoned at <TemperatureText :temp-c="tempC" />,
          {{ wasRead ? `as ${form.place.trim()} was last read` : 'a usual room: nothing was read there yet' }}, and at
          the forecast’s late end.
        </p>
      </section>
      <section class="sheet comes" aria-label="What it comes to">
        <SteadyStatus :text="lots.length ? `${counted(lots.length, 'lot')} proposed. ${misfits.join(' ')}` : ''" />
        <p v-if="working" class="muted">Asking the forecast how long it takes …</p>
        <p v-else-if="problem" class="problem" role="alert"><SaidText :text="problem" /></p>
        <p v-else-if="lots.length === 0 && misfits.length === 0" class="muted">
          {{
            form.from === 'crate'
              ? 'Say what comes, how much and when: lots, vessels and salt stand here.'
              : 'Say what is to be sold, and when: what to buy and when to begin stand here.'
          }}
        </p>
        <p v-for="words in misfits" :key="words" class="line" data-figure="misfit">
          <StateMark level="act" word="Does not fit" /> {{ words }}
        </p>
        <p v-if="buying.length" data-figure="buy">
          To buy, ready to go in:
          <template v-for="(one, index) in buying" :key="one.materialId"
            ><template v-if="index">, </template><strong><MassText :mass-g="one.massG" /></strong>
            {{ one.name.toLowerCase() }}</template
          >. Stems and cores come on top.
        </p>
        <ProposedLots v-if="lots.length" :loft="loft" :form="form" />
        <p v-if="lots.length && still" class="small muted" data-figure="still">{{ still }}</p>
        <!-- Nothing is seated for an answer that is not there: a thousand lots take their time. -->
        <p v-if="lots.length && standsFree" class="small" data-figure="free">Still free: {{ standsFree }}.</p>
        <p v-if="shown.lots" class="problem" role="alert">{{ shown.lots }}</p>
        <div v-if="lots.length" class="row">
          <el-button type="primary" :loading="busy" @click="keep">Keep as plans</el-button>
          <el-button @click="exportDays">Calendar file</el-button>
          <el-button text @click="reset">Begin anew</el-button>
        </div>
      </section>
      <div class="stack calendar">
        <InTurn
          ><section class="sheet"><LoftCalendar :loft="loft" /></section
        ></InTurn>
        <InTurn><PlannedDays /></InTurn>
      </div>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: block;
}
.planning {
  display: grid;
  gap: var(--s4);
  align-items: start;
}
.planning > * {
  min-width: 0;
}
/* Beside each other where there is room; on a phone the answer stands before the calendar. */
@media (min-width: 901px) {
  .planning {
    grid-template: 'begins comes' auto 'calendar comes' 1fr / minmax(0, 1fr) 380px;
  }
  .begins {
    grid-area: begins;
  }
  .comes {
    grid-area: comes;
  }
  .calendar {
    grid-area: calendar;
  }
}
</style>
