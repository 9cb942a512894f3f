import '@fontsource-variable/figtree/index.css'
import '@fontsource-variable/fraunces/index.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './app/App.vue'
import './app/styles.css'
import './app/narrow.css'
import { router } from './app/router'
import { vuetify } from './app/vuetify'

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app')
