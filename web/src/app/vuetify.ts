import 'vuetify/styles/layers'
import 'vuetify/styles/core'
import './spaces.css'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { night, paper } from './theme'

const cspNonce = document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content ?? ''
const field = { variant: 'outlined', density: 'compact', hideDetails: 'auto' } as const
const storedTheme = localStorage.getItem('vendange.theme')
const prefersDark = window.matchMedia('(prefers-color-scheme: dark)').matches

export const vuetify = createVuetify({
  theme: {
    cspNonce,
    defaultTheme: (storedTheme ?? (prefersDark ? 'night' : 'paper')) === 'night' ? 'night' : 'paper',
    themes: { paper, night },
  },
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  defaults: {
    global: { ripple: false },
    VBtn: { variant: 'outlined', class: 'text-none', elevation: 0 },
    VCard: { variant: 'outlined', elevation: 0 },
    VTextField: field,
    VTextarea: { ...field, rows: 2, autoGrow: true },
    VSelect: field,
    VAutocomplete: field,
    VCombobox: field,
    VCheckbox: { density: 'compact', hideDetails: true, color: 'primary' },
    VTable: { density: 'compact' },
    VAlert: { variant: 'tonal', density: 'compact' },
  },
})
