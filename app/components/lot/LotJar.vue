<script setup lang="ts">
import { computed, ref } from 'vue'
import { styleById, topUpBrine, type Chore, type Lot } from '@lactofer/core'
import { drawnVessels } from '~/composables/useShelf'
import { useBook } from '~/stores/book'
import { useRound } from '~/stores/round'

/**
 * The lot as its own jar: true fill, tape and HOT; at its lid gas is let out, at its surface film is looked for, at
 * its brine it is topped up. Each place has its button below.
 */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const round = useRound()
const looking = ref(false)
const topping = ref(false)

const vessels = computed(() => drawnVessels(book.book, lot))
const MOST_DRAWN = 4
const ROOM = { widthPx: 172, heightPx: 250 }
const drawn = computed(() => vessels.value.slice(0, MOST_DRAWN))
/** Several stand two and two. */
const columns = computed(() => Math.min(2, drawn.value.length))
const scale = computed(() => {
  const wide = Math.max(1, ...drawn.value.map(({ vessel }) => vessel.widthMm))
  const tall = Math.max(1, ...drawn.value.map(({ vessel }) => vessel.heightMm))
  const rows = Math.ceil(drawn.value.length / columns.value)
  return Math.min(ROOM.widthPx / columns.value / wide, ROOM.heightPx / rows / tall - 0.1, 1.6)
})
/** What is done at the lid of this style. */
const LID: { chore: Chore; words: string }[] = [
  { chore: 'vent', words: 'Let the bag breathe' },
  { chore: 'burp', words: 'Let gas out' },
  { chore: 'airlock water', words: 'Airlock filled up' },
]
const lid = computed(() => {
  const own = lot.made.kind === 'plan' ? styleById(lot.made.style).chores.map(({ chore }) => chore) : []
  return LID.find(({ chore }) => own.includes(chore)) ?? LID[1]!
})
const drawable = computed(() => topUpBrine(book.book, lot) !== null)
const letOut = () => round.did(lot.id, lid.value.chore)
/** Where on the drawing one acts, percent of its height from the top. */
const zones = computed(() => {
  const fill = drawn.value[0]?.fraction ?? 0.8
  const surface = 12 + 84 * (1 - Math.min(1, fill))
  return [
    { top: 0, height: 14, act: letOut },
    { top: surface - 7, height: 14, act: () => (looking.value = true) },
    ...(drawable.value ? [{ top: surface + 8, height: 90 - surface, act: () => (topping.value = true) }] : []),
  ]
})
</script>

<template>
  <section class="jar" aria-label="Its jar">
    <div class="drawn" :style="{ '--columns': columns }">
      <div v-for="(one, index) in drawn" :key="index" class="one">
        <LotVessel :lot="lot" :one="one" :scale="scale" />
        <!-- The places themselves: the same as the buttons below, for a finger that goes to the jar. -->
        <i
          v-for="zone in lot.state === 'fermenting' ? zones : []"
          :key="zone.top"
          :style="{ top: `${zone.top}%`, height: `${zone.height}%` }"
          aria-hidden="true"
          @click="zone.act"
        />
      </div>
    </div>
    <p v-if="vessels.length > drawn.length" class="small muted">and {{ vessels.length - drawn.length }} more like it</p>
    <div v-if="lot.state === 'fermenting'" class="acts">
      <el-button :disabled="round.busy" @click="letOut">{{ lid.words }}</el-button>
      <el-button @click="looking = true">Film, or not?</el-button>
      <el-button v-if="drawable" @click="topping = true">Cover it again</el-button>
    </div>
    <UndoBar />
    <SignDialog v-if="looking" v-model="looking" :lot="lot" />
    <PutInDialog v-if="topping" v-model="topping" :lot="lot" top-up />
  </section>
</template>

<style scoped>
.jar {
  display: grid;
  gap: var(--s3);
  justify-items: center;
  align-content: start;
}
.drawn {
  display: grid;
  grid-template-columns: repeat(var(--columns), auto);
  align-items: end;
  gap: var(--s1);
}
.one {
  position: relative;
}
.one i {
  position: absolute;
  left: 0;
  right: 0;
  cursor: pointer;
  border-radius: var(--radius);
}
.one i:hover {
  outline: 2px dashed var(--bottle);
}
.acts {
  display: grid;
  gap: var(--s2);
  width: 100%;
}
html .acts .el-button {
  margin: 0;
  padding: 8px 6px;
}
</style>
