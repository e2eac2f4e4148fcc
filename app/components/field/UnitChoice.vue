<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { onClickOutside } from '@vueuse/core'
import { CHOOSABLE, unitSign, type QuantityKind } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/** The unit of a kind of field, at the field: a press shows the others, one tap takes one for all of its kind. */
const { kind } = defineProps<{ kind: QuantityKind }>()
const preferences = usePreferences()
const button = useTemplateRef<HTMLButtonElement>('button')
const choices = useTemplateRef<HTMLElement>('choices')
const choosing = ref(false)
const options = computed(() => (CHOOSABLE[kind] ?? []).map((value) => ({ value, label: unitSign(value) })))
const unit = computed({
  get: () => preferences.unit(kind),
  set(value) {
    choosing.value = false
    void preferences.chooseUnit(kind, value)
  },
})
onClickOutside(choices, () => (choosing.value = false), { ignore: [button] })
</script>

<template>
  <button
    ref="button"
    type="button"
    tabindex="-1"
    :aria-label="`Unit for ${kind}: ${unitSign(unit)}`"
    :aria-expanded="choosing"
    @click="choosing = !choosing"
  >
    {{ unitSign(unit) }}
  </button>
  <el-popover
    v-if="choosing"
    visible
    :virtual-ref="button!"
    virtual-triggering
    placement="bottom-end"
    width="auto"
    popper-style="min-width: 0"
    :show-arrow="false"
  >
    <div ref="choices" @keydown.esc.stop="choosing = false">
      <TapField v-model="unit" :label="`Unit for ${kind}`" :options="options" hide-label />
    </div>
  </el-popover>
</template>

<style scoped>
button {
  border: 0;
  background: none;
  color: var(--muted);
  font: 600 15px var(--text);
  min-height: var(--touch);
  min-width: 32px;
  padding: 0 2px;
  text-align: right;
  cursor: pointer;
}
</style>
