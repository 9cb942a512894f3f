<script setup lang="ts">
import { useOwnScreen } from '@/parts/ownScreen'
import { useSeason } from '@/parts/seasonStore'
import { useOutbox } from '@/parts/outbox/outbox'
import { usePromises } from '@/parts/promiseStore'
import { useUndo } from '@/parts/undoStore'
import { mdiDotsHorizontal, mdiMagnify, mdiUndo } from '@mdi/js'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import DayRibbon from './DayRibbon.vue'
import NewsLines from './NewsLines.vue'
import ShellTools from './ShellTools.vue'
import StageLinks from './StageLinks.vue'
import { rolesOfPage, sideStages, stages, stagesFor } from './stages'
import { useChanges } from './useChanges'
import { useKeys } from './useKeys'
import { usePaperInPrint } from './usePaperInPrint'
import { useTableLabels } from './useTableLabels'

const KeyboardList = defineAsyncComponent(() => import('./KeyboardList.vue'))
const PromiseQuestion = defineAsyncComponent(() => import('./PromiseQuestion.vue'))
const loadNotice = () => import('./NoticeBar.vue')
const NoticeBar = defineAsyncComponent(loadNotice)
// It is there before the network may be gone: what it has to say then counts most.
setTimeout(() => void loadNotice().catch(() => undefined), 3000)
const NotYours = defineAsyncComponent(() => import('@/screens/NotYours.vue'))
const FindBox = defineAsyncComponent(() => import('./FindBox.vue'))
const MoreSheet = defineAsyncComponent(() => import('./MoreSheet.vue'))

const season = useSeason()
const screen = useOwnScreen()
const mine = computed(() => ({ stages: stagesFor(screen.role, stages), beside: stagesFor(screen.role, sideStages) }))
const undo = useUndo()
const promises = usePromises()
const route = useRoute()
const { listIsOpen, findIsOpen, waitsForStage } = useKeys()
const isBare = computed(() => route.meta['bare'] === true)
/** The page that lets a screen in is shown to whoever comes. */
/** A page that this screen was not let in for, once it knows as what it was. */
const isOthers = computed(
  () => screen.own !== undefined && !rolesOfPage(route.path, route.meta['stage']).includes(screen.role),
)
const isOpen = computed(() => route.meta['open'] === true)
if (window.location.pathname !== '/pair') {
  void season.load()
  useChanges()
  // The computer itself may do all: who sits there is asked when the first page is there.
  setTimeout(() => screen.load().catch(() => undefined), screen.isOfNetwork ? 0 : 1000)
}
// What an earlier page could not send goes out from any page.
useOutbox()
usePaperInPrint()

// Until there is something to tell, what would tell it does not follow the page's height.
const hasNoticed = ref(false)
watch(
  () => undo.notice,
  () => (hasNoticed.value = true),
  { once: true },
)

const moreIsOpen = ref(false)
const page = ref<HTMLElement>()
useTableLabels(page)
</script>

