import type { RouteRecordRaw } from 'vue-router'
import { createRouter, createWebHistory } from 'vue-router'

const routes: readonly RouteRecordRaw[] = [
  { path: '/', redirect: '/plan' },
  { path: '/plan', component: () => import('@/plan/PlanPage.vue'), meta: { title: 'Plan' } },
  {
    path: '/plan/:id',
    component: () => import('@/plan/CollectionPage.vue'),
    props: true,
    meta: { title: 'Collection' },
  },
  {
    path: '/soaps/:id',
    component: () => import('@/plan/DesignPage.vue'),
    props: true,
    meta: { title: 'Soap', stage: '/plan' },
  },
  {
    path: '/soaps/:id/inside',
    component: () => import('@/pour/inside/InsidePage.vue'),
    props: true,
    meta: { title: 'The inside', stage: '/pour' },
  },
  {
    path: '/soaps/:id/rehearse',
    component: () => import('@/pour/rehearsal/RehearsalPage.vue'),
    props: true,
    meta: { title: 'Rehearsal', stage: '/pour' },
  },
  {
    path: '/ask',
    component: () => import('@/plan/orders/AskPage.vue'),
    meta: { title: 'A client asks', stage: '/plan' },
  },
  {
    path: '/orders/:id',
    component: () => import('@/plan/orders/OrderPage.vue'),
    props: true,
    meta: { title: 'Order', stage: '/plan' },
  },
  {
    path: '/customers',
    component: () => import('@/plan/customers/CustomersPage.vue'),
    meta: { title: 'Subscribers and shops', stage: '/plan' },
  },
  {
    path: '/customers/:id',
    component: () => import('@/plan/customers/CustomerPage.vue'),
    props: true,
    meta: { title: 'Subscriber or shop', stage: '/plan' },
  },
  {
    path: '/calendar',
    component: () => import('@/plan/CalendarPage.vue'),
    meta: { title: 'Calendar', stage: '/plan' },
  },
  { path: '/formulate', component: () => import('@/formulate/RecipesPage.vue'), meta: { title: 'Formulate' } },
  {
    path: '/formulate/fats/:id',
    component: () => import('@/formulate/FatPage.vue'),
    props: true,
    meta: { title: 'Fat' },
  },
  {
    path: '/formulate/library',
    component: () => import('@/formulate/LibraryPage.vue'),
    meta: { title: 'Liquids and additives', stage: '/formulate' },
  },
  {
    path: '/formulate/:id',
    component: () => import('@/formulate/RecipePage.vue'),
    props: true,
    meta: { title: 'Recipe' },
  },
  { path: '/pour', component: () => import('@/pour/PoursPage.vue'), meta: { title: 'Pour' } },
  { path: '/pour/:id', component: () => import('@/pour/RunSheetPage.vue'), props: true, meta: { title: 'Run sheet' } },
  {
    path: '/bench/:id',
    component: () => import('@/pour/BenchPage.vue'),
    props: true,
    meta: { title: 'Bench', bare: true },
  },
  { path: '/cut', component: () => import('@/cut/CutPage.vue'), meta: { title: 'Cut', hands: true } },
  {
    path: '/cut-round',
    component: () => import('@/cut/CutRoundPage.vue'),
    meta: { title: 'Unmould and cut', stage: '/cut', hands: true },
  },
  {
    path: '/cut/:id',
    component: () => import('@/cut/CutLoafPage.vue'),
    props: true,
    meta: { title: 'Cut', hands: true },
  },
  { path: '/cure', component: () => import('@/cure/CurePage.vue'), meta: { title: 'Cure', hands: true } },
  {
    path: '/weigh',
    component: () => import('@/cure/WeighRoundPage.vue'),
    meta: { title: 'Weighing round', stage: '/cure', hands: true },
  },
  {
    path: '/turn-round',
    component: () => import('@/cure/TurnRoundPage.vue'),
    meta: { title: 'Turn and photograph', stage: '/cure', hands: true },
  },
  {
    path: '/cure/:id',
    component: () => import('@/cure/CureLoafPage.vue'),
    props: true,
    meta: { title: 'Cure', hands: true },
  },
  { path: '/release', component: () => import('@/release/ReleasePage.vue'), meta: { title: 'Release' } },
  {
    path: '/give-out/:id',
    component: () => import('@/release/GiveOutPage.vue'),
    props: true,
    meta: { title: 'Giving out', stage: '/release' },
  },
  {
    path: '/release-round',
    component: () => import('@/release/ReleaseRoundPage.vue'),
    meta: { title: 'Release round', stage: '/release', hands: true },
  },
  {
    path: '/release/:id',
    component: () => import('@/release/ReleaseLoafPage.vue'),
    props: true,
    meta: { title: 'Release', hands: true },
  },
  {
    path: '/stall',
    component: () => import('@/release/StallPage.vue'),
    meta: { title: 'The stall', stage: '/release', hands: true },
  },
  { path: '/stores', component: () => import('@/stores/StoresPage.vue'), meta: { title: 'Stores' } },
  {
    path: '/stores/lots',
    component: () => import('@/stores/LotsPage.vue'),
    meta: { title: 'Lots', stage: '/stores' },
  },
  {
    path: '/stores/ingredients/:id',
    component: () => import('@/stores/IngredientPage.vue'),
    props: true,
    meta: { title: 'Ingredient' },
  },
  {
    path: '/stores/lots/:id/trace',
    component: () => import('@/stores/TracePage.vue'),
    props: true,
    meta: { title: 'Trace' },
  },
  {
    path: '/stores/scraps',
    component: () => import('@/stores/ScrapBinPage.vue'),
    meta: { title: 'The scrap bin', stage: '/stores' },
  },
  {
    path: '/stores/moulds/:id',
    component: () => import('@/stores/MouldPage.vue'),
    props: true,
    meta: { title: 'Mould' },
  },
  { path: '/notebook', component: () => import('@/notebook/NotebookPage.vue'), meta: { title: 'Notebook' } },
  {
    path: '/notebook/sales',
    component: () => import('@/notebook/SalesPage.vue'),
    meta: { title: 'Sales', stage: '/notebook' },
  },
  {
    path: '/notebook/record',
    component: () => import('@/notebook/RecordPage.vue'),
    meta: { title: 'Record', stage: '/notebook' },
  },
  {
    path: '/notebook/earnings',
    component: () => import('@/notebook/earnings/EarningsPage.vue'),
    meta: { title: 'What it earned', stage: '/notebook' },
  },
  {
    path: '/notebook/scents',
    component: () => import('@/notebook/ScentsPage.vue'),
    meta: { title: 'Scents', stage: '/notebook' },
  },
  {
    path: '/loaves/:id',
    component: () => import('@/notebook/LoafPage.vue'),
    props: true,
    meta: { title: 'Loaf', stage: '/notebook' },
  },
  { path: '/workshop', component: () => import('@/workshop/WorkshopPage.vue'), meta: { title: 'Workshop' } },
  {
    path: '/pair',
    component: () => import('@/screens/PairPage.vue'),
    meta: { title: 'Let a screen in', bare: true, open: true },
  },
  { path: '/waiting', component: () => import('@/screens/WaitingPage.vue'), meta: { title: 'What waits' } },
  { path: '/days/:day', component: () => import('@/days/DayPage.vue'), props: true, meta: { title: 'Day' } },
  { path: '/:rest(.*)', component: () => import('./NothingPage.vue'), meta: { title: 'Nothing here' } },
]

export const router = createRouter({
  history: createWebHistory(),
  routes: [...routes],
  scrollBehavior: () => ({ top: 0 }),
})

router.afterEach(({ meta }) => {
  document.title = `${String(meta['title'])} · Vendange`
})
