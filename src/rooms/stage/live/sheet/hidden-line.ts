/** The first line that is not wholly in sight below, or null. */
export const firstHiddenLine = (box: HTMLElement): HTMLElement | null => {
  const foot = box.getBoundingClientRect().bottom;
  if (box.scrollHeight - box.clientHeight - box.scrollTop <= 8) return null;
  return (
    [...box.querySelectorAll<HTMLElement>(".stage-line")].find(
      (line) => line.getBoundingClientRect().bottom > foot + 2,
    ) ?? null
  );
};

/**
 * Where the sheet is scrolled to bring a line: to its top, or less far where all that is left fits with lines before it, the first
 * of them whole.
 */
export function pageTop(box: HTMLElement, next: HTMLElement): number {
  const lines = [...box.querySelectorAll<HTMLElement>(".stage-line")].filter(
    (line) => line.offsetParent !== null,
  );
  const foot = lines.at(-1)!.getBoundingClientRect().bottom;
  const fits = lines.find((line) => foot - line.getBoundingClientRect().top <= box.clientHeight) ?? next;
  return Math.min(fits.offsetTop, next.offsetTop) - box.offsetTop;
}
