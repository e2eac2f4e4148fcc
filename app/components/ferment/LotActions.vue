<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { CHORES, isCold, styleById, topUpBrine, type Chore, type Lot, type ToldJudgement } from '@lactofer/core'
import { mayEatAtHome, type Deciding } from '~/forms/decideForm'
import { useBook } from '~/stores/book'
import { useRound } from '~/stores/round'

/** All else of a lot in one row, opened by one press: what is seen stands by itself, the rest folds. */
const props = defineProps<{ lot: Lot; stand: ToldJudgement | null }>()
const book = useBook()
const round = useRound()
const fermenting = computed(() => props.lot.state === 'fermenting')
const dialog = ref<'see' | 'put in' | 'spilt' | 'share' | 'end' | 'salt' | null>(null)
/** One dialog at a time, each with its own way out. */
const shows = (name: NonNullable<typeof dialog.value>) => ({
  modelValue: dialog.value === name,
  'onUpdate:modelValue': (open: boolean) => (dialog.value = open ? name : null),
  lot: props.lot,
})
const deciding = ref<Deciding | null>(null)

const GROUPS = ['Done just now', 'Put in, or lost', 'Decide', 'Paper and files'] as const
const groups = computed(() => (fermenting.value ? GROUPS : GROUPS.slice(-1)))
const opened = ref<(typeof GROUPS)[number] | null>(null)

const style = computed(() => (props.lot.made.kind === 'plan' ? styleById(props.lot.made.style) : null))
/** Chores of the style first, then those any lot may want. */
const chores = computed(() => {
  const own = style.value?.chores.map(({ chore }) => chore) ?? []
  const done = (chore: Chore) => chore !== 'read' && chore !== 'weigh'
  return [...new Set([...own, ...CHORES.slice(0, 7)])].filter(done)
})
async function did(chore: Chore) {
  if (await round.did(props.lot.id, chore)) say.done(`${chore}: recorded. A wrong tap is taken back in the log.`)
}
const cold = computed(() => isCold(props.lot))
const drawable = computed(() => topUpBrine(book.book, props.lot) !== null)
</script>

<template>
  <section class="sheet" aria-label="All else">
    <div class="taps">
      <el-button v-if="fermenting" type="primary" plain @click="dialog = 'see'">Look and record it</el-button>
      <button
        v-for="name in groups"
        :key="name"
        type="button"
        class="fold"
        :aria-expanded="opened === name"
        :aria-controls="opened === name ? 'all-else' : undefined"
        @click="opened = opened === name ? null : name"
      >
        {{ name }}
      </button>
    </div>
    <div v-if="opened" id="all-else" role="group" :aria-label="opened" class="taps opened">
      <template v-if="opened === 'Done just now'">
        <el-button v-for="chore in chores" :key="chore" :disabled="round.busy" @click="did(chore)">{{
          chore
        }}</el-button>
      </template>
      <template v-else-if="opened === 'Put in, or lost'">
        <el-button @click="dialog = 'put in'">Brine, water, salt, juice, herbs …</el-button>
        <el-button @click="dialog = 'spilt'">It ran over …</el-button>
        <el-button @click="dialog = 'share'">Share into one more jar …</el-button>
        <el-button v-if="style?.saltPct" @click="dialog = 'salt'">Salted wrong?</el-button>
      </template>
      <template v-else-if="opened === 'Decide'">
        <el-button v-if="!cold" @click="deciding = 'cold'">To the cold …</el-button
        ><el-button v-else @click="deciding = 'warm'">Back to the warm …</el-button>
        <el-button @click="deciding = 'wait'">More time …</el-button>
        <el-button :disabled="stand?.make === 'stop'" @click="deciding = 'ready'">Call it ready …</el-button>
        <el-button v-if="mayEatAtHome(stand)" @click="deciding = 'home'">Home use only …</el-button>
        <el-button v-if="drawable" @click="deciding = 'brine'">Keep some brine …</el-button>
        <el-button @click="dialog = 'end'">Eaten, given, frozen …</el-button>
        <el-button type="danger" plain class="discard" @click="deciding = 'discard'">Discard …</el-button>
      </template>
      <template v-else><LotPaper :lot="lot" /><LoggerImport v-if="fermenting" :lot="lot" /></template>
    </div>
    <template v-if="fermenting">
      <SignDialog v-bind="shows('see')" />
      <PutInDialog v-bind="shows('put in')" />
      <OverflowDialog v-bind="shows('spilt')" />
      <ShareDialog v-bind="shows('share')" />
      <EndDialog v-bind="shows('end')" :stand="stand" />
      <SaltFix v-bind="shows('salt')" />
      <DecideDialog v-model="deciding" :lot="lot" :stand="stand" />
    </template>
  </section>
</template>

<style scoped>
.taps {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--s2);
}
html .taps .el-button {
  margin: 0;
}
.fold {
  padding: 0 var(--s3);
  border: 0;
  background: none;
  font: 600 16px var(--text);
}
.opened {
  border-top: 1px solid var(--line);
  margin-top: var(--s3);
  padding-top: var(--s3);
}
html .discard {
  --el-button-text-color: var(--discard);
  --el-button-bg-color: transparent;
  --el-button-border-color: var(--discard);
  --el-button-hover-text-color: #fff;
  --el-button-hover-bg-color: #9b1230;
}
</style>
