<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { formatMass, jarLabels, PACKING_CHECKS, propertiesOf, styleById, type Lot } from '@lactofer/core'
import { PAGES, SHEETS, type PageId, type SheetId } from '~/labels/paper'
import { saveFile } from '~/composables/saveFile'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Paper for a lot: labels for its jars, and the batch sheet. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const preferences = usePreferences()
const sheet = ref<SheetId>('a4')
const page = ref<PageId>('a4')
const busy = ref(false)
const composition = computed(() => book.composition(lot.id))

async function print(what: string, make: () => Promise<Uint8Array>) {
  busy.value = true
  try {
    saveFile(new Blob([(await make()) as BlobPart], { type: 'application/pdf' }), `${lot.code}-${what}.pdf`)
  } catch {
    ElMessage.error('The paper could not be made. Reload the page and try again; the log is as it was.')
  } finally {
    busy.value = false
  }
}
const link = () => `${location.origin}/ferment/${lot.id}`
const labels = () =>
  print('jars', async () => {
    const { jarLabelSheet } = await import('~/labels/jarLabels')
    const properties = composition.value && propertiesOf(composition.value)
    return jarLabelSheet(
      jarLabels(lot, properties?.saltPct ?? null, composition.value?.allergens ?? []),
      sheet.value,
      link(),
    )
  })
const batch = () =>
  print('sheet', async () => {
    const { made } = lot
    if (made.kind !== 'plan') throw new Error('Only a planned lot has a batch sheet.')
    const { batchSheetPdf } = await import('~/labels/batchSheet')
    const style = styleById(made.style)
    const write = (massG: number) => formatMass(massG, preferences.world, preferences.world === 'metric')
    const actual = lot.weighed
    const left = [...(actual?.rows ?? [])]
    const weighedOf = (name: string) => {
      const index = left.findIndex((row) => row.name === name)
      const [row] = index >= 0 ? left.splice(index, 1) : []
      return row ? write(row.massG) : ''
    }
    const rows = made.rows.map((row) => ({
      name: row.name,
      how: [row.preparation === 'raw' ? '' : row.preparation, row.seedsOut ? 'seeds out' : '', row.grower ?? '']
        .filter(Boolean)
        .join(', '),
      planned: write(row.massG),
      weighed: actual ? weighedOf(row.name) || 'left out' : '',
    }))
    return batchSheetPdf(
      {
        code: lot.code,
        name: lot.name,
        facts: [
          ['Style', style.name],
          ['Salt', `${made.saltPct} % of the ${made.saltBasis}`],
          ...(style.ferments ? [['Target pH', made.targetPh.toFixed(2)] as [string, string]] : []),
          ['Usual time', style.days.words],
          ['Start', lot.packed ? lot.packed.at.slice(0, 10) : '__________'],
        ],
        rows: [
          ...rows,
          ...left.map((row) => ({ name: row.name, how: 'not planned', planned: '', weighed: write(row.massG) })),
          ...(made.waterG > 0
            ? [{ name: 'Water', how: '', planned: write(made.waterG), weighed: actual ? write(actual.waterG) : '' }]
            : []),
          ...(made.saltG > 0 || actual?.saltG
            ? [
                {
                  name: 'Salt',
                  how: book.library.salts.find((salt) => salt.id === made.saltId)?.name ?? '',
                  planned: write(made.saltG),
                  weighed: actual ? write(actual.saltG) : '',
                },
              ]
            : []),
        ],
        vessels: (lot.packed?.vessels ?? []).map(
          (vessel) =>
            `${lot.code}${vessel.mark}: ${book.library.vessel(vessel.vesselId)?.name ?? vessel.vesselId}, ${write(vessel.massG)}${vessel.tareG === undefined ? '' : `, empty ${write(vessel.tareG)}`}${vessel.hot ? ', HOT' : ''}`,
        ),
        checks: PACKING_CHECKS.filter((check) => style.checks.includes(check.id)).map((check) => ({
          text: check.text,
          done: lot.checked?.done.includes(check.id) ?? false,
        })),
        cautions: [...style.cautions],
      },
      page.value,
      link(),
    )
  })
</script>

<template>
  <div class="stack" aria-label="Paper" role="group">
    <h3>Paper</h3>
    <div class="row end">
      <PickField
        v-model="sheet"
        label="Label sheet"
        :options="Object.entries(SHEETS).map(([id, { name }]) => ({ value: id as SheetId, label: name }))"
      /><el-button :loading="busy" @click="labels">Jar labels</el-button>
    </div>
    <div class="row end">
      <PickField
        v-model="page"
        label="Page"
        :options="Object.entries(PAGES).map(([id, { name }]) => ({ value: id as PageId, label: name }))"
      /><el-button :loading="busy" @click="batch">Batch sheet</el-button>
    </div>
  </div>
</template>

<style scoped>
.end {
  align-items: flex-end;
}
.end > :first-child {
  flex: 1 1 150px;
}
</style>
