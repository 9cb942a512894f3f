<script setup lang="ts">
import { mdiAlertCircleOutline, mdiAlertOutline, mdiInformationOutline } from '@mdi/js'
import { useUnits } from './format'
import type { Finding } from '@vendange/core/findings'

const { say } = useUnits()
defineProps<{ findings: readonly Finding[] }>()
const dress = {
  refuse: { color: 'error', icon: mdiAlertCircleOutline },
  warn: { color: 'warning', icon: mdiAlertOutline },
  tell: { color: 'info', icon: mdiInformationOutline },
} as const
</script>

<template>
  <div v-if="findings.length > 0" class="stack findings" role="status">
    <p v-for="(finding, at) in findings" :key="at" :class="finding.severity">
      <v-icon :icon="dress[finding.severity].icon" :color="dress[finding.severity].color" size="20" />
      <span>{{ say(finding) }}</span>
    </p>
  </div>
</template>

<style scoped>
.findings {
  gap: 8px;
}

p {
  display: flex;
  gap: 10px;
  border-left: 3px solid rgb(var(--v-theme-slate));
  padding: 6px 12px;
  background: rgb(var(--v-theme-surface-variant), 0.45);
}

p.refuse {
  border-color: rgb(var(--v-theme-must));
}

p.warn {
  border-color: rgb(var(--v-theme-brass));
}
</style>
