<script setup lang="ts">
import { computed } from 'vue'
import { bowlLeft, evenShares, InvalidInput, propertiesOf, styleById, USUAL_STYLE, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { formOfIntended } from '~/forms/planForm'
import { freshJar, jarDrafts, jarResults, leftDraft, LEFT_OVER, SplitSchema, type SplitForm } from '~/forms/splitForm'
import { useForm, type Problems } from '~/composables/useForm'
import { newLotId, useBook } from '~/stores/book'

/** One bowl, several jars: each takes its share, gets its own additions and salt, and becomes a lot of its own. */
const book = useBook()
const route = useRoute()
const router = useRouter()
const bowl = computed(() => book.lot(String(route.params.id)))
const plan = computed(() => (bowl.value?.made.kind === 'plan' ? bowl.value.made : null))
const { form, asked, problem, busy, loaded, confirm, reset } = useForm<SplitForm, Problems<'jars'>>({
  fresh: () => ({ jars: [], place: 'Bench', left: 'packed later' }),
  keep: { key: `split:${String(route.params.id)}`, schema: SplitSchema },
  problems: () => ({ jars: problemOf() }),
  kept: 'The jars are as you left them; try again.',
})

/** The lots that were made of it. */
const jarIds = computed(() => bowl.value?.to.map(({ lotId }) => lotId) ?? [])
const leftG = computed(() => bowl.value?.leftG ?? 0)
const bowlSaltPct = computed(() => {
  const composition = bowl.value && book.composition(bowl.value.id)
  return composition ? propertiesOf(composition).saltPct : 0
})
/** The smallest empty jar that takes a share within its limit, else the largest there is. */
function jarFor(massG: number | null): string {
  const composition = bowl.value && book.composition(bowl.value.id)
  const volumeMl = (massG ?? 0) / (composition ? propertiesOf(composition).densityGPerMl : 1)
  const limit = styleById(plan.value?.style ?? USUAL_STYLE).fillLimit
  const free = book.freeVessels
    .filter((vessel) => vessel.count > 0 && vessel.shape !== 'bag')
    .sort((a, b) => a.capacityMl - b.capacityMl)
  return (free.find((vessel) => vessel.capacityMl * limit >= volumeMl) ?? free.at(-1))?.id ?? 'jar-1000'
}
const letter = (index: number) => String.fromCharCode(65 + (index % 26))
function share(count: number) {
  const shares = evenShares(Math.round(leftG.value), count)
  form.value.jars = shares.map((massG, index) => {
    const old = form.value.jars[index]
    return old
      ? { ...old, bowlG: massG, vesselId: jarFor(massG) }
      : freshJar(
          `${bowl.value?.name ?? 'Jar'}, ${index === 0 ? 'plain' : index === 1 ? 'hot' : `jar ${letter(index).toLowerCase()}`}`.slice(
            0,
            80,
          ),
          `${bowl.value?.code ?? 'LF'}${letter(index)}`,
          massG,
          jarFor(massG),
        )
  })
}
void loaded.then(() => {
  if (form.value.jars.length > 0 || leftG.value <= 0 || !plan.value) return
  share(3)
  // What was said of the packing with the plan holds for its jars, until one says otherwise.
  const { place, closure, called } = formOfIntended(plan.value)
  form.value.place = place
  form.value.jars = form.value.jars.map((jar) => ({ ...jar, closure, called }))
})
const results = computed(() =>
  form.value.jars.map((jar) => (bowl.value ? jarResults(jar, bowl.value, book.book, bowlSaltPct.value) : null)),
)
const rest = computed<{ leftG: number; problem: string | null }>(() => {
  try {
    return {
      leftG: bowlLeft(
        leftG.value,
        form.value.jars.map((jar) => ({ name: jar.name, bowlG: jar.bowlG ?? 0 })),
      ),
      problem: null,
    }
  } catch (error) {
    if (error instanceof InvalidInput) return { leftG: 0, problem: error.message }
    throw error
  }
})
/** What keeps the jars out of the log. */
function problemOf(): string | null {
  if (form.value.jars.length === 0) return 'Add a jar.'
  if (rest.value.problem) return rest.value.problem
  if (form.value.jars.some((jar) => !jar.name.trim())) return 'Every jar wants a name.'
  const codes = form.value.jars.map((jar) => jar.code.trim().toLowerCase())
  if (new Set(codes).size < codes.length || codes.some((code) => !code || book.codeTaken(code)))
    return 'Every jar wants a code of its own.'
  if (form.value.jars.some((jar) => jar.rows.some((row) => row.massG === null)))
    return 'An addition has no weight. Weigh it, or take it out.'
  const short = book.freeVessels.find(
    (vessel) => form.value.jars.filter((jar) => jar.vesselId === vessel.id).length > vessel.count,
  )
  if (short) return `Only ${short.count} of ${short.name} stand empty. Choose another vessel for a jar.`
  const tight = form.value.jars.find((jar, index) => {
    const figures = results.value[index]?.figures
    return figures && figures.properties.volumeMl > (book.library.vessel(jar.vesselId)?.capacityMl ?? 0)
  })
  if (tight) return `${tight.code} does not fit its vessel. Choose a larger one, or give it less.`
  return results.value.some((result) => !result?.figures)
    ? 'A jar has no weight or cannot be salted so. Mend the marked one.'
    : form.value.place.trim()
      ? null
      : 'Say where they will stand.'
}
function drafts(): Draft[] | null {
  if (!bowl.value || !plan.value) return null
  const at = nowMoment()
  const from = bowl.value
  const base = plan.value
  const jars = form.value.jars.flatMap((jar, index): Draft[] => {
    const result = results.value[index]
    const vessel = book.library.vessel(jar.vesselId)
    return result?.figures
      ? jarDrafts(jar, result, { at, from, base, vessel, lotId: newLotId(), place: form.value.place })
      : []
  })
  const leftOver = leftDraft(form.value.left, rest.value.leftG, from.id, at)
  return [...jars, ...(leftOver ? [leftOver] : [])]
}
async function split(event: Event) {
  if (!(await confirm(event, drafts))) return
  reset()
  await router.push('/')
}
/** One more jar, for what is left in the bowl. */
function addJar() {
  if (!bowl.value) return
  const mark = letter(form.value.jars.length)
  const { leftG } = rest.value
  form.value.jars.push(
    freshJar(
      `${bowl.value.name}, jar ${mark.toLowerCase()}`,
      `${bowl.value.code}${mark}`,
      Math.max(0, Math.round(leftG)) || null,
      jarFor(leftG),
    ),
  )
}
</script>

<template>
  <div v-if="!bowl || !plan" class="page">
    <h1>No such bowl</h1>
    <p><NuxtLink to="/plan">Back to Plan</NuxtLink></p>
  </div>
  <div v-else-if="leftG < 1" class="page">
    <h1>{{ bowl.name }} is split</h1>
    <p>
      Its jars stand on the <NuxtLink to="/">shelf</NuxtLink>.
      <NuxtLink v-if="jarIds.length > 1" :to="`/compare?a=${jarIds[0]}&b=${jarIds[1]}`"
        >Two of them side by side, day by day</NuxtLink
      >
    </p>
  </div>
  <form v-else class="page" novalidate @submit.prevent="split">
    <LotHeading :lot="bowl" note="one bowl, several jars" />
    <section class="sheet bar" aria-label="The bowl">
      <p>
        <span class="figure"><MassText :mass-g="leftG" /></span> in the bowl, {{ bowlSaltPct.toFixed(2) }} % salt
      </p>
      <p data-figure="rest">
        <template v-if="!rest.problem"
          ><strong><MassText :mass-g="rest.leftG" /></strong> not in a jar yet</template
        ><span v-else class="problem" role="alert">{{ rest.problem }}</span>
      </p>
      <div class="row">
        <span class="muted">Even shares:</span
        ><el-button v-for="count in [2, 3, 4]" :key="count" @click="share(count)">{{ count }} jars</el-button>
      </div>
    </section>
    <RestTimer v-if="styleById(plan.style).liquid === 'own juice'" :lot="bowl" />
    <div class="jars">
      <JarCard
        v-for="(jar, index) in form.jars"
        :key="jar.key"
        :model-value="jar"
        :results="results[index] ?? null"
        :bowl-salt-pct="bowlSaltPct"
        :style-id="plan.style"
        :asked="asked"
        @update:model-value="form.jars[index] = $event"
        @remove="form.jars.splice(index, 1)"
      />
    </div>
    <div class="row foot">
      <el-button @click="addJar">One jar more</el-button>
      <WordField v-model="form.place" label="Where they stand" />
      <PickField
        v-if="rest.leftG >= 1"
        v-model="form.left"
        label="What is left in the bowl"
        :options="LEFT_OVER.map((value) => ({ value, label: value }))"
      />
      <el-button type="primary" native-type="submit" :loading="busy"
        >Packed: start {{ form.jars.length }} {{ form.jars.length === 1 ? 'lot' : 'lots' }}</el-button
      >
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
.bar {
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  align-items: center;
}
.bar .row {
  align-items: center;
}
.jars {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 370px), 1fr));
  gap: var(--s4);
  align-items: start;
}
.foot {
  align-items: flex-end;
}
</style>
