import type { NewRecipe } from '@vendange/contract'
import { plainRecipe } from '@vendange/contract'
import { concentrationOfFatsShare, waterFigures } from '@vendange/core/recipe'
import { expect } from 'chai'
import { computed, nextTick, ref } from 'vue'
import { useWaterKept } from '../../src/formulate/useWaterKept'
import { mounted } from '../parts/page'

const alkaliAt = (superfat: number): number => 0.14 * (1 - superfat)
const recipe = (superfat: number): NewRecipe => ({
  name: 'House bar',
  fats: [{ fatKey: 'olive', share: 1, atTrace: false }],
  superfat,
  naohPurity: 1,
  ...plainRecipe,
  setDaysMin: 1,
  setDaysMax: 3,
  cureDays: 28,
  oven: false,
  notes: '',
  waterStyle: 'share_of_fats',
  lyeConcentration: concentrationOfFatsShare(0.33, alkaliAt(superfat)),
})

describe('water stated as a share of the fats', () => {
  function open() {
    const values = ref<NewRecipe | undefined>(recipe(0.05))
    const known = ref(1)
    const alkali = computed(() => (values.value ? alkaliAt(values.value.superfat) * known.value : undefined))
    mounted(() => useWaterKept(values, () => alkali.value))
    const share = () => waterFigures(values.value?.lyeConcentration ?? 0, alkali.value ?? 0).shareOfFats
    return { values, known, share }
  }

  it('stays that share while the maker changes the superfat', async () => {
    const { values, share } = open()
    values.value!.superfat = 0.08
    await nextTick()
    expect(share()).to.be.closeTo(0.33, 1e-12)
  })

  it('is left alone in a recipe that is undone or brought back: 33 % come back as 33 %', async () => {
    const { values } = open()
    values.value!.superfat = 0.12
    await nextTick()
    const back = recipe(0.05)
    values.value = { ...back }
    await nextTick()
    expect(values.value).to.deep.equal(back)
  })

  it('is left alone where only the fats are known better', async () => {
    const { values, known } = open()
    const before = values.value!.lyeConcentration
    known.value = 1.05
    await nextTick()
    expect(values.value!.lyeConcentration).to.equal(before)
  })
})
