<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { fullMoment } from '~/clock/moments'
import { nowMs } from '~/clock/clock'
import { saveEntries } from '~/composables/useLogFile'
import { useBackup } from '~/stores/backup'
import { sinceWords } from '~/words/backupWords'
import { useSaving } from './useSaving'

/** Archives: by themselves into a folder, or by hand. */
const backup = useBackup()
const { busy, problem, report, save } = useSaving()
const asJson = ref(false)
const state = computed(() => {
  const last = backup.last ? `The last archive was written on ${fullMoment(backup.last.atMs)}. ` : ''
  if (backup.changed) return `${last}${last ? 'Since then: ' : ''}${sinceWords(backup.since)}.`
  return last ? `${last}Nothing of yours has changed since.` : 'Nothing of your own is in the log yet.'
})
async function json() {
  asJson.value = true
  try {
    report.value = `${await saveEntries(nowMs())} entries written to a file.`
  } catch {
    say.problem('The file could not be written. The log is as it was.')
  } finally {
    asJson.value = false
  }
}
</script>

<template>
  <section class="sheet" aria-label="Backup">
    <h2>Backup</h2>
    <p>
      An archive is one zip file with every entry, every picture and a page that shows each lot in any browser, without
      Lactofer.
    </p>
    <p data-figure="backup">{{ state }}</p>
    <p v-if="report" role="status"><StateMark level="fine" word="Done" /> {{ report }}</p>
    <p v-if="problem || backup.problem" class="problem" role="alert">{{ problem || backup.problem }}</p>
    <div class="row">
      <el-button type="primary" :loading="busy" @click="save(false)">Save an archive</el-button>
      <el-button v-if="backup.canShare()" :loading="busy" @click="save(true)">Share it</el-button>
      <el-button :loading="asJson" @click="json">Entries as a file</el-button>
    </div>
    <template v-if="backup.folder">
      <p>
        One a day and one after every release go to the folder <strong>{{ backup.folder.name }}</strong> by themselves;
        old ones are thinned to 7 days, 4 weeks and 12 months.
      </p>
      <div class="row">
        <el-button v-if="backup.asks" type="primary" :loading="backup.busy" @click="backup.allow()">
          Allow it to be written
        </el-button>
        <el-button :loading="backup.busy" @click="backup.choose()">Another folder …</el-button>
        <el-button @click="backup.forget()">No folder any more</el-button>
      </div>
    </template>
    <template v-else-if="backup.canChoose()">
      <p>
        Choose a folder, best one that is carried elsewhere by itself, and Lactofer writes an archive into it once a day
        and after every release.
      </p>
      <div class="row"><el-button :loading="backup.busy" @click="backup.choose()">Choose a folder …</el-button></div>
    </template>
    <p v-else class="muted small">
      This browser lets no folder be chosen. Today reminds you a day after the last archive, with what has changed
      since.
    </p>
  </section>
</template>
