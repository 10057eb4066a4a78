<template>
  <svg viewBox="0 0 32 32" class="h-8 w-8 shrink-0" aria-hidden="true">
    <rect x="2.5" y="5.5" width="27" height="21" rx="5" fill="#1d2526" stroke="#e3d2b3" stroke-width="3" />
    <ellipse cx="12" cy="14" rx="4" ry="2.4" fill="#e9ad3f" transform="rotate(-16 12 14)" />
    <ellipse cx="21" cy="18.5" rx="3" ry="1.8" fill="#f8e2b2" transform="rotate(-16 21 18.5)" />
  </svg>
</template>
