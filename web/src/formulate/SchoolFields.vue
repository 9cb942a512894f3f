<script setup lang="ts">
import { changing, fieldOf } from '@/parts/useRows'
import type { NewRecipe } from '@vendange/contract'
import { blendings, cureSchools, lyeSchools, scentSchools } from '@vendange/core/recipe'
import { blendingWords, cureSchoolWords, lyeSchoolWords, scentSchoolWords } from '@vendange/words'
import { computed } from 'vue'

/** How the soap is made: when its lye, how its first night, when its scent, how long it is blended, when it is cured. */
const values = defineModel<NewRecipe>({ required: true })
const changeSchool = changing(fieldOf(values, 'school'))

const lyes = lyeSchools.map((value) => ({ value, title: lyeSchoolWords[value] }))
const scents = scentSchools.map((value) => ({ value, title: scentSchoolWords[value] }))
const cures = cureSchools.map((value) => ({ value, title: cureSchoolWords[value] }))
const blends = blendings.map((value) => ({ value, title: blendingWords[value] }))
const gels = [
  { value: 'oven', title: 'Forced in a warm oven' },
  { value: 'kept', title: 'Kept by blankets' },
  { value: 'avoided', title: 'Avoided, kept cool' },
] as const
const gel = computed<(typeof gels)[number]['value']>({
  get: () => (values.value.oven ? 'oven' : values.value.school.gel),
  set: (chosen) => {
    const { school } = values.value
    values.value = {
      ...values.value,
      oven: chosen === 'oven',
      school: chosen === 'oven' ? school : { ...school, gel: chosen },
    }
  },
})
</script>

<template>
  <div class="fields schools">
    <v-select
      :model-value="values.school.lye"
      :items="lyes"
      label="Lye is made"
      data-test="lye-school"
      @update:model-value="changeSchool({ lye: $event })"
    />
    <v-select v-model="gel" :items="gels" label="Gel in the first night" data-test="gel-school" />
    <v-select
      :model-value="values.school.scent"
      :items="scents"
      label="Scent goes in"
      data-test="scent-school"
      @update:model-value="changeSchool({ scent: $event })"
    />
    <v-select
      :model-value="values.school.blending ?? 'usual'"
      :items="blends"
      label="It is blended"
      data-test="blending"
      @update:model-value="changeSchool({ blending: $event })"
    />
    <v-select
      :model-value="values.school.cure ?? 'days'"
      :items="cures"
      label="Its cure is over"
      data-test="cure-school"
      @update:model-value="changeSchool({ cure: $event })"
    />
  </div>
</template>

<style scoped>
.schools {
  grid-template-columns: repeat(auto-fill, minmax(min(230px, 100%), 1fr));
}
</style>
