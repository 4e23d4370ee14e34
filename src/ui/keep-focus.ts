const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex]:not([tabindex="-1"])';

const isShown = (element: HTMLElement): boolean => element.isConnected && element.getClientRects().length > 0;

/**
 * After something is taken out the focus goes to its neighbour, never to the page: what came next on the screen, else what
 * came before. To be called before the screen changes.
 */
export function keepFocusNear(focused: Element | null): void {
  if (!(focused instanceof HTMLElement) || focused === document.body) return;
  const all = [...document.querySelectorAll<HTMLElement>(FOCUSABLE)];
  const at = all.indexOf(focused);
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      if (document.activeElement && document.activeElement !== document.body) return;
      const near = [focused, ...all.slice(at + 1), ...all.slice(0, Math.max(0, at)).reverse()];
      near.find(isShown)?.focus();
    }),
  );
}
