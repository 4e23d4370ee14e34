"use client";

import { useEffect, useState } from "react";

/** A sentence at the foot of the screen that stays for a while and can be put away. */
export function Notice({ text, count }: { text: string; count: number }) {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    setShown(count > 0);
    const timer = setTimeout(() => setShown(false), 9000);
    return () => clearTimeout(timer);
  }, [count]);
  return (
    <div aria-live="polite">
      {shown && (
        <div className="mt-2 flex max-w-xl items-start gap-3 rounded-box bg-neutral px-4 py-3 text-neutral-content shadow-lg">
          <span>{text}</span>
          <button type="button" className="btn btn-xs btn-outline" onClick={() => setShown(false)}>
            Put away
          </button>
        </div>
      )}
    </div>
  );
}
