/** How Debian's Chromium is started everywhere here: no network of its own, no sandbox for root. */
export const CHROMIUM = "/usr/bin/chromium";
export const CHROMIUM_ARGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];
