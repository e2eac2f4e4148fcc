<script setup lang="ts">
import { computed } from 'vue'
import {
  ends,
  acidG,
  ACIDS,
  formatNumber,
  formatShu,
  otherSolidsG,
  type AcidId,
  type Composition,
  type EarlierYield,
  type PressMethod,
} from '@lactofer/core'
import { shortDay } from '~/clock/moments'
import type { Balance, Pressed } from '~/forms/pressForm'

/** What came out: the balance, what each part carries away, and whether that is usual. */
const { balance, pressed, earlier, method, unread } = defineProps<{
  balance: Balance | null
  pressed: Pressed | null
  earlier: readonly EarlierYield[]
  method: PressMethod
  /** Nobody read a pH in the ferment. */
  unread: boolean
}>()
/** Percent within which a yield is as it was. */
const NEAR_PCT = 5
/** Weak acid of a part, g; what only binds has no weight here. */
const acidOf = ({ acids }: Composition) =>
  (Object.keys(ACIDS) as AcidId[]).reduce((sum, id) => sum + acidG(id, acids[id] ?? 0), 0)
/** Percent of the whole heat that a stream carries away. */
const heatShare = ({ pungency }: Composition) => {
  const whole = pressed?.wholeHeat ?? 0
  return whole > 0 ? formatNumber((100 * pungency.typical) / whole) : 0
}
const usual = computed(() => {
  const same = earlier
    .filter((one) => one.method === method)
    .map(({ yieldPct }) => yieldPct)
    .sort((a, b) => a - b)
  return same.length ? { low: same[0] ?? 0, high: same.at(-1) ?? 0, count: same.length } : null
})
const yieldWords = computed(() => {
  if (balance?.problem !== null || !usual.value) return ''
  if (balance.yieldPct < usual.value.low - NEAR_PCT) return 'Less than usual'
  return balance.yieldPct > usual.value.high + NEAR_PCT ? 'More than usual' : 'As usual'
})
</script>

<template>
  <aside class="sheet" aria-label="What came out">
    <SteadyStatus
      :text="balance?.problem === null ? `${formatNumber(balance.yieldPct, 1)} % yield. ${balance.sentence}` : ''"
    />
    <h2>What came out</h2>
    <template v-if="balance && balance.problem === null">
      <p><span class="figure" data-figure="yield">{{ formatNumber(balance.yieldPct, 1) }} %</span> yield</p>
      <p>
        <StateMark
          :level="balance.missingPct > 5 ? 'ask' : 'fine'"
          :word="`${formatNumber(balance.missingG)} g missing`"
        />
        {{ ' ' }}<SaidText :text="balance.sentence" />
      </p>
    </template>
    <p v-else class="muted">Weigh base and pulp, and the balance stands here.</p>
    <table v-if="pressed" class="plain">
      <tbody>
        <tr>
          <td>pH</td>
          <td class="number">{{ unread ? 'not read' : (pressed.pH?.toFixed(2) ?? '–') }}</td>
        </tr>
        <tr>
          <td>Salt</td>
          <td class="number">{{ formatNumber(pressed.saltPct, 2) }} %</td>
        </tr>
        <tr>
          <td>Heat, was {{ formatShu(pressed.was.shu) }}</td>
          <td class="number">{{ formatShu(pressed.shu) }}</td>
        </tr>
        <tr>
          <td>Solids</td>
          <td class="number">{{ formatNumber(pressed.bodyPct, 1) }} %</td>
        </tr>
        <tr v-if="pressed.solidsThrownOut.high > 0">
          <td>Skins and seeds thrown out</td>
          <td class="number">
            {{ ends(100 * pressed.solidsThrownOut.low, 100 * pressed.solidsThrownOut.high) }}
            %
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="pressed" class="sideways">
      <table class="plain small">
        <thead>
          <tr>
            <th>Goes with</th>
            <th class="number">weight</th>
            <th class="number">salt</th>
            <th class="number">acid</th>
            <th class="number">solids</th>
            <th class="number">heat</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[name, part] in pressed.streams" :key="name" :data-stream="name">
            <td>{{ name }}</td>
            <td class="number"><SaidText :text="`${formatNumber(part.massG)} g`" /></td>
            <td class="number"><SaidText :text="`${formatNumber(part.saltG, 1)} g`" /></td>
            <td class="number"><SaidText :text="`${formatNumber(acidOf(part), 1)} g`" /></td>
            <td class="number"><SaidText :text="`${formatNumber(otherSolidsG(part), 1)} g`" /></td>
            <td class="number">{{ heatShare(part) }} %</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="pressed?.odd" data-figure="odd">
      <StateMark level="ask" word="Does not fit" /> What came out does not go with these weights. Weigh the pulp again.
    </p>
    <p v-if="pressed" class="muted small">
      Heat stays mostly with the solids; the share thrown out follows from the pulp’s weight and how dry this way of
      pressing leaves it (judgement), and from how the base came out. What is lost is taken to be like the base.
    </p>
    <template v-if="earlier.length"
      ><h3>Earlier of this style</h3>
      <p v-if="usual && balance?.problem === null" data-figure="usual">
        <StateMark :level="yieldWords === 'As usual' ? 'fine' : 'ask'" :word="yieldWords" />
        {{ ends(usual.low, usual.high) }} % in {{ usual.count }} before, pressed the same way.
      </p>
      <ul class="plain-list small">
        <li v-for="one in earlier" :key="one.lotId">
          <span class="code">{{ one.code }}</span> {{ formatNumber(one.yieldPct, 1) }} %
          <span class="muted">{{ one.method }}, {{ shortDay(one.atMs) }}</span>
        </li>
      </ul></template
    >
  </aside>
</template>
