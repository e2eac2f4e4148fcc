<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { CHORES, isCold, styleById, topUpBrine, type Chore, type Lot, type ToldJudgement } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { useRound } from '~/stores/round'

/** What was done, what is seen, and what is decided. */
const { lot } = defineProps<{ lot: Lot; stand: ToldJudgement | null }>()
const book = useBook()
const round = useRound()
const seeing = ref(false)
const putting = ref(false)
const spilling = ref(false)
const sharing = ref(false)
const ending = ref(false)
const deciding = ref<'cold' | 'warm' | 'wait' | 'ready' | 'brine' | 'discard' | null>(null)

/** Chores of the style first, then those any lot may want. */
const chores = computed(() => {
  const own = lot.made.kind === 'plan' ? styleById(lot.made.style).chores.map(({ chore }) => chore) : []
  const done = (chore: Chore) => chore !== 'read' && chore !== 'weigh'
  return [...new Set([...own, ...CHORES.slice(0, 7)])].filter(done)
})
async function did(chore: Chore) {
  if (await round.did(lot.id, chore)) ElMessage.success(`${chore}: recorded. A wrong tap is taken back in the log.`)
}
const cold = computed(() => isCold(lot))
const drawable = computed(() => topUpBrine(book.book, lot) !== null)
</script>

<template>
  <div class="groups">
    <div>
      <h2>What do you see?</h2>
      <p class="small muted">Film or mould, foam, brine lost: two questions tell what it is.</p>
      <el-button type="primary" plain class="see" @click="seeing = true">Look and record it</el-button>
    </div>
    <div role="group" aria-labelledby="done">
      <h3 id="done">Done just now</h3>
      <div class="taps">
        <el-button v-for="chore in chores" :key="chore" :disabled="round.busy" @click="did(chore)">{{
          chore
        }}</el-button>
      </div>
    </div>
    <div>
      <h3>Put in later, or lost</h3>
      <div class="taps">
        <el-button @click="putting = true">Brine, water, salt, juice, herbs …</el-button>
        <el-button @click="spilling = true">It ran over …</el-button>
        <el-button @click="sharing = true">Share into one more jar …</el-button>
      </div>
    </div>
    <div role="group" aria-labelledby="decide">
      <h3 id="decide">Decide</h3>
      <div class="taps">
        <el-button v-if="!cold" @click="deciding = 'cold'">To the cold …</el-button
        ><el-button v-else @click="deciding = 'warm'">Back to the warm …</el-button>
        <el-button @click="deciding = 'wait'">More time …</el-button>
        <el-button :disabled="stand?.make === 'stop'" @click="deciding = 'ready'">Call it ready …</el-button>
        <el-button v-if="drawable" @click="deciding = 'brine'">Keep some brine …</el-button>
        <el-button @click="ending = true">Eaten, given, frozen …</el-button>
        <el-button type="danger" plain class="discard" @click="deciding = 'discard'">Discard …</el-button>
      </div>
    </div>
    <SignDialog v-model="seeing" :lot="lot" />
    <PutInDialog v-model="putting" :lot="lot" />
    <OverflowDialog v-model="spilling" :lot="lot" />
    <ShareDialog v-model="sharing" :lot="lot" />
    <EndDialog v-model="ending" :lot="lot" :stand="stand" />
    <DecideDialog v-model="deciding" :lot="lot" :stand="stand" />
  </div>
</template>

<style scoped>
.groups {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: var(--s4) var(--s5);
}
h2,
h3 {
  font-size: 17px;
  margin-bottom: var(--s2);
}
.see {
  margin-top: var(--s2);
}
.taps {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
}
html .taps .el-button {
  margin: 0;
}
html .discard {
  --el-button-text-color: var(--discard);
  --el-button-bg-color: transparent;
  --el-button-border-color: var(--discard);
  --el-button-hover-text-color: #fff;
  --el-button-hover-bg-color: #9b1230;
}
</style>
