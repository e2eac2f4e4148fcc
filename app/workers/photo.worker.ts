import { expose } from 'comlink'

/** Longest side of a picture that is kept, px, and how hard it is compressed. */
const SIDE = 1280
const QUALITY = 0.78

/** Reduces a picture, off the main thread: a 40 MB photograph takes a second or two. `null` when it cannot be read. */
async function reduce(file: Blob): Promise<Blob | null> {
  const whole = await createImageBitmap(file).catch(() => null)
  if (!whole) return null
  const scale = Math.min(1, SIDE / Math.max(whole.width, whole.height))
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(whole.width * scale)),
    Math.max(1, Math.round(whole.height * scale)),
  )
  const pen = canvas.getContext('2d')
  if (!pen) return null
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(whole, 0, 0, canvas.width, canvas.height)
  whole.close()
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
}
const api = { reduce }
export type PhotoApi = typeof api
expose(api)
