/** The mark: a short keel with one bend. */
export function Brand() {
  return (
    <svg width="22" height="28" viewBox="0 0 22 28" aria-hidden="true">
      <path
        d="M11 2V9L15 14L11 19V26"
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth="3.2"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </svg>
  );
}
