import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useLiveQuery } from '~/composables/useLiveQuery'
import { nowMs } from '~/clock/clock'
import { askToWrite, canChooseFolder, chooseFolder } from '~/db/chosenFolder'
import { keepDevice, linkFolder, ownDevice, ownSecret, switchOff, switchOn, tell, toldOf, type Way } from '~/db/links'
import { newSecret, roomOf } from '~/link/seal'
import { clearRoom, runLink } from '~/workers/linker'
import { useKeeping } from './keeping'

export { lastCame } from '~/db/links'

/** What a device is called where nobody said. */
function usualName(): string {
  const agent = navigator.userAgent
  if (/iPad|Tablet/.test(agent) || (/Android/.test(agent) && !/Mobile/.test(agent))) return 'Tablet'
  return /Mobi|iPhone/.test(agent) ? 'Phone' : 'Computer'
}

/** What this device has written down of the ways to the others, and how each stands. */
function useWays() {
  const { value: device } = useLiveQuery(ownDevice)
  const { value: secret } = useLiveQuery(ownSecret)
  const { value: folder } = useLiveQuery(linkFolder)
  const { value: roomTold } = useLiveQuery(() => toldOf('room'))
  const { value: folderTold } = useLiveQuery(() => toldOf('folder'))
  const on = computed(() => !!secret.value || !!folder.value)
  /** Nothing could be asked: the others are away. @param most of this log may wait, where it was never looked. */
  const tellAway = async (most: number) => {
    const before = await toldOf('room')
    const unknown = { entries: most, pictures: 0, refused: [], aheadMs: null }
    if (secret.value) await tell('room', { ...(before ?? unknown), state: 'away', why: '' })
  }

  return { device, secret, folder, roomTold, folderTold, on, tellAway }
}

/** One exchange; what came stands in the log and in the second copy once it is kept. */
async function exchange() {
  const { taken, ...ran } = await runLink(nowMs())
  await useKeeping().copyTaken(taken)
  return ran
}

/** The other devices of the workshop: how they are reached, how that stands, and switching it on and off. */
export const useLink = defineStore('link', () => {
  const ways = useWays()
  const { device } = ways
  /** Something was pressed that the next exchange is to follow at once. */
  const asked = shallowRef(0)

  /** What this device is called from now on. */
  const name = (called: string) => keepDevice({ id: device.value?.id ?? crypto.randomUUID(), name: called })
  async function turnOn(way: Way, value: string | FileSystemDirectoryHandle, called: string): Promise<void> {
    await name(called)
    await switchOn(way, value)
    asked.value++
  }
  /** Joins the room of a code. @returns whether the code is one. */
  async function join(code: string, called: string): Promise<boolean> {
    if (!(await roomOf(code))) return false
    await turnOn('room', code, called)
    return true
  }
  /**
   * A new room, with a new code; the one before is closed for everybody. @returns why it could not be, or nothing.
   */
  async function changeRoom(): Promise<string> {
    // What the others left goes along.
    await exchange()
    const why = await clearRoom(true)
    if (!why) await turnOn('room', newSecret(), device.value?.name ?? usualName())
    return why
  }
  /** Takes all parcels off the server; what is in the log here is left there anew. @returns why it could not be. */
  async function clear(): Promise<string> {
    await exchange()
    const why = await clearRoom(false)
    asked.value++
    return why
  }
  async function chooseShared(called: string): Promise<void> {
    const chosen = await chooseFolder('lactofer-link')
    if (chosen) await turnOn('folder', chosen, called)
  }
  async function allowFolder(): Promise<void> {
    if (ways.folder.value) await askToWrite(ways.folder.value)
    asked.value++
  }

  return {
    ...{ ...ways, asked, usualName },
    ...{ exchange, name, join, changeRoom, clear, allowFolder },
    chooseFolder: chooseShared,
    canChoose: canChooseFolder,
    openRoom: (called: string) => turnOn('room', newSecret(), called),
    leave: switchOff,
  }
})
