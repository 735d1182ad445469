<template>
  <RouterLink to="/" class="mark" aria-label="Hilera, all projects">
    <svg width="38" height="10" viewBox="0 0 38 10" aria-hidden="true">
      <circle
        v-for="(o, i) in [1, 0.75, 0.5, 0.25]"
        :key="i"
        :cx="4 + i * 10"
        cy="5"
        r="3.4"
        fill="var(--madder)"
        :opacity="o"
      />
    </svg>
    <span>hilera</span>
  </RouterLink>
</template>

<style scoped>
.mark {
  display: flex;
  align-items: center;
  gap: 6px;
  color: inherit;
  text-decoration: none;
}
span {
  font: 500 20px var(--serif);
  letter-spacing: -0.02em;
}
</style>
