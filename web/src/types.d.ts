declare module '*.css'
declare module 'vuetify/styles/layers'
declare module 'vuetify/styles/core'
