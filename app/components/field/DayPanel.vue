<script setup lang="ts">
import { ElDatePickerPanel } from 'element-plus/es/components/date-picker-panel/index.mjs'
import 'element-plus/es/components/date-picker-panel/style/css'
import { onMounted, useTemplateRef } from 'vue'
import { onClickOutside } from '@vueuse/core'
import { datePatterns } from '~/clock/moments'

/** A calendar to choose a day, or a day and a time, from; it hangs under the button that asked for it. */
const { beside, time } = defineProps<{ beside: HTMLElement; time: boolean }>()
const model = defineModel<string>({ required: true })
const emit = defineEmits<{ close: [] }>()
const sheet = useTemplateRef<HTMLElement>('sheet')
// It hangs at the end of the document, where Tab would not find it.
onMounted(() => sheet.value?.querySelector<HTMLElement>('[tabindex="0"], button')?.focus())
onClickOutside(sheet, () => emit('close'), { ignore: [beside] })
/** Back to where it was asked from. */
function close() {
  beside.focus()
  emit('close')
}
function choose(value: unknown) {
  model.value = String(value)
  if (!time) close()
}
</script>

<template>
  <el-popover
    visible
    :virtual-ref="beside"
    virtual-triggering
    placement="bottom-end"
    width="auto"
    popper-style="padding: 0"
    :show-arrow="false"
  >
    <div ref="sheet" @keydown.esc.stop="close">
      <ElDatePickerPanel
        :model-value="model"
        :type="time ? 'datetime' : 'date'"
        :value-format="time ? 'YYYY-MM-DDTHH:mm' : 'YYYY-MM-DD'"
        :date-format="datePatterns.dayField"
        :time-format="datePatterns.time"
        :clearable="false"
        :border="false"
        @update:model-value="choose"
      />
    </div>
  </el-popover>
</template>
