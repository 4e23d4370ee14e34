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
