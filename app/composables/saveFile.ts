/** Hands a file to the browser's downloads, under a name that any system takes. */
export function saveFile(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  const link = Object.assign(document.createElement('a'), { href: url, download: name.replace(/[^\w.-]+/g, '-') })
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}
