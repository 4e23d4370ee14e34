/** Something a device can do for its player, or not, and why. */
export type Means = { readonly what: string; readonly can: boolean; readonly words: string };

/** What a browser tells of itself, as far as it is asked here. */
export type Browser = {
  readonly isSecureContext: boolean;
  readonly indexedDB?: unknown;
  readonly EventSource?: unknown;
  readonly navigator: {
    readonly serviceWorker?: unknown;
    readonly wakeLock?: unknown;
    readonly mediaDevices?: unknown;
    readonly requestMIDIAccess?: unknown;
  };
};

/**
 * What a device can do as it has come in. Over plain HTTP a browser gives no service worker, wake lock, microphone or MIDI.
 */
export function deviceMeans(browser: Browser): Means[] {
  // Not spread: much of what a window has does not come along.
  const { isSecureContext, navigator } = browser;
  const plain = isSecureContext
    ? "This browser does not have it."
    : "Not over a plain line; the leader can start with --https.";
  const only = (can: boolean, words = plain) => (can ? "" : words);
  const offline = browser.indexedDB !== undefined;
  const reload = Boolean(navigator.serviceWorker);
  const lock = Boolean(navigator.wakeLock);
  return [
    {
      what: "Follow the leader, beat by beat",
      can: browser.EventSource !== undefined,
      words: only(browser.EventSource !== undefined, "This browser is too old."),
    },
    {
      what: "Go on by itself when the network drops",
      can: offline,
      words: only(offline, "It keeps nothing on this device: only for as long as the page is open."),
    },
    {
      what: "Open the page again with no network",
      can: reload,
      words: only(reload, `${plain} Leave the page open for the whole evening: it needs no reload.`),
    },
    {
      what: "Keep the screen lit",
      can: true,
      words: lock
        ? ""
        : "By a silent film in a corner, from the first touch on. Set the screen’s own time-out high as well.",
    },
    {
      what: "Hear you sing or tune",
      can: Boolean(navigator.mediaDevices),
      words: only(Boolean(navigator.mediaDevices)),
    },
    {
      what: "Pedals and boxes by MIDI",
      can: Boolean(navigator.requestMIDIAccess),
      words: only(Boolean(navigator.requestMIDIAccess), `${plain} Page-turn pedals that send keys work.`),
    },
  ];
}
