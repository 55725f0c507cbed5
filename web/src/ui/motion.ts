/** Whether the reader asked for less movement. Asked anew each time: it can be changed while the page is open. */
const isStill = () => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** A beat is felt without reading: the number breathes once. */
export function breathe(element: HTMLElement): void {
  if (isStill()) return;
  element.animate([{ transform: 'scale(1.14)' }, { transform: 'scale(1)' }], { duration: 180, easing: 'ease-out' });
}

/** Something has come that was waited for: it rises into its place. */
export function arrive(element: HTMLElement): void {
  if (isStill()) return;
  element.animate(
    [
      { opacity: 0, transform: 'translateY(10px)' },
      { opacity: 1, transform: 'none' },
    ],
    { duration: 220, easing: 'ease-out' },
  );
}
