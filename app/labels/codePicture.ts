import { encode } from 'uqr'

/** A code that cameras read, as one path of unit squares; `size` squares a side. */
export function codePicture(text: string): { size: number; path: string } {
  const { data, size } = encode(text, { border: 0 })
  return { size, path: data.flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : []))).join('') }
}
