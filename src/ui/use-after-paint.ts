"use client";

import { startTransition, useEffect, useState } from "react";

/**
 * A value as it was at the last paint: what hangs on it is worked out only after a key has been answered on the screen,
 * and of several quick changes only the last counts.
 */
export function useAfterPaint<Value>(value: Value): Value {
  const [painted, setPainted] = useState(value);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setPainted(value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value]);
  return painted;
}
