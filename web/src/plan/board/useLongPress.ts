import { onScopeDispose } from 'vue'

/** As long as a finger has to rest before something is taken up, ms. */
const restMs = 350
/** A finger that wanders farther before that is scrolling, px. */
const wanderPx = 10
/** So near to the edge of the screen the page is scrolled under the finger, and so far in a frame, px. */
const edgePx = 110
const scrolledPx = 9

interface LongPress<T> {
  /** The finger has rested on it long enough. */
  readonly take: (held: T) => void
  /** It is over a place on the screen. */
  readonly moveTo: (held: T, x: number, y: number) => void
  /** It was let go. */
  readonly letGo: (held: T) => void
  readonly cancel: () => void
}

/** Taking something up by resting a finger on it, so that a swipe still scrolls the page. */
export function useLongPress<T>({ take, moveTo, letGo, cancel }: LongPress<T>) {
  let pressed: { readonly held: T; readonly x: number; readonly y: number } | undefined
  let clock: ReturnType<typeof setTimeout> | undefined
  let isHeld = false
  let finger = { x: 0, y: 0 }

  function end(): void {
    clearTimeout(clock)
    pressed = undefined
    isHeld = false
  }

  function down(event: PointerEvent, held: T): void {
    if (event.button !== 0) return
    end()
    pressed = { held, x: event.clientX, y: event.clientY }
    finger = { x: event.clientX, y: event.clientY }
    clock = setTimeout(() => {
      isHeld = true
      navigator.vibrate?.(15)
      take(held)
      scrollAtEdge()
    }, restMs)
  }

  function move({ clientX: x, clientY: y }: PointerEvent): void {
    if (!pressed) return
    finger = { x, y }
    if (isHeld) moveTo(pressed.held, x, y)
    else if (Math.hypot(x - pressed.x, y - pressed.y) > wanderPx) end()
  }

  /** The page is scrolled while the finger rests near its edge. */
  function scrollAtEdge(): void {
    if (!isHeld || !pressed) return
    const { x, y } = finger
    const by = y < edgePx ? -scrolledPx : y > window.innerHeight - edgePx ? scrolledPx : 0
    if (by !== 0) {
      window.scrollBy(0, by)
      moveTo(pressed.held, x, y)
    }
    requestAnimationFrame(scrollAtEdge)
  }

  function up(): void {
    const was = isHeld ? pressed : undefined
    end()
    if (was) letGo(was.held)
  }

  function lost(): void {
    const wasHeld = isHeld
    end()
    if (wasHeld) cancel()
  }

  /** What is held moves with the finger, and the page does not. */
  function hold(event: Event): void {
    if (isHeld) event.preventDefault()
  }

  onScopeDispose(end)
  return { down, move, up, lost, hold }
}
