/** Whether ⌘ stands where others have Ctrl. */
export const isMac = (): boolean => /Mac|iPhone|iPad/u.test(navigator.userAgent);
