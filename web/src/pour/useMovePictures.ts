import { useSeason } from '@/parts/seasonStore'
import { plainCopy } from '@/parts/plainCopy'
import { startPainter } from '@/workers/pourPainter'
import type { BatchView } from '@vendange/contract'
import { sectionOf, sectionsAfterMoves, tintOf } from '@vendange/core/pour'
import { computed, onBeforeUnmount, ref, watch } from 'vue'

const pictureWidth = 240
const knotsAcross = 64

/** The section of a pour's mould as it should stand after each of its moves, as pictures, in their order as they are drawn. */
export function useMovePictures(view: () => BatchView | undefined) {
  const season = useSeason()
  const pictures = ref<readonly string[]>([])
  let painting: ReturnType<typeof startPainter> | undefined
  const plan = computed(() => view()?.plan)

  watch(
    // What was weighed changes no picture.
    () => JSON.stringify(plan.value?.moves ?? []),
    async () => {
      const now = view()
      const mould = season.mould(now?.batch.mouldId)
      const design = season.design(now?.batch.designId)
      painting?.end()
      pictures.value = []
      if (!now || !mould || (now.plan.moves ?? []).length === 0) return
      const mine = startPainter()
      painting = mine
      for (const after of sectionsAfterMoves(now.plan, sectionOf(mould), design ? tintOf(design) : {})) {
        const height = Math.max(1, Math.round((pictureWidth * after.section.heightMm) / after.section.widthMm))
        const request = { ...after, across: knotsAcross }
        const { pixels } = await mine.painter.paint(plainCopy(request), pictureWidth, height)
        if (painting !== mine) return
        const canvas = document.createElement('canvas')
        canvas.width = pictureWidth
        canvas.height = height
        canvas.getContext('2d')?.putImageData(new ImageData(pixels, pictureWidth, height), 0, 0)
        pictures.value = [...pictures.value, canvas.toDataURL()]
      }
      mine.end()
    },
    { immediate: true },
  )
  onBeforeUnmount(() => painting?.end())
  return pictures
}
