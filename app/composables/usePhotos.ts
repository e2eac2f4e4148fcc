import { liveQuery } from 'dexie'
import { onScopeDispose, shallowRef, watch } from 'vue'
import { InvalidInput } from '@lactofer/core'
import { journal } from '~/db/journal'
import { newLotId } from '~/stores/book'
import { useKeeping } from '~/stores/keeping'
import { reducePhoto } from '~/workers/photoReducer'

/** Largest file that is taken, bytes. */
const LARGEST = 60_000_000

/**
 * Keeps a picture in this browser, reduced; returns its id.
 * @throws InvalidInput with a sentence when it is too large or no picture.
 */
export async function keepPhoto(file: File): Promise<string> {
  if (file.size > LARGEST)
    throw new InvalidInput(`This file has ${Math.round(file.size / 1e6)} MB; up to 60 MB are taken.`)
  const blob = await reducePhoto(file)
  if (!blob)
    throw new InvalidInput('This is not a picture that can be read here. JPEG, PNG and WebP can; nothing was kept.')
  const id = newLotId()
  await useKeeping().keepPicture({ id, blob, origin: 'maker' })
  return id
}

/**
 * Addresses of pictures for the page, by id; taken back when the page no longer shows them. Those that are not in
 * this browser are missing.
 */
export function usePhotoUrls(ids: () => readonly string[]) {
  const urls = shallowRef<ReadonlyMap<string, string>>(new Map())
  const forget = () => urls.value.forEach((url) => URL.revokeObjectURL(url))
  // One that comes from another device later is shown when it is there.
  watch(
    () => ids().join(),
    (_now, _before, onCleanup) => {
      const wanted = [...ids()]
      const reading = liveQuery(() => journal.photos.bulkGet(wanted)).subscribe((photos) => {
        forget()
        const found = photos.filter((photo) => photo !== undefined)
        urls.value = new Map(found.map(({ id, blob }) => [id, URL.createObjectURL(blob)]))
      })
      onCleanup(() => reading.unsubscribe())
    },
    { immediate: true },
  )
  onScopeDispose(forget)
  return urls
}