<template>
  <v-app data-test="app">
    <template v-if="!isBare">
      <header class="strip">
        <div class="brand">
          <RouterLink to="/plan" class="plain serif name">Vendange</RouterLink>
          <RouterLink to="/workshop" class="plain quiet workshop">{{ season.workshop?.name }}</RouterLink>
          <span class="at-hand">
            <v-btn :icon="mdiMagnify" size="44" variant="text" aria-label="Find" @click="findIsOpen = true" />
            <v-btn :icon="mdiUndo" size="44" variant="text" aria-label="Undo" @click="undo.undoLast" />
          </span>
        </div>
        <DayRibbon v-if="season.workshop" class="days" />
      </header>
      <aside class="rail">
        <nav aria-label="Stages of the work">
          <StageLinks :stages="mine.stages" />
          <hr />
          <span class="beside"><StageLinks :stages="mine.beside" /></span>
          <button class="more" aria-haspopup="dialog" @click="moreIsOpen = true">
            <v-icon :icon="mdiDotsHorizontal" size="20" /><span>More</span>
          </button>
        </nav>
        <div class="foot">
          <ShellTools @find="findIsOpen = true" @keys="listIsOpen = true" />
        </div>
      </aside>
    </template>
    <!-- Pages that are worked standing, with wet gloves, say so. -->
    <main ref="page" :class="{ page: !isBare, hands: route.meta['hands'] === true }">
      <NewsLines :is-bench="isBare" />
      <NotYours v-if="isOthers" />
      <RouterView v-else-if="season.workshop || isOpen" :key="route.path" />
    </main>

    <div class="go" role="status">
      <p v-if="waitsForStage" data-test="go">
        Go to
        <span v-for="stage in [...mine.stages, ...mine.beside]" :key="stage.path"
          ><kbd>{{ stage.key }}</kbd> {{ stage.label }}</span
        >
      </p>
    </div>
    <KeyboardList v-if="listIsOpen" v-model="listIsOpen" />
    <PromiseQuestion v-if="promises.asked" />
    <MoreSheet
      v-if="moreIsOpen"
      v-model="moreIsOpen"
      :stages="mine.beside"
      @find="findIsOpen = true"
      @keys="listIsOpen = true"
    />
    <FindBox v-if="findIsOpen" v-model="findIsOpen" />
    <NoticeBar v-if="hasNoticed" />
  </v-app>
</template>

<style scoped>
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

hr {
  margin: 12px 20px;
  border: 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.foot {
  padding: 12px 10px 0;
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

.at-hand,
.more {
  display: none;
}

@media (min-width: 600px) and (max-width: 1199px) {
  .brand {
    padding-left: 8px;
    text-align: center;
  }

  .name {
    font-size: 1.15rem;
  }

  .workshop {
    display: none;
  }

  .days {
    margin-right: 0;
  }

  .rail {
    padding-top: 8px;
  }

  .foot {
    padding-inline: 4px;
  }

  .foot :deep(.v-field) {
    --v-field-padding-start: 8px;
    --v-field-padding-end: 0px;
    font-size: 0.9rem;
  }

  .foot :deep(.v-field__append-inner) {
    display: none;
  }

  hr {
    margin: 6px 14px;
  }

  .page {
    padding: calc(var(--strip) + 20px) 22px 60px calc(var(--rail) + 22px);
  }
}

/* On a phone the name scrolls away and the days stay; the stages stand under the thumb. */
@media (max-width: 599px) {
  .strip {
    position: sticky;
    inset: calc(-1 * var(--name-row)) 0 auto;
    display: block;
    height: auto;
  }

  .brand {
    flex-direction: row;
    align-items: center;
    justify-content: flex-start;
    gap: 10px;
    width: auto;
    height: var(--name-row);
    padding: 0 4px 0 14px;
  }

  .brand a {
    line-height: var(--name-row);
  }

  .name {
    font-size: 1.3rem;
  }

  .workshop {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .at-hand {
    display: block;
    margin-left: auto;
    white-space: nowrap;
  }

  .days {
    margin-right: 0;
    height: calc(var(--strip) - var(--name-row));
  }

  .rail {
    inset: auto 0 0;
    z-index: 10;
    width: auto;
    padding: 0 0 env(safe-area-inset-bottom);
    border-top: 1px solid rgb(var(--v-theme-hairline));
    border-right: 0;
    background: rgb(var(--v-theme-surface));
  }

  .rail nav {
    display: flex;
    justify-content: space-between;
    height: 58px;
  }

  .rail :deep(.stage),
  .more {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 2px;
    min-width: 46px;
    padding: 3px 0 0;
    border-top: 3px solid transparent;
    border-left: 0;
    font-size: 0.75rem;
    line-height: 1.2;
    color: rgb(var(--v-theme-quiet));
  }

  .rail :deep(.stage.here) {
    border-color: rgb(var(--v-theme-primary));
    color: rgb(var(--v-theme-primary));
  }

  .rail hr,
  .beside,
  .foot {
    display: none;
  }

  .page {
    padding: 16px 14px calc(84px + env(safe-area-inset-bottom));
  }

  .go {
    display: none;
  }
}

@media print {
  .page {
    padding: 0;
  }
}
</style>
