<script setup lang="ts">
/** The sentence that a maker came for, in large type, with the button that does what it says. */
</script>

<template>
  <div class="answer">
    <h1><slot /></h1>
    <div class="row no-print"><slot name="actions" /></div>
  </div>
</template>

<style scoped>
.answer {
  display: flex;
  align-items: flex-start;
  justify-content: space-between;
  /* Many buttons go below the sentence; they do not squeeze it. */
  flex-wrap: wrap;
  gap: 12px 24px;
  margin: 4px 0 26px;
}

h1 {
  font-size: 1.75rem;
  line-height: 1.24;
  flex: 1 1 520px;
  max-width: 46ch;
  text-wrap: balance;
}

.row {
  flex: 0 1 auto;
  justify-content: flex-end;
  padding-top: 4px;
}

@media (max-width: 960px) {
  .answer {
    flex-flow: column;
    gap: 12px;
  }

  h1 {
    flex: none;
  }

  .row {
    flex: initial;
    justify-content: flex-start;
  }
}

@media (max-width: 599px) {
  .answer {
    margin-bottom: 18px;
  }

  h1 {
    font-size: 1.45rem;
  }
}
</style>
