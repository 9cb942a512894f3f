declare module '*.css'
declare module 'vuetify/styles'
