<script setup lang="ts">
import Toast from 'primevue/toast'
import { useTheme } from './theme/theme'

useTheme()
</script>

<template>
  <RouterView />
  <Toast position="bottom-center" />
</template>
