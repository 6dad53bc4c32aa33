<svg width="23" height="19" viewBox="0 0 23 19" aria-hidden="true">
  <path d="M1 2c3 0 4 11 10.5 11S19 2 22 2" fill="none" stroke="var(--verdigris)" stroke-width="2" />
  <path d="M1 17.6h21" stroke="var(--ink)" stroke-width="1.6" />
</svg>
