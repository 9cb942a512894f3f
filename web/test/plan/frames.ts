import { nextTick } from 'vue'

/** Frames of a page that has none: each is drawn when a test asks for it. */
export class Frames {
  private callbacks = new Map<number, () => void>()
  private handles = 0
  private readonly known = ['requestAnimationFrame', 'cancelAnimationFrame'].map((name) => ({
    name,
    value: Reflect.get(globalThis, name) as unknown,
  }))

  constructor() {
    Reflect.set(globalThis, 'requestAnimationFrame', (callback: () => void) => {
      this.handles += 1
      this.callbacks.set(this.handles, callback)
      return this.handles
    })
    Reflect.set(globalThis, 'cancelAnimationFrame', (handle: number) => this.callbacks.delete(handle))
  }

  /** Draws so many frames. Callbacks that are asked for in one are called in the next. */
  async draw(count = 1): Promise<void> {
    for (let frame = 0; frame < count; frame++) {
      await nextTick()
      const now = [...this.callbacks.values()]
      this.callbacks.clear()
      for (const callback of now) callback()
      await nextTick()
    }
  }

  get waiting(): number {
    return this.callbacks.size
  }

  end(): void {
    for (const { name, value } of this.known) Reflect.set(globalThis, name, value)
  }
}
