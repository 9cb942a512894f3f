import { usePhone } from '@/parts/usePhone'
import type { Ref } from 'vue'
import { onBeforeUnmount, onMounted, watch } from 'vue'

/** Says at each cell of a table what its column is called, so that a row can stand alone where the screen is narrow. */
function labelTables(page: HTMLElement): void {
  for (const table of page.querySelectorAll<HTMLTableElement>('table.figures')) {
    const names = [...(table.tHead?.rows[0]?.cells ?? [])].flatMap(({ textContent, colSpan }) =>
      Array.from({ length: colSpan }, () => textContent.trim()),
    )
    for (const row of table.rows) {
      let column = 0
      for (const cell of row.cells) {
        const name = names[column]
        // What a row is called by needs no name of its column, nor does what its buttons do.
        const isOwnName = column === 0 || cell.previousElementSibling?.textContent.trim() === ''
        if (cell.tagName === 'TD' && !isOwnName && name && cell.querySelector('.v-btn') === null)
          cell.dataset['label'] = name
        column += cell.colSpan
      }
    }
  }
}

/** Keeps the cells of a page's tables labelled while it is looked at on a phone. */
export function useTableLabels(page: Ref<HTMLElement | undefined>): void {
  const isPhone = usePhone()
  let isAsked = false
  const label = (): void => {
    if (isAsked || !isPhone.value) return
    isAsked = true
    requestAnimationFrame(() => {
      isAsked = false
      if (page.value) labelTables(page.value)
    })
  }
  const observer = new MutationObserver(label)
  onMounted(() => {
    if (page.value) observer.observe(page.value, { childList: true, subtree: true, characterData: true })
    label()
  })
  watch(isPhone, label)
  onBeforeUnmount(() => observer.disconnect())
}
