<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { useStepQueue } from '@/parts/stepQueue'
import { usePromises } from '@/parts/promiseStore'
import { useUndo } from '@/parts/undoStore'
import { mdiKeyboardOutline, mdiMagnify, mdiThemeLightDark, mdiUndo } from '@mdi/js'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useTheme } from 'vuetify'
import DayRibbon from './DayRibbon.vue'
import { sideStages, stages } from './stages'
import { useKeys } from './useKeys'
import { usePaperInPrint } from './usePaperInPrint'

const KeyboardList = defineAsyncComponent(() => import('./KeyboardList.vue'))
const PromiseQuestion = defineAsyncComponent(() => import('./PromiseQuestion.vue'))
const loadNotice = () => import('./NoticeBar.vue')
const NoticeBar = defineAsyncComponent(loadNotice)
// It is there before the network may be gone: what it has to say then counts most.
setTimeout(() => void loadNotice().catch(() => undefined), 3000)
const FindBox = defineAsyncComponent(() => import('./FindBox.vue'))

const season = useSeason()
const undo = useUndo()
const promises = usePromises()
const route = useRoute()
const theme = useTheme()
const { listIsOpen, findIsOpen, waitsForStage } = useKeys()
const isBare = computed(() => route.meta['bare'] === true)
void season.load()
// What an earlier page could not send goes out from any page.
useStepQueue()
usePaperInPrint()

// Until there is something to tell, what would tell it does not follow the page's height.
const hasNoticed = ref(false)
watch(
  () => undo.notice,
  () => (hasNoticed.value = true),
  { once: true },
)

function isHere(path: string): boolean {
  const stage = route.meta['stage']
  return typeof stage === 'string' ? stage === path : route.path.startsWith(path)
}

function toggleTheme(): void {
  const next = theme.global.name.value === 'night' ? 'paper' : 'night'
  void theme.change(next)
  localStorage.setItem('vendange.theme', next)
}
</script>

<template>
  <v-app data-test="app">
    <template v-if="!isBare">
      <header class="strip">
        <div class="brand">
          <RouterLink to="/plan" class="plain serif name">Vendange</RouterLink>
          <RouterLink to="/workshop" class="plain quiet">{{ season.workshop?.name }}</RouterLink>
        </div>
        <DayRibbon v-if="season.workshop" class="days" />
      </header>
      <aside class="rail">
        <nav aria-label="Stages of the work">
          <RouterLink
            v-for="stage in stages"
            :key="stage.path"
            :to="stage.path"
            class="stage"
            :class="{ here: isHere(stage.path) }"
            :aria-current="isHere(stage.path) ? 'page' : undefined"
          >
            <v-icon :icon="stage.icon" size="20" /><span>{{ stage.label }}</span>
          </RouterLink>
          <hr />
          <RouterLink
            v-for="stage in sideStages"
            :key="stage.path"
            :to="stage.path"
            class="stage"
            :class="{ here: isHere(stage.path) }"
            :aria-current="isHere(stage.path) ? 'page' : undefined"
          >
            <v-icon :icon="stage.icon" size="20" /><span>{{ stage.label }}</span>
          </RouterLink>
        </nav>
        <div class="foot">
          <v-select
            v-if="season.makers.length > 0"
            :model-value="season.makerId"
            :items="season.makers"
            item-title="name"
            item-value="id"
            label="At work"
            data-test="maker"
            @update:model-value="season.chooseMaker"
          />
          <div class="tools">
            <v-btn
              :icon="mdiMagnify"
              size="30"
              variant="text"
              aria-label="Find (/)"
              title="Find (/)"
              @click="findIsOpen = true"
            />
            <v-btn
              :icon="mdiUndo"
              size="30"
              variant="text"
              aria-label="Undo (Ctrl Z)"
              title="Undo (Ctrl Z)"
              @click="undo.undoLast"
            />
            <v-btn
              :icon="mdiThemeLightDark"
              size="30"
              variant="text"
              aria-label="Light or dark"
              title="Light or dark"
              @click="toggleTheme"
            />
            <v-btn
              :icon="mdiKeyboardOutline"
              size="30"
              variant="text"
              aria-label="Keys (?)"
              title="Keys (?)"
              @click="listIsOpen = true"
            />
          </div>
        </div>
      </aside>
    </template>
    <main :class="{ page: !isBare }">
      <p v-if="season.trouble" class="trouble" role="alert">
        {{ season.trouble }} <v-btn size="small" @click="season.load">Try again</v-btn>
      </p>
      <RouterView v-if="season.workshop" :key="route.path" />
    </main>

    <div class="go" role="status">
      <p v-if="waitsForStage" data-test="go">
        Go to
        <span v-for="stage in [...stages, ...sideStages]" :key="stage.path"
          ><kbd>{{ stage.key }}</kbd> {{ stage.label }}</span
        >
      </p>
    </div>
    <KeyboardList v-if="listIsOpen" v-model="listIsOpen" />
    <PromiseQuestion v-if="promises.asked" />
    <FindBox v-if="findIsOpen" v-model="findIsOpen" />
    <NoticeBar v-if="hasNoticed" />
  </v-app>
</template>

<style scoped>
.trouble {
  margin: 16px;
  padding: 12px 18px;
  border-left: 3px solid rgb(var(--v-theme-must));
  background: rgb(var(--v-theme-surface));
}

.strip {
  position: fixed;
  inset: 0 0 auto;
  z-index: 10;
  display: flex;
  height: var(--strip);
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
  background: rgb(var(--v-theme-surface));
}

.brand {
  display: flex;
  flex-direction: column;
  justify-content: center;
  flex: none;
  width: var(--rail);
  padding-left: 22px;
  font-size: 0.85rem;
}

.name {
  font-size: 1.5rem;
  line-height: 1.3;
  color: rgb(var(--v-theme-primary));
}

.days {
  flex: 1;
  min-width: 0;
  margin-right: 20px;
}

.rail {
  position: fixed;
  top: var(--strip);
  bottom: 0;
  left: 0;
  z-index: 9;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  width: var(--rail);
  padding: 16px 0 10px;
  border-right: 1px solid rgb(var(--v-theme-hairline));
  overflow-y: auto;
}

.stage {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 12px 8px 20px;
  border-left: 3px solid transparent;
  color: rgb(var(--v-theme-quiet));
  text-decoration: none;
}

.stage:hover {
  color: rgb(var(--v-theme-on-background));
}

.stage.here {
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}

hr {
  margin: 12px 20px;
  border: 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.foot {
  padding: 12px 10px 0;
}

.tools {
  display: flex;
  justify-content: space-between;
  margin-top: 6px;
}

main {
  flex: 1 0 auto;
  max-width: 100%;
}

.page {
  padding: calc(var(--strip) + 22px) 30px 60px calc(var(--rail) + 28px);
}

.go {
  position: fixed;
  bottom: 16px;
  left: 50%;
  z-index: 11;
  transform: translateX(-50%);
}

.go p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
  padding: 10px 18px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
  background: rgb(var(--v-theme-surface));
}

@media (max-width: 760px) {
  .page {
    padding: calc(var(--strip) + 16px) 14px 60px calc(var(--rail) + 14px);
  }
}

@media print {
  .page {
    padding: 0;
  }
}
</style>
