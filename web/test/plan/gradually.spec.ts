import { expect } from 'chai'
import type { EffectScope } from 'vue'
import { effectScope, nextTick, ref } from 'vue'
import { useGradually } from '../../src/plan/board/useGradually'
import { useLater } from '../../src/plan/board/useLater'
import { Frames } from './frames'

const never = (): boolean => false

describe('what is drawn over several frames', () => {
  let frames: Frames
  let scope: EffectScope
  beforeEach(() => {
    frames = new Frames()
    scope = effectScope()
  })
  afterEach(() => {
    scope.stop()
    frames.end()
  })
  const inScope = <T>(work: () => T): T => scope.run(work)!

  describe('useGradually', () => {
    const names = Array.from({ length: 20 }, (_, index) => `n${index}`)
    const itself = (name: string): string => name

    it('puts a few on the page in each frame, in their order, and then rests', async () => {
      const shown = inScope(() => useGradually(() => names, itself, { comeAtOnce: 4, isWanted: () => true }))
      expect(shown.value).to.deep.equal([])
      await frames.draw()
      expect(shown.value).to.deep.equal(names.slice(0, 4))
      await frames.draw(4)
      expect(shown.value).to.deep.equal(names)
      expect(frames.waiting).to.equal(0)
    })

    it('takes away eight a frame that are no longer wanted, while others come', async () => {
      const wanted = ref(new Set(names))
      const shown = inScope(() =>
        useGradually(() => names, itself, { comeAtOnce: 20, isWanted: (name) => wanted.value.has(name) }),
      )
      await frames.draw()
      wanted.value = new Set(names.slice(0, 3))
      await frames.draw()
      expect(shown.value).to.have.length(12)
      await frames.draw(2)
      expect(shown.value).to.deep.equal(names.slice(0, 3))
    })

    it('rests while it is paused, and goes on where it was', async () => {
      const isPaused = ref(false)
      const shown = inScope(() =>
        useGradually(() => names, itself, { comeAtOnce: 4, isWanted: () => true, isPaused: () => isPaused.value }),
      )
      await frames.draw()
      // A step is under way already.
      isPaused.value = true
      await frames.draw(3)
      expect(shown.value).to.have.length(4)
      isPaused.value = false
      await frames.draw(2)
      expect(shown.value).to.have.length(12)
    })

    it('shows all at once for paper, and starts afresh when it is told to', async () => {
      const isAtOnce = ref(false)
      const start = ref(0)
      const shown = inScope(() =>
        useGradually(() => names, itself, {
          comeAtOnce: 4,
          isWanted: () => true,
          isAtOnce: () => isAtOnce.value,
          restart: () => start.value,
        }),
      )
      isAtOnce.value = true
      expect(shown.value).to.deep.equal(names)
      isAtOnce.value = false
      await frames.draw(3)
      expect(shown.value).to.have.length(12)
      start.value += 1
      await nextTick()
      expect(shown.value).to.deep.equal([])
      await frames.draw()
      expect(shown.value).to.have.length(4)
    })

    it('asks for no frame once its page is left', () => {
      inScope(() => useGradually(() => names, itself, { comeAtOnce: 4, isWanted: () => true }))
      expect(frames.waiting).to.equal(1)
      scope.stop()
      expect(frames.waiting).to.equal(0)
    })
  })

  describe('useLater', () => {
    it('follows some frames later, with the value of then', async () => {
      const now = ref(1)
      const later = inScope(() => useLater(() => now.value, 3, never))
      now.value = 2
      await frames.draw(2)
      now.value = 3
      expect(later.value).to.equal(1)
      await frames.draw()
      expect(later.value).to.equal(3)
      expect(frames.waiting).to.equal(0)
    })

    it('is taken every so many frames while it goes on changing', async () => {
      const now = ref(0)
      const later = inScope(() => useLater(() => now.value, 2, never))
      const seen: number[] = []
      for (let frame = 1; frame <= 6; frame++) {
        now.value = frame
        await frames.draw()
        seen.push(later.value)
      }
      expect(seen).to.deep.equal([0, 2, 2, 4, 4, 6])
    })

    it('is the same now where it is to be so, as for paper', () => {
      const now = ref(1)
      const later = inScope(() =>
        useLater(
          () => now.value,
          3,
          () => true,
        ),
      )
      now.value = 2
      expect(later.value).to.equal(2)
    })
  })
})
