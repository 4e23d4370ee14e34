import { useEffect } from "react";
import { fetchSeldom } from "./seldom";

/** When the stage has stood so long, what is seldom wanted is fetched too: later there may be no network for it. */
const SETTLED_MS = 6000;

/**
 * Lets a page that was opened once be opened again with no network: on this machine and over HTTPS, where browsers give
 * service workers. Elsewhere the open page lives by itself.
 */
export function useStageWorker(): void {
  useEffect(() => {
    const registered =
      "serviceWorker" in navigator
        ? navigator.serviceWorker
            .register("/stage-worker.js", { scope: "/live/" })
            .then(() => navigator.serviceWorker.ready)
        : Promise.reject(new Error("no service workers here"));
    const keep = () =>
      registered.then(({ active }) => active?.postMessage({ keep: [location.pathname, ...filesHere()] }));
    void keep().catch(() => {});
    const timer = setTimeout(
      () =>
        void fetchSeldom()
          .then(keep)
          .catch(() => {}),
      SETTLED_MS,
    );
    return () => clearTimeout(timer);
  }, []);
}

/** What the page is made of: the first visit was loaded without the worker. */
const filesHere = (): string[] =>
  performance
    .getEntriesByType("resource")
    .map(({ name }) => name)
    .filter(
      (name) => name.startsWith(`${location.origin}/_next/static/`) || /\/(?:icon\.svg|lit\.\w+)/u.test(name),
    );
