import type { Page } from '@playwright/test'

/** The screens that every main view is looked at on, by width and height. */
export const screens = [
  { name: 'a small phone', width: 360, height: 740 },
  { name: 'a phone', width: 390, height: 844 },
  { name: 'a tablet held upright', width: 820, height: 1180 },
  { name: 'a tablet on its side', width: 1024, height: 768 },
  { name: 'a desk', width: 1280, height: 800 },
  { name: 'a wide desk', width: 1920, height: 1080 },
] as const

/** Places that are meant to be swiped sideways: what is beyond their edge is in reach. */
const swiped = '[data-swipe]'

/**
 * What is cut off on a page: parts past the edge of the screen, texts that end within their own box, and texts and buttons
 * that lie on each other. A page that is sound says nothing.
 */
export function layoutFaults(page: Page): Promise<readonly string[]> {
  return page.evaluate((swipe) => {
    const faults: string[] = []
    const width = document.documentElement.clientWidth
    const isShown = (element: Element): boolean =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
      element.closest('[aria-hidden=true], .d-sr-only, .sr-only') === null
    const nameOf = (element: Element): string => {
      const words = (element.getAttribute('aria-label') ?? element.textContent).trim().replace(/\s+/g, ' ').slice(0, 50)
      const kind =
        element.className && typeof element.className === 'string' ? `.${element.className.split(' ')[0]}` : ''
      return `${element.tagName.toLowerCase()}${kind} “${words}”`
    }
    const say = (fault: string): void => {
      if (!faults.includes(fault)) faults.push(fault)
    }
    const hasOwnText = (element: Element): boolean =>
      [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '')
    const isButton = (element: Element): boolean =>
      element.matches('button, a[href], input:not([type=hidden]), select, textarea, [role=button], [role=slider]')
    const isPicture = (element: Element): boolean => element.matches('img, svg, canvas')

    const wide = document.scrollingElement?.scrollWidth ?? 0
    if (wide > width) say(`the page is ${wide} wide on ${width}`)

    const parts = [...document.body.querySelectorAll('*')].filter(
      (element) =>
        (hasOwnText(element) || isButton(element) || isPicture(element)) &&
        element.closest('svg') === (element.matches('svg') ? element : null) &&
        isShown(element),
    )
    const boxes = new Map(parts.map((part) => [part, part.getBoundingClientRect()]))
    for (const [part, box] of boxes) {
      if (box.width === 0 || box.height === 0) continue
      const isReached = part.closest(swipe) !== null
      if (!isReached && (box.right > width + 1 || box.left < -1))
        say(`${nameOf(part)} goes from ${Math.round(box.left)} to ${Math.round(box.right)} on ${width}`)
      // What a box hides of its own words cannot be read.
      for (
        let around: Element | null = part;
        around && around !== document.body && !isReached;
        around = around.parentElement
      ) {
        const { overflowX } = getComputedStyle(around)
        if (overflowX === 'visible') continue
        const edge = around.getBoundingClientRect()
        if (box.right > edge.right + 1.5 || box.left < edge.left - 1.5)
          say(`${nameOf(part)} is cut off by ${nameOf(around).slice(0, 40)}`)
        break
      }
      if (
        hasOwnText(part) &&
        !isReached &&
        getComputedStyle(part).overflowX !== 'visible' &&
        part.scrollWidth > part.clientWidth + 1
      )
        say(`${nameOf(part)} does not fit its box`)
    }

    // Whoever is fixed lies above what scrolls beneath it, and says so by its place.
    const layerOf = (element: Element): Element | null => {
      for (let one: Element | null = element; one; one = one.parentElement)
        if (['fixed', 'sticky'].includes(getComputedStyle(one).position)) return one
      return null
    }
    const flat = parts
      .filter((part) => !isPicture(part) && part.closest(swipe) === null)
      .map((part) => ({ part, layer: layerOf(part), isButton: isButton(part), boxes: linesOf(part) }))
    flat.forEach((one, index) => {
      for (const other of flat.slice(index + 1)) {
        if (one.layer !== other.layer || !(one.isButton || other.isButton)) continue
        if (one.part.contains(other.part) || other.part.contains(one.part)) continue
        // A field and its label, its hint and its icons belong together.
        const field = one.part.closest('.v-input')
        if (field && field === other.part.closest('.v-input')) continue
        if (one.boxes.some((a) => other.boxes.some((b) => lieOnEachOther(a, b))))
          say(`${nameOf(one.part)} and ${nameOf(other.part)} lie on each other`)
      }
    })
    return faults

    /** Where the words of a part stand, line by line; the whole of a button. */
    function linesOf(part: Element): readonly DOMRect[] {
      if (isButton(part)) return [part.getBoundingClientRect()]
      const range = document.createRange()
      return [...part.childNodes].flatMap((node) => {
        if (node.nodeType !== Node.TEXT_NODE || (node.textContent ?? '').trim() === '') return []
        range.selectNodeContents(node)
        return [...range.getClientRects()]
      })
    }
    function lieOnEachOther(a: DOMRect, b: DOMRect): boolean {
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
      return across > 3 && down > 4
    }
  }, swiped)
}

/**
 * What on a page is smaller than a finger asks for: buttons and fields both ways, links that stand alone in their height. A
 * link amid a line of text is as high as the line.
 */
export function smallTargets(page: Page, leastPx: number, within = 'body'): Promise<readonly string[]> {
  const leastLinkPx = 24
  return page.evaluate(
    ([least, leastLink, where]) => {
      const isInText = (link: Element): boolean =>
        getComputedStyle(link).display === 'inline' &&
        (link.parentElement?.textContent.trim().length ?? 0) > link.textContent.trim().length
      const targets = 'button, a[href], input:not([type=hidden]), select, textarea, [role=slider], [role=checkbox]'
      return [...document.querySelectorAll(`${where} :is(${targets})`)].flatMap((one) => {
        if (!one.checkVisibility({ visibilityProperty: true }) || one.closest('.d-sr-only, [data-swipe]')) return []
        const target = one.closest('.v-input')?.querySelector('.v-input__control') ?? one.closest('label') ?? one
        const [own, around] = [one.getBoundingClientRect(), target.getBoundingClientRect()]
        const width = Math.max(own.width, around.width)
        const height = Math.max(own.height, around.height)
        if (width === 0 || height === 0) return []
        const isLink = one.matches('a:not(.v-btn)')
        if (isLink && (isInText(one) || height + 0.5 >= leastLink)) return []
        if (!isLink && width + 0.5 >= least && height + 0.5 >= least) return []
        const words = (one.getAttribute('aria-label') ?? one.textContent).trim().replace(/\s+/g, ' ').slice(0, 40)
        return [`${one.tagName.toLowerCase()} “${words}” is ${Math.round(width)} × ${Math.round(height)}`]
      })
    },
    [leastPx, leastLinkPx, within] as const,
  )
}
