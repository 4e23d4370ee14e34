import { useEffect } from "react";

/**
 * Lets a page that was opened once be opened again with no network: on this machine and over HTTPS, where browsers give
 * service workers. Elsewhere the open page lives by itself.
 */
export function useStageWorker(): void {
  useEffect(() => {
    if (!("serviceWorker" in navigator)) return;
    void navigator.serviceWorker
      .register("/stage-worker.js", { scope: "/live/" })
      .then(() => navigator.serviceWorker.ready)
      .then((registration) => {
        // The first visit was loaded without the worker: it is told what the page is made of.
        const files = performance
          .getEntriesByType("resource")
          .map(({ name }) => name)
          .filter(
            (name) =>
              name.startsWith(`${location.origin}/_next/static/`) || /\/(?:icon\.svg|lit\.\w+)/u.test(name),
          );
        registration.active?.postMessage({ keep: [location.pathname, ...files] });
      })
      .catch(() => {});
  }, []);
}
