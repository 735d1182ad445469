<script setup lang="ts"></script>
<template><div></div></template>
