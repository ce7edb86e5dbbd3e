/** A flame over three rungs: our own mark. */
export const Mark = () => (
  <svg viewBox="0 0 40 56" width="30" height="42" aria-hidden="true" className="brand-mark">
    <path d="M20 3 C27 13 31 18 31 25 A11 11 0 0 1 9 25 C9 18 13 13 20 3 Z" />
    <rect x="9" y="39" width="22" height="3.6" />
    <rect x="9" y="44.8" width="22" height="3.6" opacity="0.72" />
    <rect x="9" y="50.6" width="22" height="3.6" opacity="0.45" />
  </svg>
);
