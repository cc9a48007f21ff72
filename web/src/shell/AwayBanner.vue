<script setup lang="ts">
import { isAway } from '../api/connection'
</script>

<template>
  <p v-if="isAway" class="away" role="status">
    The server does not answer. What you see may be old, and nothing can be changed until it is back. This page looks
    for it by itself.
  </p>
</template>

<style scoped>
.away {
  position: sticky;
  top: 0;
  z-index: 40;
  margin: 0;
  padding: 8px 16px;
  background: var(--rosin);
  color: var(--white);
  font-weight: 500;
}
@media print {
  .away {
    display: none;
  }
}
</style>
