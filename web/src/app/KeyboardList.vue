<script setup lang="ts">
import { newHere } from '@/parts/keyboard'
import { sideStages, stages } from './stages'

const open = defineModel<boolean>({ required: true })
</script>

<template>
  <v-dialog v-model="open" max-width="520">
    <v-card title="Keys">
      <v-card-text>
        <table class="figures">
          <tbody>
            <tr>
              <td><kbd>/</kbd></td>
              <td>Find a soap, recipe, mould or lot</td>
            </tr>
            <tr>
              <td><kbd>n</kbd></td>
              <td>{{ newHere?.label ?? 'New here (nothing to make on this page)' }}</td>
            </tr>
            <tr>
              <td><kbd>Ctrl</kbd> <kbd>Z</kbd></td>
              <td>Undo the last change</td>
            </tr>
            <tr v-for="stage in [...stages, ...sideStages]" :key="stage.path">
              <td>
                <kbd>g</kbd> <kbd>{{ stage.key }}</kbd>
              </td>
              <td>Go to {{ stage.label }}</td>
            </tr>
            <tr>
              <td><kbd>Space</kbd></td>
              <td>At the bench: done</td>
            </tr>
            <tr>
              <td><kbd>←</kbd> <kbd>→</kbd></td>
              <td>At the bench: steps; on the ribbon: days</td>
            </tr>
            <tr>
              <td><kbd>?</kbd></td>
              <td>This list</td>
            </tr>
          </tbody>
        </table>
      </v-card-text>
      <v-card-actions><v-spacer /><v-btn @click="open = false">Close</v-btn></v-card-actions>
    </v-card>
  </v-dialog>
</template>

<style scoped>
td:first-child {
  width: 120px;
}
</style>
