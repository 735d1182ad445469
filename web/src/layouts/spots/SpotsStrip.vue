<script setup lang="ts">
import StripHead from '../../strip/StripHead.vue'
</script>

<template>
  <StripHead />
  <p class="note">
    These stand on places of their own: there is no spacing to unroll. Each is moved on the stage or typed.
  </p>
</template>
