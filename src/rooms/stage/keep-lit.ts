import { useEffect, useState } from "react";

/** How this screen is kept from going dark: by the browser's own means, by a film nobody sees, or not. */
export type Lit = "lock" | "film" | "none";

/**
 * Keeps the screen lit while the stage is open. Where the browser gives no wake lock (a phone that came in over plain HTTP),
 * a silent film of a few dark dots plays in a corner, from the first touch or key on: a screen that shows a film stays lit.
 */
export function useKeepLit(): Lit {
  const [lit, setLit] = useState<Lit>("none");
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let film: HTMLVideoElement | null = null;
    let ended = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        if (navigator.wakeLock) {
          lock = await navigator.wakeLock.request("screen");
          if (ended) return void lock.release();
          setLit("lock");
          return;
        }
      } catch {
        // Low battery, or a browser that refuses: the film is tried.
      }
      film ??= makeFilm();
      await film.play().then(
        () => setLit("film"),
        () => {},
      );
    };
    const onTouch = () => {
      if (!lock || lock.released) void ask();
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    document.addEventListener("pointerdown", onTouch);
    document.addEventListener("keydown", onTouch);
    return () => {
      ended = true;
      document.removeEventListener("visibilitychange", ask);
      document.removeEventListener("pointerdown", onTouch);
      document.removeEventListener("keydown", onTouch);
      void lock?.release().catch(() => {});
      film?.remove();
    };
  }, []);
  return lit;
}

/** A film of two seconds without a sound, over and over. */
function makeFilm(): HTMLVideoElement {
  const film = document.createElement("video");
  film.setAttribute("playsinline", "");
  film.muted = true;
  film.loop = true;
  film.title = "keeps the screen lit";
  film.setAttribute("aria-hidden", "true");
  film.tabIndex = -1;
  film.style.cssText =
    "position:fixed;right:0;bottom:0;width:2px;height:2px;opacity:0.01;pointer-events:none";
  for (const [src, type] of [
    ["/lit.mp4", "video/mp4"],
    ["/lit.webm", "video/webm"],
  ]) {
    const source = document.createElement("source");
    Object.assign(source, { src, type });
    film.append(source);
  }
  document.body.append(film);
  return film;
}
