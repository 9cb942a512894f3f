/** The browser reads the file only after the click; its address must outlive that. */
const addressLivesMs = 60_000

/** Offers a text or a picture as a file to keep. */
export function saveFile(name: string, type: string, content: string | Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([content], { type }))
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), addressLivesMs)
}
