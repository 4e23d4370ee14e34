"use client";

import { useEffect, useState } from "react";
import { Toaster, toast } from "sonner";
import { useStore } from "zustand";
import { toasts } from "./toasts";

/** How long a sentence with something to do about it stays, ms. */
const STAYS_MS = 8000;

/** The sentences that come and go, at the foot of the page. */
export function Toasts() {
  const { last, count } = useStore(toasts);
  const [said, setSaid] = useState("");
  useEffect(() => {
    if (!last) return;
    if (last.isSaid) {
      // The same words are said again only when they were gone.
      setSaid("");
      const timer = setTimeout(() => setSaid(last.words), 50);
      return () => clearTimeout(timer);
    }
    const { act } = last;
    toast(last.words, {
      id: `toast ${count}`,
      duration: STAYS_MS,
      ...(act ? { action: { label: act.name, onClick: act.run } } : {}),
    });
  }, [last, count]);
  return (
    <>
      <p role="status" className="sr-only">
        {said}
      </p>
      <Toaster
        position="bottom-center"
        style={{ fontFamily: "inherit" }}
        containerAriaLabel="What has just happened"
        toastOptions={{
          unstyled: true,
          classNames: {
            toast:
              "no-print flex w-full items-center gap-3 !opacity-100 rounded-box bg-neutral px-4 py-3 text-neutral-content shadow-lg",
            title: "text-base",
            actionButton: "btn btn-xs btn-outline ml-auto",
          },
        }}
      />
    </>
  );
}
