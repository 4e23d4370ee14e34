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
    let film: Promise<HTMLVideoElement> | null = null;
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
      // A phone that has lost its network before the film was fetched asks again at the next touch.
      film ??= import("./film").then(({ makeFilm }) => makeFilm());
      try {
        await (await film).play();
        setLit("film");
      } catch {
        const made = await film.catch(() => null);
        if (!made) film = null;
      }
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
      void film?.then((made) => made.remove()).catch(() => {});
    };
  }, []);
  return lit;
}
